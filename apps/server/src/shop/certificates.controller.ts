import {
  BadRequestException,
  Controller,
  Get,
  Header,
  Param,
  ParseUUIDPipe,
  Post,
  StreamableFile,
  UploadedFile,
  UseInterceptors,
} from '@nestjs/common';
import { FileInterceptor } from '@nestjs/platform-express';
import type { CertificateView } from '@jubb/contract';
import { AllowedFor, EVERY_ROLE, Me } from '../auth/access.ts';
import { shownFile } from '../bounds/shown-file.ts';
import type { Person } from '../auth/person.entity.ts';
import { FILE, FORM } from '../bounds/bounds.ts';
import { wrongField } from '../problems/wrong-field.ts';
import { CertificatesService } from './certificates.service.ts';

/** Certificates of calibration: whoever measures may look; the owner keeps them. */
@Controller('api')
export class CertificatesController {
  constructor(private readonly certificates: CertificatesService) {}

  @Get('certificates')
  @AllowedFor(...EVERY_ROLE)
  list(): Promise<CertificateView[]> {
    return this.certificates.list();
  }

  @Get('certificates/:id')
  @AllowedFor(...EVERY_ROLE)
  @Header('Cache-Control', 'private, max-age=60')
  async open(@Param('id', ParseUUIDPipe) id: string): Promise<StreamableFile> {
    return shownFile(await this.certificates.open(id));
  }

  @Post('shop/instruments/:id/certificates')
  @AllowedFor('owner')
  @UseInterceptors(FileInterceptor('certificate', { limits: { ...FORM, fileSize: FILE.document, files: 1 } }))
  keep(
    @Param('id') id: string,
    @Me() me: Person,
    @UploadedFile() file?: Express.Multer.File,
  ): Promise<CertificateView[]> {
    if (!file) throw new BadRequestException(wrongField('certificate', 'A PDF or a picture is due'));
    return this.certificates.keep(id, file.buffer, file.originalname, me);
  }
}
