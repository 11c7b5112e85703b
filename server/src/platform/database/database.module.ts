import { Module, type DynamicModule } from '@nestjs/common';
import { TypeOrmModule } from '@nestjs/typeorm';
import { DataSource, type MigrationInterface } from 'typeorm';
import { connection, migrated } from './connection.ts';
import { oneAtATime } from './one-at-a-time.ts';

/** The connection of the whole application; its tables come from the modules that register them. */
@Module({})
export class DatabaseModule {
  static with(databaseUrl: string, migrations: readonly (new () => MigrationInterface)[]): DynamicModule {
    return {
      module: DatabaseModule,
      imports: [
        TypeOrmModule.forRootAsync({
          useFactory: () => ({
            ...connection(databaseUrl, migrations),
            autoLoadEntities: true,
            retryAttempts: 3,
            retryDelay: 1000,
          }),
          dataSourceFactory: async (options) => {
            const db = oneAtATime(await new DataSource(options!).initialize());
            return migrated(db);
          },
        }),
      ],
    };
  }
}
