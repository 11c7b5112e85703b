import { Injectable } from '@nestjs/common';
import type { LifterView, SeasonMark, SheetView } from '@iron-clasp/contract';
import { daysBetween, mondayOf, shiftDay, type ClubRef } from '../../platform/days/club-day.ts';
import { HoldBlocksService } from '../../records/hold-blocks/hold-blocks.service.ts';
import { LogService } from '../../records/log/log.service.ts';
import { TrainingService } from '../../records/training/training.service.ts';
import { conflictsOf, trainingMonths } from '../../evidence/lifter-today/for-calls.ts';
import { LifterTodayService, type LifterProfile } from '../../evidence/lifter-today/lifter-today.service.ts';

/** Weeks of history on the season strip. */
const WEEKS_BACK = 8;
/** The strip looks at least this far ahead, and always a week past the meet; but never further than a year. */
const WEEKS_AHEAD = 7;
const MOST_AHEAD = 53;

/** Pulls that a best deadlift can be of. */
const OF_THE_BEST = ['deadlift.conventional', 'deadlift.sumo', 'deadlift.clean-grip'];

@Injectable()
export class SheetService {
  constructor(
    private readonly lifters: LifterTodayService,
    private readonly training: TrainingService,
    private readonly blocks: HoldBlocksService,
    private readonly log: LogService,
  ) {}

  /** One lifter and the weeks around today. */
  async view(club: ClubRef, lifterId: string): Promise<SheetView> {
    const profile = await this.lifters.profile(club, lifterId);
    const { today, nextMeet: meet } = profile;
    const monday = mondayOf(today);
    const toMeet = meet ? Math.ceil(daysBetween(monday, meet.heldOn) / 7) + 1 : 0;
    const from = shiftDay(monday, -7 * WEEKS_BACK);
    const to = shiftDay(monday, 7 * Math.min(MOST_AHEAD, Math.max(WEEKS_AHEAD, toMeet)) - 1);
    const [marks, sessions, usualVenueId, heavier] = await Promise.all([
      this.blocks.marks(lifterId, from, to),
      this.training.between(lifterId, from, to),
      this.lifters.usualVenue(club, lifterId),
      this.log.heavierPull(lifterId, OF_THE_BEST, profile.lifter.deadliftMax),
    ]);
    const holds = await this.log.holdCounts(sessions.map((session) => session.id));
    const meets: SeasonMark[] =
      meet && meet.heldOn <= to
        ? [{ id: null, kind: 'meet', label: meet.name, from: meet.heldOn, to: meet.heldOn }]
        : [];
    const next = sessions.find((session) => session.heldOn >= today && !session.finished);
    return {
      today,
      lifter: lifterView(profile, usualVenueId),
      season: {
        ...{ from, to },
        marks: [
          ...marks.map(({ id, kind, label, startsOn, endsOn }) => ({
            ...{ id, kind, label, from: startsOn, to: endsOn },
          })),
          ...meets,
        ],
        sessions: sessions.map(({ id, version, heldOn, title, finished }) => ({
          ...{ id, version, on: heldOn, title, done: finished },
          holds: holds.get(id) ?? 0,
        })),
      },
      nextSessionId: next?.id ?? null,
      newBest: heavier && {
        ...{ load: heavier.load, on: heavier.trainingDay, version: profile.lifter.version },
        pulled: heavier.strapped ? 'straps' : heavier.grip,
      },
    };
  }
}

function lifterView(profile: LifterProfile, usualVenueId: string | null): LifterView {
  const { lifter, history, hands, handsOn } = profile;
  const { name: schoolName, id: schoolId, summary } = profile.school;
  const { id, name, sport, sportWords, unit, dominantHand, stance, largeThighs } = lifter;
  const { deadliftMax, bestLifts, hookStage, thresholds, unanswered } = lifter;
  return {
    ...{ id, name, sport, sportWords, unit, dominantHand, stance, largeThighs },
    ...{ deadliftMax, bestLifts, hookStage, thresholds, unanswered, history, usualVenueId },
    trainingMonths: trainingMonths(profile),
    school: { id: schoolId, name: schoolName, summary },
    hands: { ...hands, on: handsOn },
    conflicts: conflictsOf(profile),
  };
}
