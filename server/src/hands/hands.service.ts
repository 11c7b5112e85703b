import { isDeepStrictEqual } from 'node:util';
import { Injectable } from '@nestjs/common';
import { handsOn, SIDES, type HandsToday, type HandToday } from '@iron-clasp/core';
import type { HandsCheckRequest, HandsCheckView, HandsHistoryView } from '@iron-clasp/contract';
import { format } from 'date-fns';
import { CallsService } from '../calls/calls.service.ts';
import { Clock } from '../clock.ts';
import { Problem } from '../http/problem.ts';
import { takenAt } from '../http/taken-at.ts';
import { LiftersService } from '../lifters/lifters.service.ts';
import { HandsRepository } from './hands.repository.ts';

@Injectable()
export class HandsService {
  constructor(
    private readonly hands: HandsRepository,
    private readonly lifters: LiftersService,
    private readonly calls: CallsService,
    private readonly clock: Clock,
  ) {}

  async history(clubId: string, lifterId: string): Promise<HandsHistoryView> {
    await this.lifters.profile(clubId, lifterId);
    const checks = await this.hands.checks(lifterId);
    const { hands, checkedOn, stale } = handsOn(checks, this.clock.today());
    return { now: hands, checkedOn: checkedOn ?? null, stale, checks };
  }

  /** Keeps a check and says which calls it changed. Sent again under the same id it changes nothing. */
  async check(
    clubId: string,
    accountId: string,
    lifterId: string,
    id: string,
    body: HandsCheckRequest,
  ): Promise<HandsCheckView> {
    const before = await this.lifters.profile(clubId, lifterId);
    const at = takenAt(this.clock, body.checkedAt, 'checkedAt');
    const checkedOn = format(at, 'yyyy-MM-dd');
    // Asserts the hands, naming what is wrong.
    handsOn([{ on: checkedOn, hands: body.hands }], checkedOn);
    const hands = onlyKnown(body.hands);
    const stored = await this.hands.keep({
      id,
      lifterId,
      checkedOn,
      checkedAt: at,
      hands,
      checkedBy: accountId,
    });
    if (stored.lifterId !== lifterId || !isDeepStrictEqual(stored.hands, hands))
      throw new Problem(
        409,
        'checked-differently',
        'Another check is already kept under this entry. The first one was kept; reload to see it.',
      );
    const changed = await this.calls.changedByHands(clubId, lifterId, before.hands);
    return { hands, checkedOn, changed };
  }
}

/** Nothing is stored that the core does not know. */
function onlyKnown(hands: HandsToday): HandsToday {
  const one = ({
    palm,
    thumb,
    finger,
    numb,
    pain,
    elbowPain,
    nail,
    thumbJointPain,
    spreadingPain,
  }: HandToday): HandToday => ({
    palm,
    thumb,
    finger,
    numb,
    pain,
    elbowPain,
    ...(nail && { nail }),
    ...(thumbJointPain !== undefined && { thumbJointPain }),
    ...(spreadingPain !== undefined && { spreadingPain }),
  });
  return Object.fromEntries(SIDES.map((side) => [side, one(hands[side])])) as unknown as HandsToday;
}
