import { createReadStream } from 'node:fs';
import { access } from 'node:fs/promises';
import { basename } from 'node:path';
import { Controller, Get, HttpCode, Inject, Param, Post, StreamableFile } from '@nestjs/common';
import { ApiOperation, ApiTags } from '@nestjs/swagger';
import type { BackupsView } from '@iron-clasp/contract';
import { OwnersOnly, Who } from '../../platform/access/guard.ts';
import type { SignedIn } from '../../platform/access/signed-in.ts';
import type { Config } from '../../platform/config/config.ts';
import { CONFIG } from '../../platform/config/token.ts';
import { notFound, Problem } from '../../platform/http/problem.ts';
import { KnownId } from '../../platform/http/validation.ts';
import { AccountsService } from '../../records/accounts/accounts.service.ts';
import { BackupsService } from '../../records/backups/backups.service.ts';

@ApiTags('backups')
@OwnersOnly()
@Controller('backups')
export class BackupsController {
  constructor(
    private readonly backups: BackupsService,
    private readonly accounts: AccountsService,
    @Inject(CONFIG) private readonly config: Config,
  ) {}

  @Get()
  @ApiOperation({ summary: 'Backups that were made, with their proof' })
  async list(@Who() who: SignedIn): Promise<BackupsView> {
    checkOwn(who);
    const rows = await this.backups.list();
    const names = await this.accounts.names(rows.map((row) => row.askedBy));
    return {
      folder: this.config.backups?.folder ?? null,
      keepDays: this.config.backups?.keepDays ?? 0,
      backups: rows.map(({ id, startedAt, endedAt, file, bytes, state, why, rows: n, tables, askedBy }) => ({
        ...{ id, state, why, rows: n, tables, file, bytes: bytes === null ? null : Number(bytes) },
        startedAt: startedAt.toISOString(),
        endedAt: endedAt?.toISOString() ?? null,
        askedBy: askedBy === null ? null : (names.get(askedBy) ?? ''),
      })),
    };
  }

  @Post()
  @HttpCode(200)
  @ApiOperation({ summary: 'Back the whole database up now, and prove it by restoring it' })
  async make(@Who() who: SignedIn): Promise<BackupsView> {
    checkOwn(who);
    // It goes on by itself: what comes of it is kept with it.
    void (await this.backups.begin(who.account.id)).done;
    return this.list(who);
  }

  @Get(':id/file')
  @ApiOperation({ summary: 'The file of a backup that was proved' })
  async file(@Who() who: SignedIn, @Param('id', new KnownId('backup')) id: string): Promise<StreamableFile> {
    checkOwn(who);
    const path = await this.backups.fileOf(id);
    if (!path || !(await there(path))) throw notFound('backup');
    return new StreamableFile(createReadStream(path), {
      ...{ type: 'application/octet-stream', disposition: `attachment; filename="${basename(path)}"` },
    });
  }
}

const there = (path: string): Promise<boolean> =>
  access(path).then(
    () => true,
    () => false,
  );

/** A backup holds every club of the machine, and the demo's password is known to all. */
function checkOwn({ club }: SignedIn): void {
  if (club.demo)
    throw new Problem(
      403,
      'demo-club',
      'Backups are kept by the owner of a club of its own; the demo’s is made anew.',
    );
}
