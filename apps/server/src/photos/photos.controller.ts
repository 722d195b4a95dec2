import {
  BadRequestException,
  Body,
  Controller,
  Get,
  Header,
  HttpCode,
  NotFoundException,
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
import { DataSource } from 'typeorm';
import { AllowedFor, EVERY_ROLE, Me } from '../auth/access.ts';
import type { Person } from '../database/entities/person.entity.ts';
import { Photo } from '../database/entities/photo.entity.ts';
import { FILE, FORM } from '../bounds/bounds.ts';
import { JobsService } from '../jobs/jobs.service.ts';
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
  constructor(
    private readonly jobs: JobsService,
    private readonly db: DataSource,
  ) {}

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
    const { bytes, sha256, width, height } = await picture(file.buffer, 'photo');
    const asker = { person, at: new Date(), device: 'camera' };
    return this.db.transaction(async (m) => {
      await m.query(
        `INSERT INTO photo (id, job_id, bytes, sha256, width, height, by_name)
         SELECT $1, id, $3, $4, $5, $6, $7 FROM job WHERE id = $2 ON CONFLICT (id) DO NOTHING`,
        [body.commandId, job, bytes, sha256, width, height, person.name],
      );
      const command = {
        type: 'add-photo',
        photo: body.commandId,
        caption: body.caption.trim(),
        sha256,
        width,
        height,
        ...(body.step === undefined ? {} : { step: body.step }),
      } as const;
      return this.jobs.append(m, job, body.commandId, command, body.seen, asker);
    });
  }

  @Get('photos/:id')
  @AllowedFor(...EVERY_ROLE)
  @Header('Cache-Control', 'private, max-age=31536000, immutable')
  async get(@Param('id', ParseUUIDPipe) id: string): Promise<StreamableFile> {
    const found = await this.db.getRepository(Photo).findOne({ where: { id }, select: { id: true, bytes: true } });
    if (!found) throw new NotFoundException('There is no such picture');
    return new StreamableFile(found.bytes, { type: 'image/jpeg', disposition: 'inline' });
  }
}
