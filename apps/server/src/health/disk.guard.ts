import { HttpException, Injectable, type CanActivate, type ExecutionContext } from '@nestjs/common';
import type { Request } from 'express';
import { DiskService } from './disk.service.ts';

const READS: ReadonlySet<string> = new Set(['GET', 'HEAD', 'OPTIONS']);
/** Writes that keep nothing, or free room, and go on. */
const KEEPS_NOTHING = /^\/api\/(reckon\/|records\/verify|sheets\/lint|instruments\/|session)/;

/** While the disk is full, reading goes on and nothing is written. */
@Injectable()
export class DiskGuard implements CanActivate {
  constructor(private readonly disk: DiskService) {}

  canActivate(context: ExecutionContext): boolean {
    const { method, path } = context.switchToHttp().getRequest<Request>();
    if (!this.disk.full || READS.has(method) || KEEPS_NOTHING.test(path)) return true;
    throw new HttpException('The workshop’s disk is full: nothing was written. What is there can be read.', 507);
  }
}
