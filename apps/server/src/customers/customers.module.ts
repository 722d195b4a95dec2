import { Module } from '@nestjs/common';
import { CustomersController } from './customers.controller.ts';

@Module({ controllers: [CustomersController] })
export class CustomersModule {}
