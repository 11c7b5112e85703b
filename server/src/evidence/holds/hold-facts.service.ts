import { Injectable } from '@nestjs/common';
import { group } from 'd3-array';
import {
  curveOn,
  findLift,
  isHardEffort,
  observeLog,
  strapsOffOn,
  type HoldCurve,
  type HoldKindId,
  type MixedLedger,
  type MovingCurve,
  type StrapUse,
} from '@iron-clasp/core';
import { mondayOf, shiftDay, type ClubRef } from '../../platform/days/club-day.ts';
import { ChangesService } from '../../records/changes/changes.service.ts';
import { GripperAttemptsService } from '../../records/grippers/gripper-attempts.service.ts';
import type { GripperAttemptRow } from '../../records/grippers/gripper-attempt.entity.ts';
import { HoldSettingsService } from '../../records/hold-settings/hold-settings.service.ts';
import type { HoldSetting } from '../../records/hold-settings/hold-setting.entity.ts';
import { HoldBlocksService } from '../../records/hold-blocks/hold-blocks.service.ts';
import type { SeasonMarkRow } from '../../records/hold-blocks/season-mark.entity.ts';
import {
  HoldDecisionsService,
  type KnownDecision,
} from '../../records/hold-decisions/hold-decisions.service.ts';
import { KitService, type VenueKit } from '../../records/kit/kit.service.ts';
import type { LoggedHold, LoggedSet } from '../../records/log/log.entity.ts';
import { LogService } from '../../records/log/log.service.ts';
import type { SqueezeTestRow } from '../../records/squeeze/squeeze.entity.ts';
import { SqueezeService } from '../../records/squeeze/squeeze.service.ts';
import type { TrainingSession } from '../../records/training/training.entity.ts';
import { TrainingService } from '../../records/training/training.service.ts';
import { CurvesService, type LoggedObservation } from '../curves/curves.service.ts';
import { isStrappedByCall } from '../session/strapped-by-call.ts';
import { LifterTodayService, type LifterProfile } from '../lifter-today/lifter-today.service.ts';
import { isHardHold, type SessionContent } from './grip-events.ts';

/** Weeks shown behind and ahead of this one. */
export const WEEKS_BACK = 8;
export const WEEKS_AHEAD = 7;

/** Everything the holds page rests on. */
export interface HoldFacts {
  readonly profile: LifterProfile;
  readonly today: string;
  readonly moving: MovingCurve;
  readonly curve: HoldCurve;
  readonly ledger: MixedLedger;
  readonly sessions: readonly TrainingSession[];
  readonly contents: readonly SessionContent[];
  readonly sets: readonly LoggedSet[];
  readonly holds: readonly LoggedHold[];
  readonly decisions: readonly KnownDecision[];
  /** Squeeze tests, the latest first. */
  readonly tests: readonly SqueezeTestRow[];
  /** What each coming session is held with, by session: its venue and the bar it names. */
  readonly kits: ReadonlyMap<string, VenueKit>;
  /** What the venue where the lifter mostly trains has; null where there is none. */
  readonly usualKit: VenueKit | null;
  readonly blocks: readonly SeasonMarkRow[];
  /** What the hold curve rests on, with the row of the log behind each. */
  readonly observations: readonly LoggedObservation[];
  /** How the coach wants kinds prescribed. */
  readonly settings: ReadonlyMap<HoldKindId, HoldSetting>;
  /** Was a logged hold near the limit? */
  readonly isHard: (hold: LoggedHold) => boolean;
  readonly strapsOffOn: string | undefined;
}

/** Reads what everything about a lifter's holds is worked out from. */
@Injectable()
export class HoldFactsService {
  constructor(
    private readonly decisions: HoldDecisionsService,
    private readonly blocks: HoldBlocksService,
    private readonly training: TrainingService,
    private readonly lifters: LifterTodayService,
    private readonly kit: KitService,
    private readonly log: LogService,
    private readonly curves: CurvesService,
    private readonly squeezes: SqueezeService,
    private readonly settings: HoldSettingsService,
    private readonly grippers: GripperAttemptsService,
    private readonly changes: ChangesService,
  ) {}

  /** Read once until something of the lifter changes. */
  of(club: ClubRef, lifterId: string): Promise<HoldFacts> {
    return this.changes.untilChanged('hold facts', { club, lifterId }, () => this.read(club, lifterId));
  }

  private async read(club: ClubRef, lifterId: string): Promise<HoldFacts> {
    const profile = await this.lifters.profile(club, lifterId);
    const { today } = profile;
    const monday = mondayOf(today);
    const from = shiftDay(monday, -7 * (WEEKS_BACK + 4));
    const to = shiftDay(monday, 7 * (WEEKS_AHEAD + 1) - 1);
    const [sessions, { sets, holds }, blocks, observations, ledger, tests, usual] = await Promise.all([
      this.training.between(lifterId, from, to),
      this.doneSince(lifterId, from),
      this.blocks.blocks(lifterId),
      this.curves.observations(club, profile.lifter),
      this.curves.ledger(club, lifterId),
      this.squeezes.tests(lifterId),
      this.lifters.usualVenue(club, lifterId),
    ]);
    const coming = sessions.filter((session) => session.heldOn >= today);
    const ids = coming.map((session) => session.id);
    const [planned, decisions, kits, usualKit, settings, grippers] = await Promise.all([
      this.training.plannedSets(ids),
      this.decisions.ofSessions(ids),
      this.kitsOf(club, coming),
      // In the same turn: what two of them ask of one venue is read once.
      usual === null ? null : this.kit.at(club.id, usual),
      this.settings.of(lifterId),
      this.grippers.since(lifterId, from),
    ]);
    const moving = await this.curves.moving(profile.lifter, observations);
    const curve = curveOn(moving, 0);
    const { bodyMass } = profile.lifter;
    const observed = new Map(
      observeLog({ sets: [], holds, bodyMass }, 'support').map(({ of, ...seen }) => [of.id, seen]),
    );
    // A hold that no support curve knows, as a pinch, counts as its kind is prescribed.
    const isHard = (hold: LoggedHold): boolean => {
      const seen = observed.get(hold.id);
      return seen
        ? isHardEffort(curve, seen)
        : isHardHold(hold.kind, profile.school, settings.get(hold.kind)?.effort);
    };
    // A season of sessions over months of sets: looked through for each, they take longer than all the rest.
    const [setsOf, holdsOf, plannedOf] = [
      group(sets, ofSession),
      group(holds, ofSession),
      group(planned, ofSession),
    ];
    const skipped = new Set(
      decisions
        .filter((each) => !each.undone && each.what === 'skipped')
        .map((each) => `${each.sessionId} ${each.kind}`),
    );
    return {
      ...{ profile, today, ledger, sessions, sets, holds, decisions, tests, blocks, kits },
      ...{ moving, curve, observations, settings, isHard, usualKit },
      strapsOffOn: strapsOffOn(sets.filter(isPull).map(useOfStraps), today),
      contents: withGrippers(
        grippers,
        sessions.map((session) => {
          const logged = setsOf.get(session.id) ?? [];
          const held = holdsOf.get(session.id) ?? [];
          return {
            id: session.id,
            on: session.heldOn,
            sets: logged.length
              ? logged
              : (plannedOf.get(session.id) ?? []).map((set) => ({
                  ...{ liftId: set.liftId, role: set.role },
                  strapped: isStrappedByCall(set, { profile, curve, ledger, kit: kits.get(session.id) }),
                })),
            holds: held.length
              ? held.map((hold) => ({ kind: hold.kind, hard: isHard(hold) }))
              : session.finished
                ? []
                : session.holds
                    .filter(({ kind }) => !skipped.has(`${session.id} ${kind}`))
                    .map(({ kind }) => ({
                      kind,
                      hard: isHardHold(kind, profile.school, settings.get(kind)?.effort),
                    })),
            failed: held.length > 0 && held.every((hold) => hold.ended === 'slipped'),
            tested: tests.some((test) => test.sessionId === session.id || test.testedOn === session.heldOn),
          };
        }),
      ),
    };
  }

  private doneSince(
    lifterId: string,
    from: string,
  ): Promise<{ readonly sets: readonly LoggedSet[]; readonly holds: readonly LoggedHold[] }> {
    return this.log.untilLogged('weeks of work', lifterId, [from], async () => {
      const [sets, holds] = await Promise.all([
        this.log.setsSince([lifterId], from),
        this.log.holdsSince([lifterId], from),
      ]);
      return { sets, holds };
    });
  }

  /** One look at each venue and bar that the sessions name. */
  private async kitsOf(club: ClubRef, sessions: readonly TrainingSession[]): Promise<Map<string, VenueKit>> {
    const key = ({ venueId, barId }: TrainingSession): string => `${venueId} ${barId ?? ''}`;
    const asked = new Map(sessions.map((session) => [key(session), session]));
    const found = new Map(
      await Promise.all(
        [...asked].map(
          async ([name, { venueId, barId }]) => [name, await this.kit.at(club.id, venueId, barId)] as const,
        ),
      ),
    );
    return new Map(
      sessions.flatMap((session) => {
        const kit = found.get(key(session));
        return kit ? [[session.id, kit] as const] : [];
      }),
    );
  }
}

const ofSession = (row: { readonly sessionId: string }): string => row.sessionId;

/** Pulling whose straps a school decides on. */
const isPull = ({ liftId, role }: LoggedSet): boolean => {
  const family = findLift(liftId)?.family;
  return role !== 'warmup' && (family === 'deadlift' || family === 'pull' || family === 'row');
};

const useOfStraps = ({ trainingDay, strapped }: LoggedSet): StrapUse => ({ on: trainingDay, strapped });

/** The week with what was closed on grippers, on the day's session or on a day of their own. */
function withGrippers(
  attempts: readonly GripperAttemptRow[],
  contents: readonly SessionContent[],
): SessionContent[] {
  const days = new Map<string, 'goal' | 'work'>();
  for (const { trainingDay, closed } of attempts)
    // A gripper that does not close every time is one at the limit.
    if (days.get(trainingDay) !== 'goal') days.set(trainingDay, closed ? 'work' : 'goal');
  const taken = new Set<string>();
  const joined = contents.map((each): SessionContent => {
    const grippers = taken.has(each.on) ? undefined : days.get(each.on);
    taken.add(each.on);
    return grippers ? { ...each, grippers } : each;
  });
  const alone = [...days].filter(([on]) => !taken.has(on));
  return [
    ...joined,
    ...alone.map(([on, grippers]) => ({ id: `grippers ${on}`, on, sets: [], holds: [], grippers })),
  ];
}
