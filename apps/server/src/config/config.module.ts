import { Global, Module, type DynamicModule } from '@nestjs/common';
import { ConfigModule as NestConfigModule, registerAs } from '@nestjs/config';
import { CONFIG_NAME, type Config } from './config.ts';

/** The settings, read and checked before anything is made of them, for whatever asks for them. */
@Global()
@Module({})
export class ConfigModule {
  static with(config: Config): DynamicModule {
    const settings = NestConfigModule.forRoot({
      isGlobal: true,
      ignoreEnvFile: true,
      skipProcessEnv: true,
      load: [registerAs(CONFIG_NAME, () => config)],
    });
    return { module: ConfigModule, imports: [settings] };
  }
}
