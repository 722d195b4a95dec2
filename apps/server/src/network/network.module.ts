import { Module } from '@nestjs/common';
import { NetworkController } from './network.controller.ts';
import { NetworkService } from './network.service.ts';

@Module({ controllers: [NetworkController], providers: [NetworkService] })
export class NetworkModule {}
