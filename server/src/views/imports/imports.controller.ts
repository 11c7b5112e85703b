import { Body, Controller, Delete, Get, HttpCode, Param, Post, Put, Res, UseGuards } from '@nestjs/common';
import { ApiOperation, ApiTags } from '@nestjs/swagger';
import {
  FileImportRequest,
  type ImportDone,
  type ImportPreview,
  type ImportProgressView,
  type ImportsView,
  type ImportView,
} from '@iron-clasp/contract';
import type { Response } from 'express';
import { Unrecorded } from '../../platform/access/deeds.ts';
import { PlannersOnly, Who } from '../../platform/access/guard.ts';
import { HeavyReads } from '../../platform/access/heavy-reads.ts';
import type { SignedIn } from '../../platform/access/signed-in.ts';
import { Problem } from '../../platform/http/problem.ts';
import { KnownId } from '../../platform/http/validation.ts';
import { BringInService } from '../../advice/imports/bring-in.service.ts';
import { AccountsService } from '../../records/accounts/accounts.service.ts';
import { ImportsUnderWay } from './import-progress.ts';
import { ImportsService } from '../../records/imports/imports.service.ts';

@ApiTags('imports')
@PlannersOnly()
@Controller('imports')
export class ImportsController {
  constructor(
    private readonly bringIn: BringInService,
    private readonly imports: ImportsService,
    private readonly accounts: AccountsService,
    private readonly underWay: ImportsUnderWay,
  ) {}

  @Get()
  @ApiOperation({ summary: 'Files that were brought in' })
  async list(@Who() who: SignedIn): Promise<ImportsView> {
    return { imports: await this.listed(who) };
  }

  @UseGuards(HeavyReads)
  @Unrecorded()
  @Post('preview')
  @HttpCode(200)
  @ApiOperation({ summary: 'What a file would bring; nothing is stored' })
  preview(@Who() who: SignedIn, @Body() body: FileImportRequest): Promise<ImportPreview> {
    return this.bringIn.preview(who.club, body);
  }

  @UseGuards(HeavyReads)
  @Put(':id')
  @ApiOperation({
    summary: 'Bring a file in, all of it or nothing; the same rows bring nothing twice',
  })
  async bring(
    @Who() who: SignedIn,
    @Param('id', new KnownId('import')) id: string,
    @Body() body: FileImportRequest,
    @Res({ passthrough: true }) response: Response,
  ): Promise<ImportDone> {
    // Whoever lets go before it is done has it ended, with nothing brought.
    const over = new AbortController();
    response.once('close', () =>
      over.abort(new Problem(409, 'let-go', 'The import was ended; nothing was brought in.')),
    );
    const done = await this.bringIn.bring(who.club, who.account.id, id, body, {
      signal: over.signal,
      onProgress: (rows, of) => this.underWay.tell(who.club.id, id, rows, of),
    });
    return { done, imports: await this.listed(who) };
  }

  @Get(':id/progress')
  @ApiOperation({ summary: 'How far an import under way has come; nothing before its first rows are in' })
  progress(@Who() who: SignedIn, @Param('id', new KnownId('import')) id: string): ImportProgressView {
    return { progress: this.underWay.of(who.club.id, id) };
  }

  @Delete(':id')
  @ApiOperation({ summary: 'Take everything back that a file brought' })
  async undo(@Who() who: SignedIn, @Param('id', new KnownId('import')) id: string): Promise<ImportsView> {
    await this.bringIn.undo(who.club, who.account.id, id);
    return this.list(who);
  }

  private async listed({ club }: SignedIn): Promise<ImportView[]> {
    const rows = await this.imports.list(club.id);
    const names = await this.accounts.names(rows.flatMap((row) => [row.importedBy, row.undoneBy]));
    return rows.map(({ id, kind, name, importedBy, importedAt, things, days, undoneBy, undoneAt }) => ({
      ...{
        id,
        kind,
        name,
        things,
        days,
        by: names.get(importedBy ?? '') ?? '',
        at: importedAt.toISOString(),
      },
      undone: undoneAt ? { by: names.get(undoneBy ?? '') ?? '', at: undoneAt.toISOString() } : null,
    }));
  }
}
