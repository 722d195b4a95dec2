import { Module, type DynamicModule } from '@nestjs/common';
import { ServeStaticModule } from '@nestjs/serve-static';
import type { Response } from 'express';
import { join } from 'node:path';

const NOT_PAGES = ['/api', '/api/{*path}'];

/** The built web app: its pieces for ever, since their names change with them; its page asked for anew each time. */
@Module({})
export class WebAppModule {
  static from(folder: string): DynamicModule {
    return {
      module: WebAppModule,
      imports: [
        ServeStaticModule.forRoot(
          {
            rootPath: join(folder, 'assets'),
            serveRoot: '/assets',
            serveStaticOptions: { immutable: true, maxAge: '365d', fallthrough: false, index: false },
          },
          {
            rootPath: folder,
            exclude: NOT_PAGES,
            serveStaticOptions: {
              index: false,
              setHeaders: (response: Response) => void response.setHeader('Cache-Control', 'no-cache'),
            },
          },
        ),
      ],
    };
  }
}
