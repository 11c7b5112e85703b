import {
  Body,
  Controller,
  Delete,
  Get,
  Header,
  HttpCode,
  Param,
  Post,
  Put,
  StreamableFile,
} from '@nestjs/common';
import { ApiOperation, ApiTags } from '@nestjs/swagger';
import {
  CalendarLinkRequest,
  InvitationRequest,
  JoinRequest,
  ShareRequest,
  type InvitationView,
  type MadeLinkView,
  type SharedView,
  type ShareLinkView,
} from '@iron-clasp/contract';
import type { SignedIn } from '../../platform/access/signed-in.ts';
import { OwnersOnly, Public, Who } from '../../platform/access/guard.ts';
import { KnownId } from '../../platform/http/validation.ts';
import type { MadeSecret } from '../../records/accounts/secrets.ts';
import { SharingService } from '../../records/sharing/sharing.service.ts';
import { SharedViewService } from './shared.service.ts';

@ApiTags('sharing')
@Controller()
export class SharingController {
  constructor(
    private readonly sharing: SharingService,
    private readonly views: SharedViewService,
  ) {}

  @Put('lifters/:lifter/links/:id')
  @ApiOperation({
    summary: 'Make a read-only link to a lifter’s coming sessions; its address is told this once',
  })
  async link(
    @Who() who: SignedIn,
    @Param('lifter', new KnownId('lifter')) lifter: string,
    @Param('id', new KnownId('link')) id: string,
    @Body() body: ShareRequest,
  ): Promise<MadeLinkView> {
    const made = await this.sharing.link(who.club.id, who.account.id, lifter, id, body);
    return madeView(id, `/shared/${made.secret}`, made);
  }

  @Delete('lifters/:lifter/links/:id')
  @HttpCode(204)
  @ApiOperation({ summary: 'Take a link back; it shows nothing from then on' })
  revoke(
    @Who() who: SignedIn,
    @Param('lifter', new KnownId('lifter')) lifter: string,
    @Param('id', new KnownId('link')) id: string,
  ): Promise<void> {
    return this.sharing.revoke(who.club.id, who.account.id, lifter, id);
  }

  @OwnersOnly()
  @Get('club/calendar-links')
  @ApiOperation({ summary: 'Links to the calendar of the club' })
  calendarLinks(@Who() who: SignedIn): Promise<ShareLinkView[]> {
    return this.sharing.links(who.club.id, null);
  }

  @OwnersOnly()
  @Put('club/calendar-links/:id')
  @ApiOperation({ summary: 'Make a link to the calendar of the club; its address is told this once' })
  async calendarLink(
    @Who() who: SignedIn,
    @Param('id', new KnownId('link')) id: string,
    @Body() body: CalendarLinkRequest,
  ): Promise<MadeLinkView> {
    const made = await this.sharing.link(who.club.id, who.account.id, null, id, body);
    return madeView(id, `/api/shared/${made.secret}/calendar.ics`, made);
  }

  @OwnersOnly()
  @Delete('club/calendar-links/:id')
  @ApiOperation({ summary: 'Take a link to the calendar of the club back' })
  async revokeCalendar(
    @Who() who: SignedIn,
    @Param('id', new KnownId('link')) id: string,
  ): Promise<ShareLinkView[]> {
    await this.sharing.revoke(who.club.id, who.account.id, null, id);
    return this.calendarLinks(who);
  }

  @Public()
  @Get('shared/:secret')
  @Header('Cache-Control', 'no-store')
  @ApiOperation({ summary: 'What the holder of a link sees' })
  shared(@Param('secret') secret: string): Promise<SharedView> {
    return this.views.shared(secret);
  }

  @Public()
  @Get('shared/:secret/calendar.ics')
  @ApiOperation({
    summary:
      'The days of a link as a calendar feed: sessions, meets and tests; titles and places, nothing of health',
  })
  async calendar(@Param('secret') secret: string): Promise<StreamableFile> {
    const feed = await this.views.calendar(secret);
    return new StreamableFile(Buffer.from(feed), { type: 'text/calendar; charset=utf-8' });
  }

  @Put('lifters/:lifter/invitations/:id')
  @ApiOperation({ summary: 'Invite a lifter to an account of their own; its address is told this once' })
  async invite(
    @Who() who: SignedIn,
    @Param('lifter', new KnownId('lifter')) lifter: string,
    @Param('id', new KnownId('invitation')) id: string,
    @Body() body: InvitationRequest,
  ): Promise<MadeLinkView> {
    const made = await this.sharing.invite(who.club.id, who.account.id, lifter, id, body.email);
    return madeView(id, `/join/${made.secret}`, made);
  }

  @Delete('lifters/:lifter/account')
  @HttpCode(204)
  @ApiOperation({ summary: 'Take back a lifter’s account or invitation; the log stays' })
  removeAccount(@Who() who: SignedIn, @Param('lifter', new KnownId('lifter')) lifter: string): Promise<void> {
    return this.sharing.removeAccount(who.club.id, lifter);
  }

  @Public()
  @Get('invitations/:secret')
  @Header('Cache-Control', 'no-store')
  @ApiOperation({ summary: 'What an invitation is for' })
  invitation(@Param('secret') secret: string): Promise<InvitationView> {
    return this.views.invitation(secret);
  }

  @Public()
  @Post('invitations/:secret')
  @HttpCode(200)
  @ApiOperation({ summary: 'Take up an invitation with a password' })
  join(@Param('secret') secret: string, @Body() body: JoinRequest): Promise<InvitationView> {
    return this.views.join(secret, body.password);
  }
}

function madeView(id: string, path: string, { expiresAt }: MadeSecret): MadeLinkView {
  return { id, path, expiresAt: expiresAt.toISOString() };
}
