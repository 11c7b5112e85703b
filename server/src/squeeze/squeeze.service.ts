import { isDeepStrictEqual } from 'node:util';
import { Injectable } from '@nestjs/common';
import {
  analyseTrace,
  cleanTrace,
  InvalidInputError,
  intraclassCorrelation,
  repeatedContractions,
  sameProtocol,
  SIDES,
  squeezeScores,
  TEST_OVERDUE_DAYS,
  type Estimate,
  type ForceTrace,
  type Side,
} from '@iron-clasp/core';
import type {
  SentTrace,
  SqueezeProtocolRequest,
  SqueezeProtocolView,
  SqueezeTestRequest,
  SqueezeTrialView,
  SqueezeView,
  TraceView,
} from '@iron-clasp/contract';
import { addDays, format, parseISO } from 'date-fns';
import { Clock } from '../clock.ts';
import { changedMeanwhile, notFound, Problem } from '../http/problem.ts';
import { takenAt } from '../http/taken-at.ts';
import { KitRepository } from '../kit/kit.repository.ts';
import { LiftersService } from '../lifters/lifters.service.ts';
import { TrainingRepository } from '../training/training.repository.ts';
import type { SqueezeProtocolRow, SqueezeTestRow, SqueezeTraceRow } from './squeeze.entity.ts';
import { SqueezeRepository } from './squeeze.repository.ts';
import { asTest, latestReading, testView, WORKING_PROTOCOL, WORKING_PROTOCOL_NAME } from './squeeze-tests.ts';

@Injectable()
export class SqueezeService {
  constructor(
    private readonly squeezes: SqueezeRepository,
    private readonly lifters: LiftersService,
    private readonly training: TrainingRepository,
    private readonly kit: KitRepository,
    private readonly clock: Clock,
  ) {}

  /** The lifter's squeeze tests, and what the latest says. */
  async view(clubId: string, lifterId: string): Promise<SqueezeView> {
    await this.lifters.profile(clubId, lifterId);
    const [rows, protocols, venues] = await Promise.all([
      this.squeezes.tests(lifterId),
      this.squeezes.protocols(clubId),
      this.kit.whole(clubId),
    ]);
    const latest = latestReading(rows);
    const names = new Map(protocols.map((row) => [row.id, row.name]));
    const like = latest?.test.protocol ?? null;
    const last = rows[0]?.testedOn;
    return {
      today: this.clock.today(),
      protocols: [
        ...protocols.map(protocolView),
        {
          id: null,
          version: 0,
          name: WORKING_PROTOCOL_NAME,
          protocol: WORKING_PROTOCOL,
          contractions: null,
        },
      ],
      dynamometers: venues.flatMap(({ venue, kit }) =>
        venue.archivedAt ? [] : kit.dynamometers.map((dynamometer) => ({ venue: venue.name, dynamometer })),
      ),
      tests: rows.map((row) => testView(row, like, names, null)),
      reading: latest?.reading ?? null,
      readingOf: latest?.test.id ?? null,
      reliability: {
        left: reliabilityOf(rows, latest?.test, 'left'),
        right: reliabilityOf(rows, latest?.test, 'right'),
      },
      dueOn: last ? format(addDays(parseISO(last), TEST_OVERDUE_DAYS), 'yyyy-MM-dd') : null,
      changes: latest?.reading.easierHolds?.reason.text ?? null,
    };
  }

  /** Keeps a test: what came as a trace is read here. Sent again with the same content it changes nothing. */
  async keep(
    clubId: string,
    accountId: string,
    lifterId: string,
    id: string,
    body: SqueezeTestRequest,
  ): Promise<void> {
    await this.lifters.profile(clubId, lifterId);
    const protocol = body.protocolId ? await this.squeezes.protocol(clubId, body.protocolId) : null;
    if (body.protocolId && !protocol) throw notFound('protocol');
    if (body.sessionId) {
      const session = await this.training.session(clubId, body.sessionId);
      if (session?.lifterId !== lifterId) throw notFound('session');
    }
    const at = takenAt(this.clock, body.testedAt, 'testedAt');
    const traces: SqueezeTraceRow[] = [];
    const trials = body.trials.map((trial, place) => readTrial(trial, place, id, traces));
    const contractions = body.contractions && readContractions(body.contractions, id, traces);
    if (trials.length === 0 && !contractions)
      throw invalid('trials', 'Log at least one squeeze, of either hand.');
    const row: SqueezeTestRow = {
      id,
      lifterId,
      sessionId: body.sessionId ?? null,
      protocolId: protocol?.id ?? null,
      protocol: body.protocol,
      testedOn: format(at, 'yyyy-MM-dd'),
      testedAt: at,
      trials,
      contractions: contractions ?? null,
      source: body.source,
      note: body.note?.trim() || null,
      easingDeclined: false,
      declinedBy: null,
      loggedBy: accountId,
      undoneAt: null,
    };
    // Asserts protocol and forces, naming what is wrong.
    squeezeScores(asTest(row));
    const stored = await this.squeezes.keep(row, traces);
    const same =
      stored.lifterId === lifterId &&
      isDeepStrictEqual(stored.protocol, JSON.parse(JSON.stringify(row.protocol))) &&
      isDeepStrictEqual(stored.trials, JSON.parse(JSON.stringify(trials)));
    if (!same)
      throw new Problem(
        409,
        'logged-differently',
        'Another test is already kept under this entry. The first one was kept; reload to see it.',
      );
  }

  /** Takes a test back; it is hidden, not lost. */
  async undo(clubId: string, id: string): Promise<void> {
    if (!(await this.squeezes.change(clubId, id, { undoneAt: this.clock.now() }))) throw notFound('test');
  }

  /** Keeps the holds as they were though the test proposed easier ones, or takes that back. */
  async decline(clubId: string, accountId: string, id: string, declined: boolean): Promise<void> {
    const part = { easingDeclined: declined, declinedBy: declined ? accountId : null };
    if (!(await this.squeezes.change(clubId, id, part))) throw notFound('test');
  }

  async trace(clubId: string, testId: string, place: number): Promise<TraceView> {
    const found = await this.squeezes.trace(clubId, testId, place);
    if (!found) throw notFound('trace');
    return { hand: found.hand, times: found.times, forces: found.forces };
  }

  /** Writes a protocol of the club. */
  async saveProtocol(clubId: string, id: string, body: SqueezeProtocolRequest): Promise<SqueezeProtocolView> {
    // Asserts the protocol, naming what is wrong.
    sameProtocol(body.protocol, body.protocol);
    if (body.contractions) checkContractions(body.contractions);
    const row: SqueezeProtocolRow = {
      id,
      clubId,
      name: body.name.trim(),
      protocol: body.protocol,
      contractions: body.contractions ?? null,
      version: body.version + 1,
      archivedAt: body.archived ? this.clock.now() : null,
    };
    if (!(await this.squeezes.saveProtocol(row))) {
      const now = await this.squeezes.protocol(clubId, id);
      if (now && isDeepStrictEqual(protocolView(now), protocolView(row))) return protocolView(now);
      throw changedMeanwhile('protocol');
    }
    return protocolView(row);
  }
}

function invalid(path: string, message: string): Problem {
  return new Problem(400, 'invalid-input', message, [{ path, message }]);
}

function protocolView({
  id,
  version,
  name,
  protocol,
  contractions,
}: SqueezeProtocolRow): SqueezeProtocolView {
  return { id, version, name, protocol, contractions };
}

/** A trace as it came, dropped samples as no numbers. */
function traceOf(sent: SentTrace, path: string): ForceTrace {
  if (!Array.isArray(sent?.times) || !Array.isArray(sent.forces))
    throw invalid(path, 'A trace is a list of times and a list of forces.');
  return { times: sent.times, forces: sent.forces.map((force) => force ?? Number.NaN) };
}

/** The core names its own argument; the page wants to know which trial it was. */
function within<Answer>(path: string, work: () => Answer): Answer {
  try {
    return work();
  } catch (error) {
    if (error instanceof InvalidInputError) throw invalid(`${path}.${error.field}`, error.message);
    throw error;
  }
}

function keptTrace(trace: ForceTrace, hand: Side, testId: string, place: number): SqueezeTraceRow {
  const clean = cleanTrace(trace);
  return { testId, place, hand, times: Array.from(clean.times), forces: Array.from(clean.forces) };
}

/** One squeeze; what came as a trace is read off it. */
function readTrial(
  trial: SqueezeTestRequest['trials'][number],
  place: number,
  testId: string,
  traces: SqueezeTraceRow[],
): SqueezeTrialView {
  const path = `trials[${place}]`;
  const hand = SIDES.find((side) => side === trial?.hand);
  if (!hand) throw invalid(`${path}.hand`, 'Say which hand squeezed: left or right.');
  if (!trial.trace) return { hand, force: trial.force as number, reading: null };
  const trace = traceOf(trial.trace, `${path}.trace`);
  const reading = within(path, () => analyseTrace(trace));
  if (!reading) throw invalid(`${path}.trace`, 'No squeeze is to be seen in this trace. Squeeze again.');
  traces.push(keptTrace(trace, hand, testId, place));
  return { hand, force: Math.round(reading.peak * 10) / 10, reading };
}

function checkContractions({
  count,
  on,
  off,
}: NonNullable<SqueezeTestRequest['contractions']>['protocol']): void {
  const sound = count >= 2 && count <= 200 && on >= 1 && on <= 60 && off > 0 && off <= 600;
  if (!sound || !Number.isInteger(count))
    throw invalid('contractions', 'Ask for 2 to 200 contractions of 1 to 60 s with up to 600 s between.');
}

function readContractions(
  { hand, protocol, trace: sent }: NonNullable<SqueezeTestRequest['contractions']>,
  testId: string,
  traces: SqueezeTraceRow[],
): SqueezeTestRow['contractions'] {
  if (!SIDES.includes(hand)) throw invalid('contractions.hand', 'Say which hand squeezed: left or right.');
  const trace = traceOf(sent, 'contractions.trace');
  const reading = within('contractions', () => repeatedContractions(trace, protocol));
  traces.push(keptTrace(trace, hand, testId, traces.length));
  return { hand, protocol, reading };
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
