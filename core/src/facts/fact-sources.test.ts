import { CAUTIONS, CUES, type AdviceFacts } from '../calls/advice.ts';
import { CALL_RULES } from '../calls/call-rules.ts';
import { lifter } from '../calls/fixtures.test-helper.ts';
import { SET_ROLES } from '../calls/set-role.ts';
import { GRIP_CHOICES, type CallLifter } from '../calls/types.ts';
import { SLIP_CAUSES, type LoggedSlip } from '../slip-causes/slip-causes.ts';
import { SCHOOLS } from '../calls/schools.ts';
import { LIFTS } from '../set-demand/lifts.ts';
import { setDemand } from '../set-demand/set-demand.ts';
import { GRIPS } from '../clasp-curve/types.ts';
import { FACT_SOURCES, NOT_YET_SUPPLIED, type FactGroup } from './fact-sources.ts';

/** Grows for no reason: whoever adds a fact adds the screen on which somebody enters it. */
const AT_MOST: readonly string[] = [];

/** The same record, noting which of its fields are looked at. */
function watched<Facts extends object>(facts: Facts, seen: Set<string>): Facts {
  return new Proxy(facts, {
    get: (target, field, receiver): unknown => {
      seen.add(String(field));
      return Reflect.get(target, field, receiver);
    },
  });
}

/** Fields of the group that are looked at and that nothing supplies. */
const missing = (group: FactGroup, seen: ReadonlySet<string>): string[] =>
  [...seen].filter((field) => NOT_YET_SUPPLIED.includes(`${group}.${field}`)).sort();

it('the list of what is not yet supplied only shrinks', () => {
  expect(NOT_YET_SUPPLIED.filter((each) => !AT_MOST.includes(each))).toEqual([]);
});

const DEMAND = setDemand({ lift: 'deadlift.conventional', load: 150, reps: 1 });

/** Facts of the lifter that a rule reads over all lifts, roles and choices, in the hands of whom everything is said. */
function readBy(look: (facts: AdviceFacts) => unknown): Set<string> {
  const seen = new Set<string>();
  for (const said of [{}, { hookStage: 'learn' }, { trainingMonths: 3 }] as Partial<CallLifter>[])
    for (const lift of LIFTS)
      for (const role of SET_ROLES)
        for (const choice of GRIP_CHOICES)
          look({
            lifter: watched(lifter(said), seen),
            ...{ lift, role, reps: 1, choice, chalk: 'none', noTape: false, earlierHolds: 0 },
            demand: DEMAND,
          });
  return seen;
}

/** Every rule, cue and caution with what it reads of the lifter. */
const READ = [
  ...CALL_RULES.map(({ id, effect }) => ({ id, seen: readBy(effect) })),
  ...[...CUES, ...CAUTIONS].map(({ id, when }) => ({ id, seen: readBy(when) })),
];

it('no rule waits for a fact that nobody can give', () => {
  const waiting = Object.fromEntries(
    READ.map(({ id, seen }) => [id, missing('call', seen)] as const).filter(([, facts]) => facts.length > 0),
  );
  expect(waiting).toEqual({});
});

it('no school calls straps on facts that nobody can give', () => {
  const waiting = SCHOOLS.flatMap(({ id, strapsFirst }) =>
    strapsFirst.flatMap(({ when }) =>
      when
        .filter(({ kind }) => NOT_YET_SUPPLIED.includes(`call.${kind}`))
        .map(({ kind }) => `${id}: ${kind}`),
    ),
  );
  expect(waiting).toEqual([]);
});

it('every rule looks only at facts whose source is written down', () => {
  const known = new Set(Object.keys(FACT_SOURCES.call));
  for (const { seen } of READ) expect([...seen].filter((field) => !known.has(field))).toEqual([]);
});

it('no cause of a slip rests on clues that nobody can give', () => {
  const silent = SLIP_CAUSES.filter(({ clues }) =>
    clues.every(({ when }) => {
      const seen = new Set<string>();
      for (const grip of GRIPS)
        for (const reps of [1, 5])
          when(
            watched<LoggedSlip>(
              { lift: 'deadlift.sumo', role: 'top', reps, slippedAtRep: 1, grip, confidence: 5 },
              seen,
            ),
          );
      return missing('slip', seen).length > 0;
    }),
  ).map(({ id }) => id);
  expect(silent).toEqual([]);
});
