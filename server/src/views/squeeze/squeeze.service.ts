import { Injectable } from '@nestjs/common';
import {
  intraclassCorrelation,
  sameProtocol,
  TEST_OVERDUE_DAYS,
  type Estimate,
  type Side,
} from '@iron-clasp/core';
import type { SqueezeProtocolView, SqueezeView, TraceView } from '@iron-clasp/contract';
import { shiftDay, type ClubRef } from '../../platform/days/club-day.ts';
import { Days } from '../../platform/days/days.ts';
import { AccountsService } from '../../records/accounts/accounts.service.ts';
import { KitService } from '../../records/kit/kit.service.ts';
import { LiftersService } from '../../records/lifters/lifters.service.ts';
import type { SqueezeProtocolRow, SqueezeTestRow } from '../../records/squeeze/squeeze.entity.ts';
import { SqueezeService } from '../../records/squeeze/squeeze.service.ts';
import {
  latestReading,
  testView,
  WORKING_PROTOCOL,
  WORKING_PROTOCOL_NAME,
} from '../../evidence/squeeze/squeeze-tests.ts';

@Injectable()
export class SqueezeViewService {
  constructor(
    private readonly squeezes: SqueezeService,
    private readonly lifters: LiftersService,
    private readonly accounts: AccountsService,
    private readonly kit: KitService,
    private readonly days: Days,
  ) {}

  /** The lifter's squeeze tests, and what the latest says. */
  async view(club: ClubRef, lifterId: string): Promise<SqueezeView> {
    await this.lifters.known(club.id, lifterId);
    const [rows, protocols, venues] = await Promise.all([
      this.squeezes.tests(lifterId),
      this.squeezes.protocols(club.id),
      this.kit.whole(club.id),
    ]);
    const by = await this.accounts.names(rows.map((row) => row.loggedBy));
    const latest = latestReading(rows);
    const names = new Map(protocols.map((row) => [row.id, row.name]));
    const like = latest?.test.protocol ?? null;
    const last = rows[0]?.testedOn;
    return {
      today: this.days.today(club),
      protocols: withWorking(protocols),
      dynamometers: venues.flatMap(({ venue, kit }) =>
        venue.archivedAt ? [] : kit.dynamometers.map((dynamometer) => ({ venue: venue.name, dynamometer })),
      ),
      tests: rows.map((row) => testView(row, like, names, (row.loggedBy && by.get(row.loggedBy)) ?? null)),
      reading: latest?.reading ?? null,
      readingOf: latest?.test.id ?? null,
      reliability: {
        left: reliabilityOf(rows, latest?.test, 'left'),
        right: reliabilityOf(rows, latest?.test, 'right'),
      },
      dueOn: last ? shiftDay(last, TEST_OVERDUE_DAYS) : null,
      changes: latest?.reading.easierHolds?.reason.text ?? null,
    };
  }

  /** Protocols that a test can be taken by, the club's own first. */
  async protocols(clubId: string): Promise<SqueezeProtocolView[]> {
    return withWorking(await this.squeezes.protocols(clubId));
  }

  async trace(club: ClubRef, testId: string, place: number): Promise<TraceView> {
    const { hand, times, forces } = await this.squeezes.trace(club.id, testId, place);
    return { hand, times, forces };
  }
}

const withWorking = (own: readonly SqueezeProtocolRow[]): SqueezeProtocolView[] => [
  ...own.map(protocolView),
  {
    ...{ id: null, version: 0, name: WORKING_PROTOCOL_NAME },
    ...{ protocol: WORKING_PROTOCOL, contractions: null },
  },
];

export function protocolView({
  id,
  version,
  name,
  protocol,
  contractions,
}: SqueezeProtocolRow): SqueezeProtocolView {
  return { id, version, name, protocol, contractions };
}

/** ICC(2,1) over the tests done like the latest, those with as many trials of the hand as it. */
function reliabilityOf(
  rows: readonly SqueezeTestRow[],
  latest: SqueezeTestRow | undefined,
  side: Side,
): Estimate | null {
  if (!latest) return null;
  const scores = rows
    .filter((row) => row.trials.length > 0 && sameProtocol(row.protocol, latest.protocol))
    .map((row) => row.trials.filter((trial) => trial.hand === side).map((trial) => trial.force));
  const trials = scores[0]?.length ?? 0;
  const alike = scores.filter((row) => row.length === trials);
  return alike.length >= 2 && trials >= 2 ? (intraclassCorrelation(alike) ?? null) : null;
}
