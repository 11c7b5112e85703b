import { Injectable } from '@nestjs/common';
import {
  analyseTrace,
  cleanTrace,
  InvalidInputError,
  repeatedContractions,
  sameProtocol,
  SIDES,
  squeezeScores,
  type ForceTrace,
  type Side,
} from '@iron-clasp/core';
import type {
  SentTrace,
  SqueezeProtocolRequest,
  SqueezeTestRequest,
  SqueezeTrialView,
} from '@iron-clasp/contract';
import { Clock } from '../../platform/clock/clock.ts';
import type { ClubRef } from '../../platform/days/club-day.ts';
import { Days } from '../../platform/days/days.ts';
import { invalid, notFound } from '../../platform/http/problem.ts';
import { takenAt } from '../../platform/http/taken-at.ts';
import { LiftersService } from '../../records/lifters/lifters.service.ts';
import type {
  SqueezeProtocolRow,
  SqueezeTestRow,
  SqueezeTraceRow,
} from '../../records/squeeze/squeeze.entity.ts';
import { SqueezeService } from '../../records/squeeze/squeeze.service.ts';
import { TrainingService } from '../../records/training/training.service.ts';
import { asTest } from '../../evidence/squeeze/squeeze-tests.ts';

/** Squeeze tests as they come in: what came as a trace is read here. */
@Injectable()
export class SqueezeKeeper {
  constructor(
    private readonly squeezes: SqueezeService,
    private readonly lifters: LiftersService,
    private readonly training: TrainingService,
    private readonly clock: Clock,
    private readonly days: Days,
  ) {}

  /** Keeps a test. Sent again with the same content it changes nothing. */
  async keep(
    club: ClubRef,
    by: string,
    lifterId: string,
    id: string,
    body: SqueezeTestRequest,
  ): Promise<void> {
    await this.lifters.known(club.id, lifterId);
    const protocol = body.protocolId ? await this.squeezes.protocol(club.id, body.protocolId) : null;
    if (body.protocolId && !protocol) throw notFound('protocol');
    if (body.sessionId) {
      const session = await this.training.find(club.id, body.sessionId);
      if (session?.lifterId !== lifterId) throw notFound('session');
    }
    const at = takenAt(this.clock, body.testedAt, 'testedAt');
    const traces: SqueezeTraceRow[] = [];
    const trials = body.trials.map((trial, place) => readTrial(trial, place, id, traces));
    const contractions = body.contractions && readContractions(body.contractions, id, traces);
    if (trials.length === 0 && !contractions)
      throw invalid('trials', 'Log at least one squeeze, of either hand.');
    const row: SqueezeTestRow = {
      ...{ id, clubId: club.id, lifterId, protocol: body.protocol, trials, source: body.source },
      sessionId: body.sessionId ?? null,
      protocolId: protocol?.id ?? null,
      testedOn: this.days.dayOf(club, at),
      testedAt: at,
      contractions: contractions ?? null,
      note: body.note || null,
      ...{ easingDeclined: false, declinedBy: null, loggedBy: by, undoneAt: null },
    };
    // Asserts protocol and forces, naming what is wrong.
    squeezeScores(asTest(row));
    await this.squeezes.keep(row, traces);
  }

  /** Takes a test back; it is hidden, not lost. */
  undo(club: ClubRef, id: string): Promise<void> {
    return this.squeezes.undo(club.id, id, this.clock.now());
  }

  /** Writes a protocol of the club. */
  saveProtocol(club: ClubRef, id: string, body: SqueezeProtocolRequest): Promise<SqueezeProtocolRow> {
    // Asserts the protocol, naming what is wrong.
    sameProtocol(body.protocol, body.protocol);
    if (body.contractions) checkContractions(body.contractions);
    return this.squeezes.saveProtocol(club.id, id, body.version, {
      name: body.name,
      protocol: body.protocol,
      contractions: body.contractions ?? null,
      archivedAt: body.archived ? this.clock.now() : null,
    });
  }
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

/** Asserts the plan of a repeated-contraction test. */
export function checkContractions({
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
