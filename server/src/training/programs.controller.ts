import { Body, Controller, Get, Param, Put } from '@nestjs/common';
import { ApiOperation, ApiTags } from '@nestjs/swagger';
import { SessionRequest, type SessionPlanView, type VenueChoice } from '@iron-clasp/contract';
import type { SignedIn } from '../accounts/accounts.repository.ts';
import { Who } from '../accounts/guard.ts';
import { KnownId } from '../http/validation.ts';
import { ProgramsService } from './programs.service.ts';

@ApiTags('programs')
@Controller()
export class ProgramsController {
  constructor(private readonly programs: ProgramsService) {}

  @Get('venues')
  @ApiOperation({ summary: 'The club’s venues by name' })
  venues(@Who() who: SignedIn): Promise<VenueChoice[]> {
    return this.programs.venues(who.club.id);
  }

  @Get('sessions/:id/plan')
  @ApiOperation({ summary: 'A session as it is written' })
  plan(@Who() who: SignedIn, @Param('id', new KnownId('session')) id: string): Promise<SessionPlanView> {
    return this.programs.plan(who.club.id, id, who.account.unit);
  }

  @Put('lifters/:lifter/sessions/:id')
  @ApiOperation({
    summary: 'Write a session under a client-made id, or change one at the version its editor saw',
  })
  save(
    @Who() who: SignedIn,
    @Param('lifter', new KnownId('lifter')) lifter: string,
    @Param('id', new KnownId('session')) id: string,
    @Body() body: SessionRequest,
  ): Promise<SessionPlanView> {
    return this.programs.save(who.club.id, lifter, id, body, who.account.unit);
  }
}
