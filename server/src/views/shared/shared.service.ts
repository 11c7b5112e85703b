import { Injectable } from '@nestjs/common';
import type { HoldPrescription } from '@iron-clasp/core';
import type { CalledSet, CallsView, InvitationView, SharedView } from '@iron-clasp/contract';
import { shiftDay } from '../../platform/days/club-day.ts';
import { Clock } from '../../platform/clock/clock.ts';
import { Days } from '../../platform/days/days.ts';
import { KitService } from '../../records/kit/kit.service.ts';
import { MeetsService } from '../../records/meets/meets.service.ts';
import { SharingService, type OpenedInvitation } from '../../records/sharing/sharing.service.ts';
import { TrainingService } from '../../records/training/training.service.ts';
import { calendarFeed } from './calendar.ts';
import { CallsViewService } from '../calls/calls-view.service.ts';

/** Days that a calendar keeps showing once they are past. */
const DAYS_BEHIND = 28;
/** Sessions that a link shows at most. */
const MOST_SHOWN = 24;

/** What somebody sees who holds a link or an invitation. */
@Injectable()
export class SharedViewService {
  constructor(
    private readonly sharing: SharingService,
    private readonly training: TrainingService,
    private readonly calls: CallsViewService,
    private readonly days: Days,
    private readonly meets: MeetsService,
    private readonly kit: KitService,
    private readonly clock: Clock,
  ) {}

  /** The sessions of the coming days as they are called. */
  async shared(secret: string): Promise<SharedView> {
    const { row, lifter, club } = await this.sharing.byLink(secret);
    const today = this.days.today(club);
    const coming = await this.training.between(lifter.id, today, shiftDay(today, row.ahead - 1));
    const shown = coming.filter((session) => !session.finished).slice(0, MOST_SHOWN);
    const sessions: CallsView[] = [];
    // One after the other: whoever holds a link does not take every connection of the club's own.
    for (const { id } of shown) sessions.push(await this.calls.session(club, id));
    return {
      ...{
        club: club.name,
        lifterName: lifter.name,
        unit: lifter.unit,
        sessions: row.health ? sessions : sessions.map(withoutHealth),
      },
      ...{ expiresAt: row.expiresAt.toISOString(), ahead: row.ahead },
    };
  }

  /** The same days as a calendar feed; nothing but titles and places. */
  async calendar(secret: string): Promise<string> {
    const { row, lifter, club } = await this.sharing.byLink(secret);
    const today = this.days.today(club);
    const last = shiftDay(today, row.ahead - 1);
    const [coming, meets, venues] = await Promise.all([
      this.training.between(lifter.id, shiftDay(today, -DAYS_BEHIND), last),
      this.meets.ahead(lifter.id, today),
      this.kit.venues(club.id),
    ]);
    const placeOf = (id: string): string => venues.find((venue) => venue.id === id)?.name ?? '';
    return calendarFeed(
      `${lifter.name}, ${club.name}`,
      [
        ...coming.map(({ id, heldOn, title, venueId }) => ({
          id,
          on: heldOn,
          title,
          place: placeOf(venueId),
        })),
        ...meets
          .filter((meet) => meet.heldOn <= last)
          .map(({ id, heldOn, name, place }) => ({ id, on: heldOn, title: name, place })),
      ],
      this.clock.now(),
    );
  }

  async invitation(secret: string): Promise<InvitationView> {
    return invitationView(await this.sharing.byInvitation(secret));
  }

  /** Makes the account that was offered, with the password that whoever comes has chosen. */
  async join(secret: string, password: string): Promise<InvitationView> {
    return invitationView(await this.sharing.join(secret, password));
  }
}

/** Stands for every caution that would tell what somebody has. */
const TAKE_CARE = ['Take care: the coach knows why.'];
const vague = (cautions: readonly string[]): readonly string[] => (cautions.length > 0 ? TAKE_CARE : []);

/**
 * The session as it is called, without why: whoever holds the link learns what is to be done and that care is to be taken. Words
 * of hands, conditions and decisions are left out one by one, so that a new one has to be let through on purpose.
 */
function withoutHealth(view: CallsView): CallsView {
  const stop = view.session.hands.stop && 'Nothing is lifted today: ask the coach.';
  return {
    ...view,
    // A note of the coach may say anything.
    session: { ...view.session, hands: { said: '', stop }, note: '' },
    sets: view.sets.map((set) => ({
      ...set,
      call: callWithoutHealth(set.call),
      override: null,
      overrides: [],
    })),
    holds: view.holds.map(({ kind, hold }) => ({
      ...{ kind, hold: hold && holdWithoutHealth(hold) },
      ...{ next: null, decision: null, easing: null },
    })),
    holdsDone: [],
  };
}

function holdWithoutHealth(hold: HoldPrescription): HoldPrescription {
  const { barred, ...rest } = hold;
  return {
    ...rest,
    ...(barred && { barred: { ...barred, text: 'Not today: ask the coach.' } }),
    why: [],
    cautions: vague(hold.cautions),
  };
}

function callWithoutHealth(call: CalledSet['call']): CalledSet['call'] {
  const { overrideRefused: _why, ...rest } = call;
  return {
    ...rest,
    cautions: vague(call.cautions),
    reasons: [],
    alternatives: { grips: [], schools: [] },
  };
}

function invitationView({ row, name, club }: OpenedInvitation): InvitationView {
  return { club: club.name, name, email: row.email, role: row.role };
}
