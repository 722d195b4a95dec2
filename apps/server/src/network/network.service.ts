import { Inject, Injectable, type OnApplicationShutdown } from '@nestjs/common';
import type { NetworkView } from '@jubb/contract';
import QRCode from 'qrcode';
import { CONFIG, onNetwork, type Config } from '../config/config.ts';
import { cardAddresses } from './addresses.ts';
import { readCertificate } from './authority.ts';
import { fingerprint } from './guide.ts';

/** How the devices of a shop reach it. */
@Injectable()
export class NetworkService implements OnApplicationShutdown {
  /** The shop's authority, PEM, where this server speaks https itself. */
  authority: string | undefined;
  /** Closes the plain page beside it. */
  closeGuide: (() => void) | undefined;

  constructor(@Inject(CONFIG) private readonly config: Config) {}

  onApplicationShutdown(): void {
    this.closeGuide?.();
  }

  async view(port: number): Promise<NetworkView> {
    const { publicUrl, https, guidePort } = this.config;
    if (publicUrl !== undefined)
      return { open: true, https: publicUrl.startsWith('https:'), ways: [await wayOf(publicUrl)] };
    if (!onNetwork(this.config)) return { open: false, https, ways: [] };
    const ways = await Promise.all(
      cardAddresses().map((host) =>
        wayOf(`${https ? 'https' : 'http'}://${host}:${port}`, https ? `http://${host}:${guidePort}` : undefined),
      ),
    );
    return {
      open: true,
      https,
      ways,
      ...(this.authority === undefined
        ? {}
        : {
            authority: {
              sha256: fingerprint(this.authority),
              until: readCertificate(this.authority).until.toISOString(),
            },
          }),
    };
  }
}

/** An address, and a code that opens it: of the page that says how a device is let in, where there is one. */
async function wayOf(address: string, guide?: string): Promise<NetworkView['ways'][number]> {
  const code = await QRCode.toString(guide ?? address, { type: 'svg', margin: 2, errorCorrectionLevel: 'M' });
  return { address, ...(guide === undefined ? {} : { guide }), code };
}
