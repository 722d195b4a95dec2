import { Global, Module } from '@nestjs/common';
import { HeavyService } from './heavy.service.ts';

/** What keeps one request from holding up all others. */
@Global()
@Module({ providers: [HeavyService], exports: [HeavyService] })
export class BoundsModule {}
