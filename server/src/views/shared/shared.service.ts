import { Injectable } from '@nestjs/common';
import type { HoldPrescription } from '@iron-clasp/core';
import type { CalledSet, CallsView, InvitationView, SharedView } from '@iron-clasp/contract';
import { shiftDay } from '../../platform/days/club-day.ts';
import { Clock } from '../../platform/clock/clock.ts';
import { Days } from '../../platform/days/days.ts';
import { HoldBlocksService } from '../../records/hold-blocks/hold-blocks.service.ts';
import { KitService } from '../../records/kit/kit.service.ts';
import { LiftersService } from '../../records/lifters/lifters.service.ts';
import { MeetsService } from '../../records/meets/meets.service.ts';
import { SharingService, type OpenedInvitation } from '../../records/sharing/sharing.service.ts';
import { TrainingService } from '../../records/training/training.service.ts';
import { calendarFeed } from './calendar.ts';
import { CallsViewService } from '../calls/calls-view.service.ts';

/** Days that a calendar keeps showing once they are past. */
const DAYS_BEHIND = 28;
/** The same of a whole club. */
const CLUB_DAYS_BEHIND = 7;
/** Sessions in the calendar of a club at most, those that come first. */
const MOST_OF_A_CLUB = 5_000;
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
    private readonly blocks: HoldBlocksService,
    private readonly lifters: LiftersService,
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

  /** Sessions, meets and tests of a lifter, or of the club, as a calendar feed; nothing but titles and places. */
  async calendar(secret: string): Promise<string> {
    const { row, lifter, club } = await this.sharing.byCalendarLink(secret);
    const today = this.days.today(club);
    const [first, last] = [
      shiftDay(today, -(lifter ? DAYS_BEHIND : CLUB_DAYS_BEHIND)),
      shiftDay(today, row.ahead - 1),
    ];
    const people = lifter ? [lifter] : await this.lifters.onRack(club.id);
    const names = new Map(people.map(({ id, name }) => [id, name]));
    const [sessions, meets, tests, venues] = await Promise.all([
      lifter
        ? this.training.between(lifter.id, first, last)
        : this.training.ofClubBetween(club.id, first, last, MOST_OF_A_CLUB),
      this.meets.between([...names.keys()], today, last),
      this.blocks.testsOf([...names.keys()], today, last),
      this.kit.venues(club.id),
    ]);
    const placeOf = (id: string): string => venues.find((venue) => venue.id === id)?.name ?? '';
    const days = [
      ...sessions.map(({ id, lifterId, heldOn, title, venueId }) => ({
        ...{ id, lifterId, on: heldOn, title, place: placeOf(venueId) },
      })),
      ...meets.map(({ id, lifterId, heldOn, name, place }) => ({
        id,
        lifterId,
        on: heldOn,
        title: name,
        place,
      })),
      ...tests.map(({ id, lifterId, startsOn, label }) => ({
        id,
        lifterId,
        on: startsOn,
        title: label,
        place: '',
      })),
    ];
    return calendarFeed(
      lifter ? `${lifter.name}, ${club.name}` : club.name,
      days
        // One who was archived trains here no more.
        .filter(({ lifterId }) => names.has(lifterId))
        .map(({ lifterId, ...day }) =>
          lifter ? day : { ...day, title: `${names.get(lifterId)!}: ${day.title}` },
        ),
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
