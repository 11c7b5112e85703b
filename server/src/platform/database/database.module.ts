import { Module, type DynamicModule } from '@nestjs/common';
import { TypeOrmModule } from '@nestjs/typeorm';
import type { MigrationInterface } from 'typeorm';
import { connection } from './connection.ts';

/** The connection of the whole application; its tables come from the modules that register them. */
@Module({})
export class DatabaseModule {
  static with(databaseUrl: string, migrations: readonly (new () => MigrationInterface)[]): DynamicModule {
    return {
      module: DatabaseModule,
      imports: [
        TypeOrmModule.forRoot({
          ...connection(databaseUrl, migrations),
          autoLoadEntities: true,
          retryAttempts: 3,
          retryDelay: 1000,
        }),
      ],
    };
  }
}
