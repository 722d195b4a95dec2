import { Controller, Sse, type MessageEvent } from '@nestjs/common';
import { interval, map, merge, type Observable } from 'rxjs';
import { AllowedFor, EVERY_ROLE, MySession } from '../auth/access.ts';
import { LiveService } from './live.service.ts';
import { Streams } from './streams.ts';

const HEARTBEAT_MS = 15_000;

@Controller('api/live')
export class LiveController {
  constructor(
    private readonly live: LiveService,
    private readonly streams: Streams,
  ) {}

  /** Which job has grown, and to which event; a heartbeat in between. Ends with the session. */
  @Sse()
  @AllowedFor(...EVERY_ROLE)
  stream(@MySession() session: string): Observable<MessageEvent> {
    return merge(
      this.live.appended.pipe(map((data): MessageEvent => ({ data }))),
      interval(HEARTBEAT_MS).pipe(map((): MessageEvent => ({ type: 'beat', data: '' }))),
    ).pipe(this.streams.while(session));
  }
}
