import {
  Controller,
  Delete,
  Get,
  HttpCode,
  Param,
  Post,
  Query,
  Res,
  UploadedFile,
  UseGuards,
  type StreamableFile,
} from '@nestjs/common';
import { ApiOperation, ApiTags } from '@nestjs/swagger';
import type { BroughtLifterView } from '@iron-clasp/contract';
import type { Response } from 'express';
import { PlannersOnly, Who } from '../../platform/access/guard.ts';
import { HeavyReads } from '../../platform/access/heavy-reads.ts';
import type { SignedIn } from '../../platform/access/signed-in.ts';
import { TakesFile, withReceived, type ReceivedFile } from '../../platform/files/received-file.ts';
import { KnownId } from '../../platform/http/validation.ts';
import { oneWord } from '../../platform/http/paging.ts';
import { ExportsService } from '../../records/exports/exports.service.ts';
import { sendExport } from './export-file.ts';

@ApiTags('exports')
@PlannersOnly()
@Controller('lifters')
export class LifterExportController {
  constructor(private readonly exports: ExportsService) {}

  @Get(':id/export')
  @UseGuards(HeavyReads)
  @ApiOperation({
    summary:
      'Everything that is kept of a lifter as a zip; the receipt that deleting asks for stands in a header',
  })
  async take(
    @Who() who: SignedIn,
    @Param('id', new KnownId('lifter')) id: string,
    @Res({ passthrough: true }) response: Response,
  ): Promise<StreamableFile> {
    return sendExport(await this.exports.ofLifter(who.club.id, id), response);
  }

  @TakesFile('export')
  @Post('export')
  @HttpCode(200)
  @ApiOperation({ summary: 'Bring a lifter back from an export, or from another club' })
  async bring(
    @Who() who: SignedIn,
    @UploadedFile() file: ReceivedFile | undefined,
  ): Promise<BroughtLifterView> {
    const lifterId = await withReceived(file, 'export', (path) =>
      this.exports.bringLifter(who.club.id, path),
    );
    return { lifterId };
  }

  @Delete(':id')
  @HttpCode(204)
  @ApiOperation({ summary: 'Delete an archived lifter, with the receipt of an export of all there is' })
  remove(
    @Who() who: SignedIn,
    @Param('id', new KnownId('lifter')) id: string,
    @Query('receipt') receipt?: string,
  ): Promise<void> {
    return this.exports.deleteLifter(who.club.id, id, oneWord(receipt));
  }
}
