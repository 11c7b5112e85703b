import {
  HOOK_STAGE_RULES,
  HOOK_STAGES_BY_ID,
  nextHookStage,
  skinBudget,
  type HookedWork,
  type HookSession,
} from './hook-stages.ts';
import type { HookStage } from './hand-state.ts';

const session = (on: string, more: Partial<HookSession> = {}): HookSession => ({
  on,
  pain: 2,
  skin: 'sound',
  slipped: false,
  ...more,
});
const easy = ['2026-11-02', '2026-11-06', '2026-11-10'].map((on) => session(on));

describe('nextHookStage', () => {
  it('moves up after three easy sessions, whatever order they are given in', () => {
    expect(nextHookStage('learn', [easy[2]!, easy[0]!, easy[1]!])).toMatchObject({
      stage: 'build',
      move: 'up',
      ruleId: 'hook.up-when-easy',
    });
    expect(nextHookStage('build', easy).stage).toBe('carry');
    expect(nextHookStage('carry', easy).stage).toBe('settled');
    expect(nextHookStage('settled', easy)).toMatchObject({ stage: 'settled', move: 'stay' });
  });

  it.each<[string, Partial<HookSession>]>([
    ['hook.back-on-tear', { skin: 'torn' }],
    ['hook.back-on-bleeding-nail', { nail: 'bleeding' }],
    ['hook.back-on-pain', { pain: 6 }],
  ])('%s moves back', (ruleId, more) => {
    expect(nextHookStage('carry', [...easy, session('2026-11-14', more)])).toMatchObject({
      stage: 'build',
      move: 'back',
      ruleId,
    });
    expect(nextHookStage('learn', [session('2026-11-14', more)])).toMatchObject({
      stage: 'learn',
      move: 'stay',
    });
  });

  it.each<[string, HookSession[]]>([
    ['too few sessions', easy.slice(0, 2)],
    ['a slip among them', [easy[0]!, easy[1]!, session('2026-11-12', { slipped: true })]],
    ['pain above three', [easy[0]!, easy[1]!, session('2026-11-12', { pain: 4 })]],
    ['a split nail', [easy[0]!, easy[1]!, session('2026-11-12', { nail: 'split' })]],
    ['nothing yet', []],
  ])('stays: %s', (_name, sessions) => {
    expect(nextHookStage('learn', sessions)).toMatchObject({
      stage: 'learn',
      move: 'stay',
      ruleId: 'hook.stay',
    });
  });

  it('sessions after which nobody looked at the hands count for nothing', () => {
    const { skin: _, ...unseen } = session('2026-11-14', { slipped: true, pain: 9 });
    expect(nextHookStage('learn', [...easy, unseen]).move).toBe('up');
    expect(nextHookStage('learn', [easy[0]!, easy[1]!, { ...unseen, slipped: false, pain: 1 }]).move).toBe(
      'stay',
    );
  });

  it.each(['learn', 'build', 'carry', 'settled'] as const)('where nothing moves it, %s is kept', (stage) => {
    expect(nextHookStage(stage, easy.slice(0, 2))).toMatchObject({ stage, move: 'stay' });
  });

  it('an old tear does not hold a healed thumb back', () => {
    expect(nextHookStage('learn', [session('2026-10-01', { skin: 'torn' }), ...easy]).move).toBe('up');
  });

  it.each<[string, Partial<HookSession>, boolean]>([
    ['pain of three', { pain: 3 }, true],
    ['callused skin', { skin: 'callused' }, true],
    ['tender skin', { skin: 'tender' }, false],
    ['pain of five and sound skin', { pain: 5 }, false],
  ])('a session with %s', (_name, more, easyEnough) => {
    const move = nextHookStage('learn', [easy[0]!, easy[1]!, session('2026-11-12', more)]).move;
    expect(move).toBe(easyEnough ? 'up' : 'stay');
  });

  it('a hook that was not started stays so, and every rule has its own id', () => {
    expect(nextHookStage('none', easy).stage).toBe('none');
    expect(new Set(HOOK_STAGE_RULES.map((rule) => rule.id)).size).toBe(HOOK_STAGE_RULES.length);
    expect(() => nextHookStage('expert' as never, [])).toThrow(/stage/);
    expect(() => nextHookStage('learn', [session('2026-13-01')])).toThrow(/sessions\[0\]\.on/);
  });
});

describe('what a stage lets be hooked', () => {
  const hooked = (stage: HookStage, more: Partial<HookedWork>): boolean =>
    HOOK_STAGES_BY_ID[stage].allows({ role: 'top', reps: 1, share: 0.8, hookedBefore: 0, ...more });

  it('learn: warm-ups up to 60 % of the best', () => {
    expect(hooked('learn', { role: 'warmup', share: 0.6 })).toBe(true);
    expect(hooked('learn', { role: 'warmup', share: 0.61 })).toBe(false);
    expect(hooked('learn', { role: 'top', share: 0.5 })).toBe(false);
  });

  it('build: warm-ups of any weight, and one light single or back-off', () => {
    expect(hooked('build', { role: 'warmup', share: 0.9, hookedBefore: 5 })).toBe(true);
    expect(hooked('build', { role: 'top', reps: 1 })).toBe(true);
    expect(hooked('build', { role: 'top', reps: 2 })).toBe(false);
    expect(hooked('build', { role: 'top', reps: 1, share: 0.81 })).toBe(false);
    expect(hooked('build', { role: 'top', reps: 1, hookedBefore: 1 })).toBe(false);
    expect(hooked('build', { role: 'backoff', reps: 5 })).toBe(true);
    expect(hooked('build', { role: 'backoff', reps: 5, share: 0.81 })).toBe(false);
    expect(hooked('build', { role: 'backoff', hookedBefore: 1 })).toBe(false);
    expect(hooked('build', { role: 'attempt', reps: 1 })).toBe(false);
    expect(hooked('build', { role: 'volume', reps: 1 })).toBe(false);
  });

  it('carry: warm-ups, two top sets, and every attempt', () => {
    expect(hooked('carry', { role: 'warmup', hookedBefore: 9 })).toBe(true);
    expect(hooked('carry', { role: 'top', share: 1, hookedBefore: 1 })).toBe(true);
    expect(hooked('carry', { role: 'attempt', share: 1, hookedBefore: 1 })).toBe(true);
    expect(hooked('carry', { role: 'top', hookedBefore: 2 })).toBe(false);
    expect(hooked('carry', { role: 'attempt', share: 1, hookedBefore: 2 })).toBe(true);
    expect(hooked('carry', { role: 'backoff' })).toBe(false);
    expect(hooked('carry', { role: 'volume' })).toBe(false);
  });

  it('none lets nothing, settled everything', () => {
    expect(hooked('none', { role: 'warmup', share: 0.2 })).toBe(false);
    expect(hooked('settled', { role: 'volume', reps: 10, share: 1, hookedBefore: 20 })).toBe(true);
  });
});

describe('skinBudget', () => {
  it('counts load-seconds against the stage’s allowance', () => {
    expect(skinBudget('learn', 100, [{ load: 50, seconds: 20 }])).toEqual({
      allowance: 2500,
      spent: 1000,
      left: 1500,
      share: 0.4,
    });
    expect(skinBudget('learn', 100, [{ load: 100, seconds: 60 }]).left).toBe(0);
  });
  it('a settled hook has no limit; one not started has no allowance', () => {
    expect(skinBudget('settled', 100, [{ load: 50, seconds: 20 }])).toMatchObject({
      allowance: null,
      left: null,
    });
    expect(skinBudget('none', 100, [])).toEqual({ allowance: 0, spent: 0, left: 0, share: 0 });
    expect(skinBudget('none', 100, [{ load: 50, seconds: 20 }])).toMatchObject({
      allowance: 0,
      left: 0,
      share: 1,
    });
  });
});
