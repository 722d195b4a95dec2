import { selfCheck } from '@jubb/core/bench';
import {
  ConflictException,
  Inject,
  Injectable,
  Logger,
  NotFoundException,
  ServiceUnavailableException,
  UnprocessableEntityException,
  type OnModuleDestroy,
} from '@nestjs/common';
import {
  type HandAnswer,
  type HandDto,
  type InstrumentMessage,
  type InstrumentView,
  type SelfCheck,
  type StandRunDto,
} from '@jubb/contract';
import { filter, firstValueFrom, map, startWith, take, takeUntil, timer, toArray, type Observable } from 'rxjs';
import { standsFor, type StandInstrument } from '@jubb/core/sheet';
import { DataSource, IsNull } from 'typeorm';
import { CONFIG, type Config } from '../config/config.ts';
import { Instrument } from './instrument.entity.ts';
import type { InstrumentPort } from './instrument.port.ts';
import { TcpInstrument } from './tcp-instrument.ts';

/** A self-check takes so many readings, or as many as come in this time. */
const CHECK_READINGS = 5;
const CHECK_MS = 2600;
const FOLLOW_MS = 15_000;

@Injectable()
export class InstrumentsService implements OnModuleDestroy {
  private readonly logger = new Logger('instruments');
  private readonly lines = new Map<string, { readonly port: InstrumentPort; readonly line: string }>();
  private timer: NodeJS.Timeout | undefined;
  constructor(
    private readonly db: DataSource,
    @Inject(CONFIG) private readonly config: Config,
  ) {}

  /** Connects to every instrument on the list, and follows it from then on; called once the list is there. */
  async connectAll(): Promise<void> {
    await this.follow();
    this.timer ??= setInterval(
      () =>
        void this.follow().catch((e: Error) =>
          this.logger.warn(`the list of instruments cannot be read: ${e.message}`),
        ),
      FOLLOW_MS,
    );
    this.timer.unref();
  }

  /** Calls whom the list names on a line, and hangs up on whom it does not name any more: another server may have changed it. */
  async follow(): Promise<void> {
    const listed = await this.db.getRepository(Instrument).find({ where: { readBy: 'port', retiredAt: IsNull() } });
    const wanted = new Map(listed.map((i) => [i.id, i.line ?? this.config.standIns]));
    for (const [id, { port, line }] of this.lines)
      if (wanted.get(id) !== line) {
        port.close();
        this.lines.delete(id);
      }
    for (const [id, line] of wanted)
      if (!this.lines.has(id)) {
        const [, host = '127.0.0.1', at] = /^\[?(.*?)\]?:(\d+)$/.exec(line) ?? [];
        const port = new TcpInstrument(id, host, Number(at));
        port.connect();
        this.lines.set(id, { port, line });
      }
  }

  onModuleDestroy(): void {
    clearInterval(this.timer);
    for (const { port } of this.lines.values()) port.close();
  }

  async list(): Promise<InstrumentView[]> {
    const all = await this.db.getRepository(Instrument).find({ where: { retiredAt: IsNull() }, order: { id: 'ASC' } });
    return all.map(({ retiredAt: _, ...i }) => {
      const port = this.lines.get(i.id)?.port;
      return { ...i, connected: port?.connected ?? false, ...(port?.faults ? { faults: port.faults } : {}) };
    });
  }

  messages(id: string): Observable<InstrumentMessage> {
    const port = this.port(id);
    const joined: InstrumentMessage = { type: 'joined' };
    return port.messages.pipe(startWith(joined, ...(port.lastLive ? [port.lastLive] : [])));
  }

  /** @throws ServiceUnavailableException when it is not connected */
  async zero(id: string): Promise<void> {
    (await this.onLine(id)).zero();
  }

  async hand(id: string, move: HandDto): Promise<HandAnswer> {
    const instrument = await this.db.getRepository(Instrument).findOneBy({ id });
    if (instrument && !instrument.simulated)
      throw new UnprocessableEntityException('A real instrument is moved by a real hand');
    return (await this.onLine(id)).hand(move);
  }

  /** Starts a run on a stand that makes such runs. */
  async run(id: string, setup: StandRunDto): Promise<{ readonly run: number }> {
    this.port(id);
    const { kind, name } = await this.db.getRepository(Instrument).findOneByOrFail({ id });
    const makes: readonly string[] = kind in standsFor ? standsFor[kind as StandInstrument] : [];
    if (!makes.includes(setup.kind))
      throw new UnprocessableEntityException(
        makes.length === 0 ? `${name} is no stand` : `${name} runs ${makes.join(', ')}; not ${setup.kind}`,
      );
    const port = await this.onLine(id);
    if (port.running !== undefined)
      throw new ConflictException(`${name} is running already: wait until that run ends, or stop it`);
    return port.run(setup);
  }

  async stop(id: string): Promise<void> {
    (await this.onLine(id)).stop();
  }

  /** Chooses what is wrong on a simulated stand. @throws when it is none, or has no such fault */
  async fault(id: string, fault: string | null): Promise<void> {
    const port = await this.onLine(id);
    if (!port.faults) throw new UnprocessableEntityException('Only a simulated stand has faults to choose from');
    if (fault !== null && !port.faults.all.includes(fault))
      throw new UnprocessableEntityException(`"${fault}" is none of: ${port.faults.all.join(', ')}`);
    port.fault(fault);
  }

  /** Looks whether an instrument answers, is in date, and repeats: a few live values as they come. */
  async check(id: string, now: Date): Promise<SelfCheck> {
    const port = this.port(id);
    const view = await this.db.getRepository(Instrument).findOneByOrFail({ id });
    if (!port.connected)
      return { good: false, says: ['It does not answer: is it on, and its cable in?'], readings: [] };
    const readings = await firstValueFrom(
      this.messages(id).pipe(
        filter((m) => m.type === 'live'),
        map((m) => m.value),
        take(CHECK_READINGS),
        takeUntil(timer(CHECK_MS)),
        toArray(),
      ),
    );
    return { ...selfCheck(view, readings, now.toISOString().slice(0, 10)), readings };
  }

  /** An instrument that answers: what is said to one that does not is lost, and must not look done. */
  private async onLine(id: string): Promise<InstrumentPort> {
    const port = this.port(id);
    if (port.connected) return port;
    const { name } = await this.db.getRepository(Instrument).findOneByOrFail({ id });
    throw new ServiceUnavailableException(`${name} is not connected`);
  }

  private port(id: string): InstrumentPort {
    const port = this.lines.get(id)?.port;
    if (!port) throw new NotFoundException('There is no such instrument');
    return port;
  }
}
