import {
  Controller,
  Delete,
  Get,
  HttpCode,
  Query,
  Res,
  UseGuards,
  type StreamableFile,
} from '@nestjs/common';
import { ApiOperation, ApiTags } from '@nestjs/swagger';
import type { ClubExportView } from '@iron-clasp/contract';
import type { Response } from 'express';
import { Unrecorded } from '../../platform/access/deeds.ts';
import { OwnersOnly, Who } from '../../platform/access/guard.ts';
import { HeavyReads } from '../../platform/access/heavy-reads.ts';
import type { SignedIn } from '../../platform/access/signed-in.ts';
import { Problem } from '../../platform/http/problem.ts';
import { oneWord } from '../../platform/http/paging.ts';
import { SetUpService } from '../../advice/set-up/set-up.service.ts';
import { ExportsService } from '../../records/exports/exports.service.ts';
import { ClubsService } from '../../records/clubs/clubs.service.ts';
import { sendExport } from './export-file.ts';

@ApiTags('exports')
@OwnersOnly()
@Controller('club')
export class ClubExportController {
  constructor(
    private readonly exports: ExportsService,
    private readonly clubs: ClubsService,
    private readonly setUp: SetUpService,
  ) {}

  @Get('export/about')
  @ApiOperation({ summary: 'What can be taken out and deleted here' })
  async about(@Who() { club }: SignedIn): Promise<ClubExportView> {
    return { own: !club.demo, demo: club.demo ? null : ((await this.clubs.demo())?.name ?? null) };
  }

  @Get('export')
  @UseGuards(HeavyReads)
  @ApiOperation({
    summary:
      'Everything that is kept of the club as a zip; the receipt that deleting asks for stands in a header',
  })
  async take(@Who() who: SignedIn, @Res({ passthrough: true }) response: Response): Promise<StreamableFile> {
    return sendExport(await this.exports.ofClub(who.club.id), response);
  }

  // The record of who did what goes with the club.
  @Unrecorded()
  @Delete()
  @HttpCode(204)
  @ApiOperation({ summary: 'Delete the whole club, with the receipt of an export of all there is' })
  async remove(@Who() { club }: SignedIn, @Query('receipt') receipt?: string): Promise<void> {
    if (club.demo) throw notOfDemo();
    await this.exports.deleteClub(club.id, oneWord(receipt));
    await this.setUp.showCode();
  }

  @Delete('demo')
  @HttpCode(204)
  @ApiOperation({ summary: 'Delete the demo club from this installation' })
  async removeDemo(@Who() { club }: SignedIn): Promise<void> {
    if (club.demo) throw notOfDemo();
    await this.exports.deleteDemo();
  }
}

/** Everybody knows the demo's password. */
const notOfDemo = (): Problem =>
  new Problem(
    403,
    'demo-club',
    'The demo club is deleted by the owner of a club of its own, under Club, Export.',
  );
