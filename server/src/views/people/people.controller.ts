import { Body, Controller, Delete, Get, Param, Put, Query } from '@nestjs/common';
import { ApiOperation, ApiTags } from '@nestjs/swagger';
import {
  PersonRequest,
  StaffInvitationRequest,
  type DeedsView,
  type MadeLinkView,
  type PeopleView,
} from '@iron-clasp/contract';
import { OwnersOnly, Who } from '../../platform/access/guard.ts';
import type { SignedIn } from '../../platform/access/signed-in.ts';
import { oneWord } from '../../platform/http/paging.ts';
import { KnownId } from '../../platform/http/validation.ts';
import { PeopleService } from '../../records/accounts/people.service.ts';
import { SharingService } from '../../records/sharing/sharing.service.ts';
import { DeedsViewService } from './deeds-view.service.ts';

@ApiTags('people')
@OwnersOnly()
@Controller()
export class PeopleController {
  constructor(
    private readonly people: PeopleService,
    private readonly sharing: SharingService,
    private readonly deeds: DeedsViewService,
  ) {}

  @Get('people')
  @ApiOperation({ summary: 'Everybody who signs in to the club, and who was invited' })
  async list(@Who() who: SignedIn): Promise<PeopleView> {
    const [people, invited] = await Promise.all([
      this.people.list(who.club.id),
      this.sharing.staffInvited(who.club.id),
    ]);
    return { people, invited };
  }

  @Put('people/:id')
  @ApiOperation({ summary: 'Change what somebody may do, and until when, at the version seen' })
  async change(
    @Who() who: SignedIn,
    @Param('id', new KnownId('person')) id: string,
    @Body() { version, role, endsOn = null }: PersonRequest,
  ): Promise<PeopleView> {
    await this.people.change(who.club, id, version, { role, endsOn });
    return this.list(who);
  }

  @Delete('people/:id')
  @ApiOperation({ summary: 'Take somebody’s account back; what they signed keeps their name' })
  async remove(@Who() who: SignedIn, @Param('id', new KnownId('person')) id: string): Promise<PeopleView> {
    await this.people.remove(who.club, id);
    return this.list(who);
  }

  @Put('people/:person/password-links/:id')
  @ApiOperation({ summary: 'Make a way to a new password, to hand over; its address is told this once' })
  async passwordLink(
    @Who() who: SignedIn,
    @Param('person', new KnownId('person')) person: string,
    @Param('id', new KnownId('link')) id: string,
  ): Promise<MadeLinkView> {
    const { secret, expiresAt } = await this.people.passwordLink(who.club.id, who.account.id, person, id);
    return { id, path: `/new-password/${secret}`, expiresAt: expiresAt.toISOString() };
  }

  @Put('staff-invitations/:id')
  @ApiOperation({ summary: 'Invite somebody to the staff; the invitation’s address is told this once' })
  async invite(
    @Who() who: SignedIn,
    @Param('id', new KnownId('invitation')) id: string,
    @Body() body: StaffInvitationRequest,
  ): Promise<MadeLinkView> {
    const { secret, expiresAt } = await this.sharing.inviteStaff(who.club.id, who.account.id, id, body);
    return { id, path: `/join/${secret}`, expiresAt: expiresAt.toISOString() };
  }

  @Delete('staff-invitations/:id')
  @ApiOperation({ summary: 'Take an invitation to the staff back' })
  async revoke(
    @Who() who: SignedIn,
    @Param('id', new KnownId('invitation')) id: string,
  ): Promise<PeopleView> {
    await this.sharing.revokeStaffInvitation(who.club.id, id);
    return this.list(who);
  }

  @Get('deeds')
  @ApiOperation({ summary: 'Who did what, the latest first, a page at a time' })
  done(@Who() who: SignedIn, @Query('by') by?: string, @Query('before') before?: string): Promise<DeedsView> {
    return this.deeds.page(who.club.id, oneWord(by), oneWord(before));
  }
}
