import { Global, Module, type DynamicModule } from '@nestjs/common';
import type { Config } from './config.ts';
import { CONFIG } from './token.ts';

/** What the process was told from outside, for whoever asks for it by {@link CONFIG}. */
@Global()
@Module({})
export class ConfigModule {
  static with(config: Config): DynamicModule {
    return {
      module: ConfigModule,
      providers: [{ provide: CONFIG, useValue: config }],
      exports: [CONFIG],
    };
  }
}
