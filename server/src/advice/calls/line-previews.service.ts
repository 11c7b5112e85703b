import { randomUUID } from 'node:crypto';
import { Injectable } from '@nestjs/common';
import { parseSetLine, sayCall, type MassUnit, type SetCall } from '@iron-clasp/core';
import type { LineWarning, SessionPreviewRequest, SessionPreviewView } from '@iron-clasp/contract';
import type { ClubRef } from '../../platform/days/club-day.ts';
import type { PlannedSet } from '../../records/training/training.entity.ts';
import { newSession } from '../../records/training/training.service.ts';
import { LifterTodayService } from '../../evidence/lifter-today/lifter-today.service.ts';
import { SessionFactsService } from '../../evidence/session/session-facts.service.ts';
import { emptyBarOf, plannedOf } from '../planning/session-lines.ts';
import { CallsService } from './calls.service.ts';

/** What stands against lines while they are being written. */
@Injectable()
export class LinePreviewsService {
  constructor(
    private readonly lifters: LifterTodayService,
    private readonly facts: SessionFactsService,
    private readonly calls: CallsService,
  ) {}

  /** Calls the lines as a session of that day and place; nothing is saved. A line that cannot be read yet is passed by. */
  async preview(
    club: ClubRef,
    lifterId: string,
    body: SessionPreviewRequest,
    unit: MassUnit,
  ): Promise<SessionPreviewView> {
    const profile = await this.lifters.profile(club, lifterId);
    const { heldOn, venueId, barId = null, rehearsesMeet = false } = body;
    const session = {
      ...newSession({ id: randomUUID(), clubId: club.id, lifterId }),
      ...{ heldOn, venueId, barId, rehearsesMeet },
    };
    const { deadliftMax, bestLifts: bests } = profile.lifter;
    const facts = await this.facts.ofDraft(club, session, profile);
    const lines = body.lines.map(({ liftId, text }): PlannedSet[] => {
      const { sets } = parseSetLine(text, {
        ...{ deadliftMax, bests, unit, lift: liftId },
        ...emptyBarOf(facts.kit),
      });
      return (sets ?? []).map((set) => ({
        ...plannedOf(set, liftId),
        ...{ id: randomUUID(), sessionId: session.id, place: 0 },
      }));
    });
    const sets = lines.flat().map((set, place) => ({ ...set, place }));
    const calls = this.calls.callAll({ ...facts, sets });
    let at = 0;
    return {
      lines: lines.map((line) => {
        const own = calls.slice(at, (at += line.length));
        const heaviest = line.reduce((best, set, i) => (set.load > (line[best]?.load ?? -1) ? i : best), 0);
        const call = own[heaviest];
        return {
          call: call && call.verdict !== 'free' ? sayCall(call) : null,
          warnings: warningsOf(line, own),
        };
      }),
    };
  }
}

/** What bars a set of the line, what it fixes and may not have, and what has to be minded; each said once. */
function warningsOf(line: readonly PlannedSet[], calls: readonly SetCall[]): LineWarning[] {
  const found = new Map<string, LineWarning>();
  const say = (text: string | undefined, stop: boolean): void => {
    if (text && !found.get(text)?.stop) found.set(text, { text, stop });
  };
  calls.forEach((call, i) => {
    const [reason] = call.reasons;
    // Several rules may bar it together: which of them a coach can do something about is the coach's to see.
    if (call.choice === null && call.verdict !== 'free')
      for (const { rank, text } of call.reasons) if (rank === 'safety') say(text, true);
    const { fixed, under } = line[i]!;
    if (under && call.choice === 'mixed' && call.sideUnder !== under)
      for (const { rank, text } of call.reasons) if (rank === 'safety') say(text, true);
    if (fixed && fixed !== 'bare' && call.choice !== null && fixed !== call.choice) {
      const refused = call.alternatives.grips.find((each) => each.choice === fixed);
      say(refused?.why.text ?? `The line fixes ${fixed}, and ${call.choice} is called.`, true);
    }
    if (call.verdict === 'weak') say(reason?.text, false);
    for (const caution of call.cautions) say(caution, false);
  });
  return [...found.values()];
}
