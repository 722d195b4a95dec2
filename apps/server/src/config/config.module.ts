import { Global, Module, type DynamicModule } from '@nestjs/common';
import { CONFIG, type Config } from './config.ts';

@Global()
@Module({})
export class ConfigModule {
  static with(config: Config): DynamicModule {
    return { module: ConfigModule, providers: [{ provide: CONFIG, useValue: config }], exports: [CONFIG] };
  }
}
