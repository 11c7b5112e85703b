import { HOOK_STAGE_RULES, nextHookStage, skinBudget, type HookSession } from './hook-stages.ts';

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

  it('a hook that was not started stays so, and every rule has its own id', () => {
    expect(nextHookStage('none', easy).stage).toBe('none');
    expect(new Set(HOOK_STAGE_RULES.map((rule) => rule.id)).size).toBe(HOOK_STAGE_RULES.length);
    expect(() => nextHookStage('expert' as never, [])).toThrow(/stage/);
    expect(() => nextHookStage('learn', [session('2026-13-01')])).toThrow(/sessions\[0\]\.on/);
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
    expect(skinBudget('none', 100, [{ load: 50, seconds: 20 }])).toMatchObject({
      allowance: 0,
      left: 0,
      share: 1,
    });
  });
});
