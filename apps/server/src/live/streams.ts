import { Injectable, type OnModuleDestroy } from '@nestjs/common';
import {
  catchError,
  exhaustMap,
  filter,
  from,
  interval,
  merge,
  of,
  Subject,
  takeUntil,
  type MonoTypeOperatorFunction,
} from 'rxjs';
import { AuthService } from '../auth/auth.service.ts';

/** A session that runs out is seen by then. */
const LOOK_MS = 30_000;

/** Streams to browsers: they end when their session does, and when the server stops. */
@Injectable()
export class Streams implements OnModuleDestroy {
  private readonly stopping = new Subject<void>();
  constructor(private readonly auth: AuthService) {}

  /** Lets a stream go on while a session holds. */
  while<T>(session: string): MonoTypeOperatorFunction<T> {
    const over = merge(
      this.auth.ended.pipe(filter((ended) => ended === session)),
      interval(LOOK_MS).pipe(
        // While the database is away nobody can say that it has ended.
        exhaustMap(() => from(this.auth.holds(session, new Date())).pipe(catchError(() => of(true)))),
        filter((holds) => !holds),
      ),
      this.stopping,
    );
    return takeUntil(over);
  }

  /** Before the server closes its door, or it would wait for every open stream. */
  onModuleDestroy(): void {
    this.stopping.next();
    this.stopping.complete();
  }
}
