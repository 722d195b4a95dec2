import { Module } from '@nestjs/common';
import { JobsModule } from '../jobs/jobs.module.ts';
import { PhotosController } from './photos.controller.ts';

@Module({ imports: [JobsModule], controllers: [PhotosController] })
export class PhotosModule {}
