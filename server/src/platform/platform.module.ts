import { Global, Module } from '@nestjs/common';
import { APP_FILTER, APP_GUARD, APP_INTERCEPTOR, APP_PIPE } from '@nestjs/core';
import { RecordDeeds } from './access/deeds.ts';
import { SignedInGuard } from './access/guard.ts';
import { GuessLimit } from './access/guess-limit.ts';
import { HeavyReads } from './access/heavy-reads.ts';
import { Owners } from './access/owners.ts';
import { Streams } from './access/streams.ts';
import { WhoAsks } from './access/who-asks.ts';
import { Bus } from './bus/bus.ts';
import { Clock } from './clock/clock.ts';
import { KeptTables } from './database/kept-tables.ts';
import type { Config } from './config/config.ts';
import { CONFIG } from './config/token.ts';
import { Days } from './days/days.ts';
import { ProblemFilter } from './http/problem.filter.ts';
import { validationPipe } from './http/validation.ts';

/** What every module needs and no noun of the trade owns: time, who may what, and the one shape of every refusal. */
@Global()
@Module({
  providers: [
    { provide: APP_GUARD, useClass: SignedInGuard },
    { provide: APP_INTERCEPTOR, useClass: RecordDeeds },
    { provide: APP_FILTER, useClass: ProblemFilter },
    { provide: APP_PIPE, useFactory: validationPipe },
    { provide: Clock, useFactory: (config: Config) => new Clock(config.clockShiftSeconds), inject: [CONFIG] },
    Days,
    KeptTables,
    Owners,
    Streams,
    WhoAsks,
    HeavyReads,
    GuessLimit,
    Bus,
  ],
  exports: [Bus, Clock, Days, KeptTables, Owners, WhoAsks, Streams, HeavyReads, GuessLimit],
})
export class PlatformModule {}
