/** @jest-environment jsdom */
import '../../ui/component.test-helper.ts';
import type { CalledSet, CallsView } from '@iron-clasp/contract';
import type { HoldPrescription, SetCall } from '@iron-clasp/core';
import { render, screen } from '@testing-library/react';
import { WrittenCard } from './written-card.tsx';

const call = (more: Partial<SetCall>): SetCall => ({
  ...{
    choice: 'hook',
    grip: 'hook',
    chalk: { kind: 'block', where: [] },
    probability: 0.97,
    threshold: 0.95,
  },
  ...{ verdict: 'called', cues: [], cautions: [], reasons: [], overridden: false },
  alternatives: { grips: [], schools: [] },
  ...more,
});
let made = 0;
const set = (load: number, reps: number, more: Partial<CalledSet> = {}): CalledSet => ({
  ...{
    id: `set ${made++}`,
    liftId: 'deadlift.conventional',
    liftName: 'Deadlift',
    role: 'top',
    planned: load,
  },
  ...{ reps, style: 'reset', loadMeans: 'total', purpose: null, handle: null, eventBar: null, rest: null },
  ...{
    seconds: null,
    line: 'hook, block chalk',
    fault: null,
    lighter: null,
    override: null,
    overrides: [],
    done: null,
  },
  loading: { total: load, perSide: [{ mass: 25, unit: 'kg' }] },
  call: call({}),
  ...more,
});
const warm = (load: number, reps: number, more: Partial<CalledSet> = {}): CalledSet =>
  set(load, reps, { role: 'warmup', line: 'hook', ...more });
const HOLD = {
  ...{
    kind: 'deadHang',
    sets: 2,
    seconds: 20,
    load: 0,
    grip: 'doubleOverhand',
    rest: [120, 180],
    pins: '',
    cautions: [],
  },
  loading: { total: 0, perSide: [] },
} as unknown as HoldPrescription;

/** The card of a session with these sets, each of its rows as one reads it. */
function rowsOf(sets: readonly CalledSet[], more: object = {}, holds: readonly object[] = []): string[] {
  const session = {
    ...{ id: 's', lifterName: 'Odalys Brandt', title: 'Heavy', on: '2026-11-24', note: '' },
    ...{ venue: { name: 'Rope works' }, hands: { said: '', stop: null }, ...more },
  };
  const view = { session, sets, holds, holdsDone: [] } as unknown as CallsView;
  const { container } = render(<WrittenCard view={view} unit="kg" />);
  return [...container.querySelectorAll('tbody tr')].map((row) =>
    (row.textContent ?? '').replaceAll('\u00a0', ' ').replace(/\s+/g, ' '),
  );
}

it('warm-ups that are gripped alike are one row, a new one where the grip changes, and every figure says what it is', () => {
  const mixed = { line: 'mixed, right under', call: call({ choice: 'mixed', sideUnder: 'right' }) };
  const rows = rowsOf([
    warm(50, 5),
    warm(70, 4),
    warm(90, 2, mixed),
    warm(100, 1, mixed),
    set(125, 1),
    set(125, 1),
  ]);
  expect(rows).toEqual([
    'Deadlift',
    'warm-up50 kg × 5 · 70 × 4hook',
    'warm-up90 kg × 2 · 100 × 1mixed, right under',
    'top125 kg × 1, 2 sets 25 kg a sidehook, block chalk',
  ]);
});

it('what hangs from no hand is one row without a mark, and no bar is drawn beside what has none', () => {
  const free = {
    line: 'no grip call',
    call: call({ choice: null, grip: null, verdict: 'free', probability: null }),
  };
  const squat = { liftId: 'squat', liftName: 'Squat', ...free };
  const pull = {
    liftId: 'pull-up',
    liftName: 'Pull-up',
    loading: { total: 0, perSide: [] },
    role: 'accessory' as const,
  };
  const rows = rowsOf([warm(60, 5, squat), set(97.5, 5, squat), set(0, 8, pull), set(0, 8, pull)]);
  expect(rows).toEqual([
    'Squat',
    'top97.5 kg × 5no grip',
    'Pull-up',
    'accessory8 reps, 2 sets hook, block chalk',
  ]);
});

it('a hold by the body alone says so, and what is timed says its seconds', () => {
  const carry = { liftId: 'carry.handles', liftName: 'Carry', seconds: 30, role: 'accessory' as const };
  const rows = rowsOf([set(100, 1, carry)], {}, [{ kind: 'deadHang', hold: HOLD }]);
  expect(rows[1]).toMatch(/^accessory100 kg × 30 s/);
  expect(rows.slice(2)).toEqual(['Dead hang', 'holdbody weight, 2 × 20 sdouble overhand; rest 2–3 min']);
});

it('a load stands in the unit of the plates, the reader’s own beside it', () => {
  const pounds = { loading: { total: 49.98, perSide: [{ mass: 25, unit: 'lb' as const }] } };
  expect(rowsOf([set(49.98, 5, pounds)])[1]).toBe('top110 lb × 5 50 kg25 lb a sidehook, block chalk');
});

it('the coach’s note and what stops the day stand above everything', () => {
  rowsOf([set(125, 1)], { note: 'Chalk late.', hands: { said: '', stop: 'Numb: nothing is lifted.' } });
  expect(screen.getByText('Chalk late.')).toBeTruthy();
  expect(screen.getByText('Numb: nothing is lifted.')).toBeTruthy();
});

it('a meet, or its rehearsal, says whose rules bind', () => {
  rowsOf([set(125, 1)], { event: { name: 'Quay Open', rehearsal: false } });
  expect(screen.getByText('The day of Quay Open: its rules bind, and top sets are attempts.')).toBeTruthy();
  rowsOf([set(125, 1)], { event: { name: 'Tide Cup', rehearsal: true } });
  expect(screen.getByText(/^Rehearses Tide Cup: its rules bind/)).toBeTruthy();
});
