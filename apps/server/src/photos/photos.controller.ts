import {
  BadRequestException,
  Body,
  Controller,
  Get,
  Header,
  HttpCode,
  Param,
  ParseUUIDPipe,
  Post,
  StreamableFile,
  UploadedFile,
  UseInterceptors,
} from '@nestjs/common';
import { FileInterceptor } from '@nestjs/platform-express';
import { LARGEST_INT, type CommandAnswer } from '@jubb/contract';
import { Type } from 'class-transformer';
import { IsInt, IsOptional, IsString, IsUUID, Max, MaxLength, Min } from 'class-validator';
import { AllowedFor, EVERY_ROLE, Me } from '../auth/access.ts';
import type { Person } from '../auth/person.entity.ts';
import { FILE, FORM } from '../bounds/bounds.ts';
import { PhotosService } from './photos.service.ts';
import { picture, refuseFolder } from './picture.ts';

export class PhotoDto {
  /** Made by the asker: the same picture sent again is kept once. It is the picture's id. */
  @IsUUID()
  commandId: string;

  @Type(() => Number)
  @IsInt()
  @Min(0)
  @Max(LARGEST_INT)
  seen: number;

  @IsOptional()
  @IsString()
  @MaxLength(120)
  step?: string;

  @IsString()
  @MaxLength(200)
  caption: string;
}

@Controller('api')
export class PhotosController {
  constructor(private readonly photos: PhotosService) {}

  /** Keeps a picture and says so in the job's log, both or neither. */
  @Post('jobs/:id/photos')
  @HttpCode(200)
  @AllowedFor('owner', 'mechanic')
  @UseInterceptors(
    FileInterceptor('photo', { limits: { ...FORM, fileSize: FILE.picture, files: 1 }, preservePath: true }),
  )
  async add(
    @Param('id', ParseUUIDPipe) job: string,
    @Body() body: PhotoDto,
    @Me() person: Person,
    @UploadedFile() file?: Express.Multer.File,
  ): Promise<CommandAnswer> {
    if (!file)
      throw new BadRequestException({ message: 'photo: no picture came', errors: { photo: ['A picture is due'] } });
    refuseFolder(file.originalname, 'photo');
    const kept = await picture(file.buffer, 'photo');
    return this.photos.add(job, { ...kept, id: body.commandId, ...body }, person);
  }

  @Get('photos/:id')
  @AllowedFor(...EVERY_ROLE)
  @Header('Cache-Control', 'private, max-age=31536000, immutable')
  async get(@Param('id', ParseUUIDPipe) id: string): Promise<StreamableFile> {
    return new StreamableFile(await this.photos.bytes(id), { type: 'image/jpeg', disposition: 'inline' });
  }
}
