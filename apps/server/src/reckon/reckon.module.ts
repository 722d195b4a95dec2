import { Module } from '@nestjs/common';
import { ReckonController } from './reckon.controller.ts';

@Module({ controllers: [ReckonController] })
export class ReckonModule {}
