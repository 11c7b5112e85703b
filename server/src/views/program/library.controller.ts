import { Body, Controller, Delete, Get, HttpCode, Param, Put, Query } from '@nestjs/common';
import { ApiOperation, ApiTags } from '@nestjs/swagger';
import { CopyRequest, LibraryPlanRequest, type CopyView, type LibraryView } from '@iron-clasp/contract';
import type { SignedIn } from '../../platform/access/signed-in.ts';
import { PlannersOnly, Who } from '../../platform/access/guard.ts';
import { Clock } from '../../platform/clock/clock.ts';
import { KnownId, QueriedVersion } from '../../platform/http/validation.ts';
import { Problem } from '../../platform/http/problem.ts';
import { LibraryService } from '../../records/library/library.service.ts';
import { CopiesService } from '../../advice/planning/copies.service.ts';
import { libraryContentOf, PlanSourcesService } from '../../advice/planning/plan-sources.service.ts';

/** The club's own sessions and weeks to start from, and copies of them for several lifters. */
@ApiTags('programs')
@Controller()
export class LibraryController {
  constructor(
    private readonly library: LibraryService,
    private readonly sources: PlanSourcesService,
    private readonly copies: CopiesService,
    private readonly clock: Clock,
  ) {}

  @PlannersOnly()
  @Get('library')
  @ApiOperation({ summary: 'The club’s library of sessions and weeks, by title' })
  async all(@Who() { club }: SignedIn): Promise<LibraryView> {
    const plans = await this.library.all(club.id);
    return {
      plans: plans.map(({ id, version, title, kind, sessions }) => ({ id, version, title, kind, sessions })),
    };
  }

  @Put('library/:id')
  @ApiOperation({ summary: 'Keep a session or a week in the library; or change a plan that is there' })
  async keep(
    @Who() who: SignedIn,
    @Param('id', new KnownId('plan')) id: string,
    @Body() { title, from, sessions, version }: LibraryPlanRequest,
  ): Promise<LibraryView> {
    const { club, account } = who;
    if (from ? sessions !== undefined : version === 0)
      throw new Problem(
        400,
        'invalid-input',
        'Choose the session or the week that is kept, or write what a plan holds.',
      );
    const content = from
      ? libraryContentOf(await this.sources.read(club, from, account.unit), account.unit)
      : sessions && (await this.sources.changed(club, id, sessions, account.unit));
    await this.library.save(club.id, id, version, title, content);
    return this.all(who);
  }

  @Delete('library/:id')
  @HttpCode(204)
  @ApiOperation({ summary: 'Take a plan out of the library; it can be taken back' })
  async remove(
    @Who() who: SignedIn,
    @Param('id', new KnownId('plan')) id: string,
    @Query('version', new QueriedVersion()) version: number,
  ): Promise<void> {
    // Removed by a first try whose answer was lost.
    if (await this.library.removed(who.club.id, id)) return;
    await this.library.remove(who.club.id, id, version, this.clock.now());
  }

  @Put('library/:id/restored')
  @HttpCode(204)
  @ApiOperation({ summary: 'Take a removed plan back into the library' })
  async restore(@Who() who: SignedIn, @Param('id', new KnownId('plan')) id: string): Promise<void> {
    const plan = await this.library.removed(who.club.id, id);
    if (plan) await this.library.remove(who.club.id, id, plan.version, null);
    else await this.library.known(who.club.id, id);
  }

  @Put('copies/:id')
  @ApiOperation({ summary: 'Write a session, a week or a plan into the programs of several lifters' })
  copy(
    @Who() who: SignedIn,
    @Param('id', new KnownId('copy')) id: string,
    @Body() body: CopyRequest,
  ): Promise<CopyView> {
    return this.copies.copy(who.club, id, body, who.account.unit);
  }
}
