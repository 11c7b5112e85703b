import { Injectable } from '@nestjs/common';
import type { CallsView, InvitationView, SharedView } from '@iron-clasp/contract';
import { shiftDay } from '../../platform/days/club-day.ts';
import { Days } from '../../platform/days/days.ts';
import { SharingService, type Opened } from '../../records/sharing/sharing.service.ts';
import { TrainingService } from '../../records/training/training.service.ts';
import { CallsViewService } from '../calls/calls-view.service.ts';

/** Coming days that a link shows, and sessions of them at most. */
const SHOWN_DAYS = 8;
const MOST_SHOWN = 14;

/** What somebody sees who holds a link or an invitation. */
@Injectable()
export class SharedViewService {
  constructor(
    private readonly sharing: SharingService,
    private readonly training: TrainingService,
    private readonly calls: CallsViewService,
    private readonly days: Days,
  ) {}

  /** The sessions of the coming days as they are called. */
  async shared(secret: string): Promise<SharedView> {
    const { row, lifter, club } = await this.sharing.byLink(secret);
    const today = this.days.today(club);
    const coming = await this.training.between(lifter.id, today, shiftDay(today, SHOWN_DAYS - 1));
    const shown = coming.filter((session) => !session.finished).slice(0, MOST_SHOWN);
    const sessions = await Promise.all(shown.map((session) => this.calls.session(club, session.id)));
    return {
      ...{
        club: club.name,
        lifterName: lifter.name,
        unit: lifter.unit,
        sessions: sessions.map(withoutHands),
      },
      expiresAt: row.expiresAt.toISOString(),
    };
  }

  async invitation(secret: string): Promise<InvitationView> {
    return invitationView(await this.sharing.byInvitation(secret));
  }

  /** Makes the lifter's account with the password they chose. */
  async join(secret: string, password: string): Promise<InvitationView> {
    return invitationView(await this.sharing.join(secret, password));
  }
}

/** Whoever holds the link learns that nothing is lifted today, not why. */
function withoutHands(view: CallsView): CallsView {
  const stop = view.session.hands.stop && 'Nothing is lifted today: ask the coach.';
  return { ...view, session: { ...view.session, hands: { said: '', stop } } };
}

function invitationView({ row, lifter, club }: Opened<{ readonly email: string }>): InvitationView {
  return { club: club.name, lifterName: lifter.name, email: row.email };
}
