import {
  Inject,
  Injectable,
  NotFoundException,
  UnprocessableEntityException,
  type OnApplicationShutdown,
} from '@nestjs/common';
import type { HandDto, InstrumentMessage, InstrumentView } from '@jubb/contract';
import { startWith, type Observable } from 'rxjs';
import { DataSource } from 'typeorm';
import { CONFIG, type Config } from '../config/config.ts';
import { Instrument } from '../database/entities/instrument.entity.ts';
import type { InstrumentPort } from './instrument.port.ts';
import { TcpInstrument } from './tcp-instrument.ts';

@Injectable()
export class InstrumentsService implements OnApplicationShutdown {
  private readonly ports = new Map<string, InstrumentPort>();
  constructor(
    private readonly db: DataSource,
    @Inject(CONFIG) private readonly config: Config,
  ) {}

  /** Connects to every instrument on the list; called once the list is there. */
  async connectAll(): Promise<void> {
    const [host, port] = this.config.standIns.split(':');
    for (const i of await this.db.getRepository(Instrument).find()) {
      const adapter = new TcpInstrument(i.id, host ?? '127.0.0.1', Number(port));
      adapter.connect();
      this.ports.set(i.id, adapter);
    }
  }

  onApplicationShutdown(): void {
    for (const p of this.ports.values()) p.close();
  }

  async list(): Promise<InstrumentView[]> {
    const all = await this.db.getRepository(Instrument).find({ order: { id: 'ASC' } });
    return all.map((i) => ({ ...i, connected: this.ports.get(i.id)?.connected ?? false }));
  }

  messages(id: string): Observable<InstrumentMessage> {
    const port = this.port(id);
    return port.lastLive ? port.messages.pipe(startWith(port.lastLive)) : port.messages;
  }

  zero(id: string): void {
    this.port(id).zero();
  }

  async hand(id: string, move: HandDto): Promise<void> {
    const instrument = await this.db.getRepository(Instrument).findOneBy({ id });
    if (instrument && !instrument.simulated)
      throw new UnprocessableEntityException('A real instrument is moved by a real hand');
    this.port(id).hand(move);
  }

  private port(id: string): InstrumentPort {
    const port = this.ports.get(id);
    if (!port) throw new NotFoundException('There is no such instrument');
    return port;
  }
}
