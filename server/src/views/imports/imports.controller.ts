import { Body, Controller, Delete, Get, HttpCode, Param, Post, Put, UseGuards } from '@nestjs/common';
import { ApiOperation, ApiTags } from '@nestjs/swagger';
import {
  TrainingImportRequest,
  type ImportDone,
  type ImportPreview,
  type ImportsView,
  type ImportView,
} from '@iron-clasp/contract';
import { Unrecorded } from '../../platform/access/deeds.ts';
import { PlannersOnly, Who } from '../../platform/access/guard.ts';
import { HeavyReads } from '../../platform/access/heavy-reads.ts';
import type { SignedIn } from '../../platform/access/signed-in.ts';
import { KnownId } from '../../platform/http/validation.ts';
import { BringInService } from '../../advice/imports/bring-in.service.ts';
import { AccountsService } from '../../records/accounts/accounts.service.ts';
import { ImportsService } from '../../records/imports/imports.service.ts';

@ApiTags('imports')
@PlannersOnly()
@Controller('imports')
export class ImportsController {
  constructor(
    private readonly bringIn: BringInService,
    private readonly imports: ImportsService,
    private readonly accounts: AccountsService,
  ) {}

  @Get()
  @ApiOperation({ summary: 'Files of past training that were brought in' })
  async list(@Who() who: SignedIn): Promise<ImportsView> {
    return { imports: await this.listed(who) };
  }

  @UseGuards(HeavyReads)
  @Unrecorded()
  @Post('preview')
  @HttpCode(200)
  @ApiOperation({ summary: 'What a file of past training would bring; nothing is stored' })
  preview(@Who() who: SignedIn, @Body() body: TrainingImportRequest): Promise<ImportPreview> {
    return this.bringIn.preview(who.club, body);
  }

  @UseGuards(HeavyReads)
  @Put(':id')
  @ApiOperation({
    summary: 'Bring a file of past training in, all of it or nothing; the same rows bring nothing twice',
  })
  async bring(
    @Who() who: SignedIn,
    @Param('id', new KnownId('import')) id: string,
    @Body() body: TrainingImportRequest,
  ): Promise<ImportDone> {
    const done = await this.bringIn.bring(who.club, who.account.id, id, body);
    return { done, imports: await this.listed(who) };
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
    return rows.map(({ id, name, importedBy, importedAt, sets, sessions, undoneBy, undoneAt }) => ({
      ...{ id, name, sets, sessions, by: names.get(importedBy ?? '') ?? '', at: importedAt.toISOString() },
      undone: undoneAt ? { by: names.get(undoneBy ?? '') ?? '', at: undoneAt.toISOString() } : null,
    }));
  }
}
