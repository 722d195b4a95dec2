import { Controller, Get, Req } from '@nestjs/common';
import type { NetworkView } from '@jubb/contract';
import type { Request } from 'express';
import { AllowedFor } from '../auth/access.ts';
import { NetworkService } from './network.service.ts';

@Controller('api/shop/network')
export class NetworkController {
  constructor(private readonly network: NetworkService) {}

  @Get()
  @AllowedFor('owner')
  view(@Req() request: Request): Promise<NetworkView> {
    return this.network.view(request.socket.localPort ?? 0);
  }
}
