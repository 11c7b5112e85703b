import { callSet } from './call-set.ts';
import { context, curveAround, hands, lifter, set } from './fixtures.test-helper.ts';
import type { School } from './school.ts';
import { findSchool } from './schools.ts';
import type { CallContext, SetCall } from './types.ts';

/* The walk through a school's order, step by step. */

const call = (more: Parameters<typeof context>[0], school?: School): SetCall =>
  callSet({ ...context(more), ...(school && { school }) });
const ids = ({ reasons }: SetCall): string[] => reasons.map(({ ruleId }) => ruleId);
const school = (id: string, more: Partial<School> = {}): School => ({ ...findSchool(id)!, ...more });
const always = { id: 'own.straps', when: [], reason: 'always' };
const slipped = (...grips: ('hook' | 'mixed' | 'doubleOverhand')[]): CallContext['lifter'] =>
  lifter({ slippedToday: grips.map((grip) => ({ grip, load: 150 })) });

describe('straps before any bare grip', () => {
  const first = (more: Partial<School>, last?: boolean): SetCall['choice'] =>
    call(
      { set: set({ role: 'volume', load: 80, reps: 5, ...(last !== undefined && { lastOfLine: last }) }) },
      school('overhand-first', { strapsFirst: [always], strapsNotBeforeMonths: 0, ...more }),
    ).choice;

  it('are kept off the last set of a line only where the school says so', () => {
    expect(first({})).toBe('straps');
    expect(first({}, true)).toBe('straps');
    expect(first({ lastSetBare: true }, false)).toBe('straps');
    expect(first({ lastSetBare: true })).toBe('straps');
    expect(first({ lastSetBare: true }, true)).toBe('doubleOverhand');
  });
});

describe('an attempt', () => {
  const attempt = (more: Parameters<typeof context>[0] = {}): SetCall =>
    call({
      ...{ school: 'same-grip', curve: curveAround(120), set: set({ role: 'attempt', load: 175 }) },
      ...more,
    });

  it('takes the grip with the highest chance, wherever the order has it', () => {
    expect(attempt().choice).toBe('hook');
    expect(ids(attempt())).toContain('evidence.attempt-by-chance');
    // A load that all hold alike is pulled with the school's own.
    expect(attempt({ set: set({ role: 'attempt', load: 60 }) }).choice).toBe('mixed');
  });

  it('never one that is taken away, though it holds best', () => {
    const torn = attempt({ lifter: lifter({ hands: hands('left', { thumb: 'torn' }) }) });
    expect(torn.choice).toBe('mixed');
  });
});

describe('a hook that is learnt', () => {
  const warmUp = (more: Parameters<typeof context>[0] = {}): SetCall =>
    call({
      lifter: lifter({ hookStage: 'learn' }),
      set: set({ role: 'warmup', load: 90, reps: 3 }),
      ...more,
    });

  it('is practised before the order of the school, where it holds and nothing bars it', () => {
    expect(warmUp()).toMatchObject({ choice: 'hook' });
    expect(ids(warmUp()).filter((id) => id === 'adaptation.hook-practice')).toHaveLength(1);
    const torn = lifter({ hookStage: 'learn', hands: hands('left', { thumb: 'torn' }) });
    expect(warmUp({ lifter: torn }).choice).toBe('doubleOverhand');
    // Nor is it said of a grip that it is not.
    expect(ids(warmUp({ lifter: torn }))).not.toContain('adaptation.hook-practice');
    // Hands that hold nothing like it, hook and all.
    expect(ids(warmUp({ curve: curveAround(30) }))).toContain('evidence.best-below-threshold');
    expect(ids(warmUp())).not.toContain('evidence.best-below-threshold');
  });
});

describe('what slipped today', () => {
  const plain = school('overhand-first', {
    ...{ strapsFirst: [], strapsNotBeforeMonths: 0 },
    strapsLast: { ...always, when: [{ kind: 'roles', roles: ['attempt'] }] },
  });
  const volume = set({ role: 'volume', load: 150, reps: 5 });

  it('leaves straps for now, where nothing else bars the grips and the school may strap', () => {
    const found = call({ lifter: slipped('hook'), set: volume }, plain);
    expect(found.choice).toBe('straps');
    expect(found.reasons).toContainEqual({
      ...{ ruleId: 'adaptation.straps-once-slipping', rank: 'school' },
      text: `${plain.name}: straps for what is left at this load, now that slipping has started; or go lighter.`,
    });
    // One grip barred for another reason is no reason against it.
    const bent = call({ lifter: { ...slipped('hook'), armsBendUnderMixed: true }, set: volume }, plain);
    expect(ids(bent)).toContain('adaptation.straps-once-slipping');
  });

  it('leaves a lighter load in a school without straps', () => {
    const found = call({ school: 'bare-hands', lifter: slipped('hook'), set: volume });
    expect(found).toMatchObject({ choice: null, verdict: 'stop' });
    expect(found.lighterLoad).toBeGreaterThan(0);
  });

  it('is told from a hold near its limit that safety takes away: there straps are what is left', () => {
    const uncleared = lifter({ flags: [{ kind: 'bloodPressure', cleared: false }] });
    const carry = set({
      lift: 'carry.frame',
      role: 'volume',
      load: 190,
      reps: 1,
      seconds: 60,
      purpose: 'event',
    });
    const found = call({ lifter: uncleared, set: carry }, plain);
    expect(found.choice).toBe('straps');
    expect(ids(found)).toContain('safety.straps-only-left');
    expect(ids(found)).not.toContain('adaptation.straps-once-slipping');
  });
});

describe('what is asked decides at just its figure', () => {
  const at = (top: number): SetCall => {
    const thresholds = { ...lifter().thresholds, top };
    return call({ lifter: lifter({ thresholds }), ...heavy });
  };
  const heavy = { curve: curveAround(130), set: set({ load: 160 }) };
  const override = { choice: 'doubleOverhand', reason: 'to know its chance', by: 'Maren' } as const;

  it('a chance of just that is called, one whose range just reaches it is not known yet', () => {
    const { probability, range } = call({ ...heavy, override });
    expect(probability!).toBeLessThan(range!.high);
    expect(range!.high).toBeLessThan(0.999);
    expect(at(probability!)).toMatchObject({ choice: 'doubleOverhand', verdict: 'called' });
    expect(at(range!.high)).toMatchObject({ choice: 'doubleOverhand', verdict: 'unproven' });
    expect(at(range!.high + 1e-6).choice).not.toBe('doubleOverhand');
  });
});
