import { callSet } from './call-set.ts';
import { context, curveAround, hands, lifter, set } from './fixtures.test-helper.ts';
import { sayCall } from './say-call.ts';

const strong = curveAround(260);

describe('cues', () => {
  it('a hook that is not settled gets tape, unless the rulebook of the day bars it', () => {
    const building = lifter({ hookStage: 'carry' });
    const tape = /Tape the thumb/;
    expect(
      callSet(context({ school: 'hook-committed', curve: strong, lifter: building })).cues.join(' '),
    ).toMatch(tape);
    expect(callSet(context({ school: 'hook-committed', curve: strong })).cues.join(' ')).not.toMatch(tape);
    const event = { name: 'Harbour Open', straps: false, thumbTape: false, liquidChalk: true };
    expect(
      callSet(context({ school: 'hook-committed', curve: strong, lifter: building, event })).cues.join(' '),
    ).not.toMatch(tape);
  });

  it('straps say how they are put on, mixed keeps the arms long', () => {
    const strapped = callSet(
      context({ school: 'strap-the-volume', set: set({ role: 'backoff', load: 120, reps: 5 }) }),
    );
    expect(strapped.cues.join(' ')).toMatch(/Non-dominant hand first; the strap goes under the bar/);
    expect(callSet(context({ school: 'same-grip', curve: strong })).cues.join(' ')).toMatch(/elbows locked/);
  });

  it('liquid chalk is left to dry; where there is none the contact points are dried', () => {
    const at = (chalk: 'liquid' | 'none') =>
      callSet(context({ curve: strong, venue: { name: 'Away', chalk, barDiameter: 28.5 } })).cues.join(' ');
    expect(at('liquid')).toMatch(/let it dry/);
    expect(at('none')).toMatch(/dry hands and bar/);
  });
});

describe('cautions stand where they apply', () => {
  it('nobody near a bar held with straps', () => {
    const strapped = callSet(
      context({ school: 'strap-the-volume', set: set({ role: 'backoff', load: 120, reps: 5 }) }),
    );
    expect(strapped.cautions.join(' ')).toMatch(/Nobody near a loaded bar held with straps/);
    expect(callSet(context({ curve: strong })).cautions).toEqual([]);
    const cable = { role: 'volume', lift: 'pull-down', load: 60, reps: 10 } as const;
    const onCable = callSet(context({ school: 'strap-the-volume', set: set(cable) }));
    expect(onCable.choice).toBe('straps');
    expect(onCable.cautions).toEqual([]);
  });

  it('torn skin is covered, uncleared history says who is asked, cleared history is quiet', () => {
    const torn = callSet(
      context({ lifter: lifter({ hands: hands('right', { thumb: 'torn' }) }), curve: strong }),
    );
    expect(torn.cautions.join(' ')).toMatch(/blood on a bar is cleaned/);
    const flagged = (cleared: boolean): string =>
      callSet(
        context({ curve: strong, lifter: lifter({ flags: [{ kind: 'bloodPressure', cleared }] }) }),
      ).cautions.join(' ');
    expect(flagged(false)).toMatch(/ask a physician first/);
    expect(flagged(true)).toBe('');
  });

  it('an arthritic thumb is warned of whenever it hooks, cleared or not', () => {
    const arthritic = lifter({ flags: [{ kind: 'thumbArthritis', side: 'right', cleared: true }] });
    expect(
      callSet(context({ school: 'hook-committed', curve: strong, lifter: arthritic })).cautions.join(' '),
    ).toMatch(/stop on joint pain/);
    expect(callSet(context({ curve: strong, lifter: arthritic })).cautions).toEqual([]);
  });

  it('holds and carries bring their own', () => {
    expect(
      callSet(context({ curve: strong, set: set({ lift: 'hold.front-rack', load: 150 }) })).cautions.join(
        ' ',
      ),
    ).toMatch(/safety pins/);
    expect(
      callSet(
        context({ curve: strong, set: set({ lift: 'carry.handles', role: 'accessory', load: 100 }) }),
      ).cautions.join(' '),
    ).toMatch(/Clear the lane/);
  });
});

describe('sayCall reads aloud', () => {
  const base = { choice: null, chalk: { kind: 'none' as const, where: [] }, verdict: 'called' as const };
  it.each([
    [{ ...base, choice: 'doubleOverhand' as const }, 'double overhand'],
    [
      {
        ...base,
        choice: 'mixed' as const,
        sideUnder: 'left' as const,
        chalk: { kind: 'block' as const, where: ['palm and fingers'] },
      },
      'mixed, left under, block chalk',
    ],
    [
      { ...base, choice: 'straps' as const, straps: { type: 'quickRelease' as const, turns: 1 } },
      'straps, quick-release, 1 turn',
    ],
    [
      { ...base, choice: 'straps' as const, straps: { type: 'loop' as const, turns: 3 } },
      'straps, loop, 3 turns',
    ],
    [{ ...base, verdict: 'free' as const }, 'no grip call'],
    [{ ...base, verdict: 'stop' as const }, 'leave it out'],
  ])('%#', (call, words) => expect(sayCall(call)).toBe(words));
});

describe('chalk', () => {
  it('a light warm-up needs none, a heavy one does', () => {
    expect(
      callSet(context({ curve: strong, set: set({ role: 'warmup', load: 60, reps: 3 }) })).chalk,
    ).toEqual({ kind: 'none', where: [] });
    expect(callSet(context({ set: set({ role: 'warmup', load: 120, reps: 3 }) })).chalk.kind).toBe('block');
  });

  it('liquid chalk barred by the rulebook leaves none', () => {
    const event = { name: 'Harbour Open', straps: false, thumbTape: true, liquidChalk: false };
    const away = { name: 'Hall', chalk: 'liquid' as const, barDiameter: 28.5 };
    expect(callSet(context({ curve: strong, venue: away, event })).chalk.kind).toBe('none');
    expect(callSet(context({ curve: strong, venue: away })).chalk.kind).toBe('liquid');
  });

  it('a hold adds the finger where the thumb locks on', () => {
    const hold = callSet(context({ curve: strong, set: set({ lift: 'hold.front-rack', load: 150 }) }));
    expect(hold.chalk.where).toContain('finger where the thumb locks on');
  });
});
