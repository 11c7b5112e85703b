import { randomUUID } from 'node:crypto';
import type {
  CallsView,
  ErrorView,
  HoldsView,
  RackView,
  SqueezeProtocolView,
  SqueezeTestRequest,
  SqueezeView,
  TraceView,
} from '@iron-clasp/contract';
import type { SqueezeProtocol } from '@iron-clasp/core';
import { DEMO_LIFTER } from '../src/demo/scenario.ts';
import { addForeignCoach, Coach, startApi, TODAY, type Api } from './api.test-helper.ts';

let api: Api;
let coach: Coach;
const ids = new Map<string, string>();
beforeAll(async () => {
  api = await startApi();
  coach = await Coach.signIn(api);
  const { lifters } = await coach.get<RackView>('/lifters');
  for (const { name, id } of lifters) ids.set(name, id);
});
afterAll(() => api.close());

const view = (name: string): Promise<SqueezeView> =>
  coach.get<SqueezeView>(`/lifters/${ids.get(name)}/squeeze`);
const put = <Answer = SqueezeView>(name: string, id: string, body: unknown, status = 200): Promise<Answer> =>
  coach.send<Answer>('put', `/lifters/${ids.get(name)}/squeeze-tests/${id}`, body as object, status);

const PROTOCOL: SqueezeProtocol = {
  handle: 2,
  elbow: 90,
  posture: 'seated',
  handOrder: 'alternating',
  trials: 3,
  rest: 60,
};
const test = (more: Partial<SqueezeTestRequest> = {}): SqueezeTestRequest => ({
  protocol: PROTOCOL,
  trials: [35, 36, 35.5].flatMap((force) => [
    { hand: 'left' as const, force },
    { hand: 'right' as const, force: force + 3 },
  ]),
  source: 'hand',
  testedAt: `${TODAY}T09:00:00Z`,
  ...more,
});

/** Quiet, a squeeze of 40 kgf, let go: 80 Hz. */
const TRACE = {
  times: Array.from({ length: 480 }, (_, i) => i / 80),
  forces: Array.from({ length: 480 }, (_, i) => (i < 80 || i > 400 ? 0.1 : 40.1)),
};

describe('the hidden truth of the demo', () => {
  it('Noor’s right hand dropped: found, and more than error of measurement', async () => {
    const { reading, changes } = await view('Noor Haddad');
    const { left, right } = reading!.hands;
    expect(right).toMatchObject({ verdict: 'down', sustainedDrop: true });
    expect(-right!.change!).toBeGreaterThan(right!.minimalDetectableChange);
    expect(left!.verdict).toBe('normal');
    expect(changes).toMatch(/right hand is down in two tests running/);
  });

  it('nobody else is called down', async () => {
    for (const name of ids.keys()) {
      if (name === 'Noor Haddad') continue;
      const { reading } = await view(name);
      for (const hand of Object.values(reading?.hands ?? {})) expect(hand.sustainedDrop).toBe(false);
    }
  });

  it('trials agree well from test to test, and how well is said with its doubt', async () => {
    const { reliability, tests } = await view('Teodor Vance');
    expect(tests.length).toBeGreaterThan(8);
    expect(reliability.left!.low).toBeGreaterThan(0);
    expect(reliability.left!.high).toBeLessThanOrEqual(1);
  });
});

describe('a squeeze test', () => {
  const id = randomUUID();

  it('is kept once, however often it is sent, and read at once', async () => {
    const first = await put('Odalys Brandt', id, test());
    const again = await put('Odalys Brandt', id, test());
    expect(again.tests.filter((each) => each.id === id)).toHaveLength(1);
    expect(first.readingOf).toBe(id);
    expect(first.tests[0]!.scores).toMatchObject({ left: { best: 36 }, right: { best: 39 } });
    expect(first.reading!.hands.left!.verdict).not.toBe('unknown');
  });

  it('with other content under the same id it is refused, and the first stays', async () => {
    const other = test({ trials: [{ hand: 'left', force: 20 }] });
    const { error } = await put<ErrorView>('Odalys Brandt', id, other, 409);
    expect(error.code).toBe('kept-differently');
    expect((await view('Odalys Brandt')).tests[0]!.trials).toHaveLength(6);
  });

  it('is undone, and no longer read', async () => {
    await coach.send('delete', `/squeeze-tests/${id}`, undefined, 204);
    expect((await view('Odalys Brandt')).tests.some((each) => each.id === id)).toBe(false);
  });

  it('done another way it is set aside, not compared', async () => {
    const other = randomUUID();
    const { tests, reading } = await put(
      'Odalys Brandt',
      other,
      test({ protocol: { ...PROTOCOL, elbow: 180, posture: 'standing' } }),
    );
    expect(tests.find((each) => each.id === other)).toMatchObject({ compared: true });
    expect(tests.filter((each) => each.compared)).toHaveLength(1);
    expect(reading!.why.map((why) => why.ruleId)).toContain('squeeze.other-protocol');
    await coach.send('delete', `/squeeze-tests/${other}`, undefined, 204);
  });

  it('of one trial is kept, and claims no change', async () => {
    const single = randomUUID();
    const { reading } = await put(
      'Odalys Brandt',
      single,
      test({ trials: [{ hand: 'left', force: 35 }], protocol: { ...PROTOCOL, handle: 4, trials: 1 } }),
    );
    expect(reading!.hands.left).toMatchObject({ verdict: 'unknown', typicalError: { fromLog: false } });
    await coach.send('delete', `/squeeze-tests/${single}`, undefined, 204);
  });

  it.each([
    ['a score of 900 kgf', test({ trials: [{ hand: 'left', force: 900 }] }), /at most 150 kgf/],
    ['no trial', test({ trials: [] }), /at least one squeeze/],
    ['no hand', test({ trials: [{ hand: 'both' as never, force: 30 }] }), /left or right/],
    ['a negative score', test({ trials: [{ hand: 'left', force: -3 }] }), /at least 0/],
    [
      'a protocol without a handle',
      test({ protocol: { ...PROTOCOL, handle: undefined as never } }),
      /handle/,
    ],
    [
      'a trace in newtons',
      test({
        trials: [{ hand: 'left', trace: { ...TRACE, forces: TRACE.forces.map((each) => each * 9.8) } }],
      }),
      /newtons divided by 9.81/,
    ],
    [
      'a trace of one sample',
      test({ trials: [{ hand: 'left', trace: { times: [0], forces: [1] } }] }),
      /at least 25/,
    ],
    [
      'a trace without a squeeze',
      test({ trials: [{ hand: 'left', trace: { ...TRACE, forces: TRACE.forces.map(() => 0.2) } }] }),
      /No squeeze is to be seen/,
    ],
    ['a time in the future', test({ testedAt: '2027-11-24T09:00:00Z' }), /clock of this device/],
  ])('%s is refused plainly, and nothing is kept', async (_, body, words) => {
    const wrong = randomUUID();
    const { error } = await put<ErrorView>('Odalys Brandt', wrong, body, 400);
    expect(error.message).toMatch(words);
    expect((await view('Odalys Brandt')).tests.some((each) => each.id === wrong)).toBe(false);
  });
});

describe('traces', () => {
  it('the peak is read from the samples, dropped ones bridged and counted, and the samples are kept', async () => {
    const id = randomUUID();
    const forces = TRACE.forces.map((force, i) => (i === 200 || i === 201 ? null : force));
    const { tests } = await put('Iskra Petrov', id, {
      ...test({ source: 'device' }),
      trials: [{ hand: 'right', trace: { times: TRACE.times, forces } }],
    });
    const [trial] = tests.find((each) => each.id === id)!.trials;
    expect(trial!.force).toBeCloseTo(40, 1);
    expect(trial!.reading!.problems.dropped).toBe(2);
    const kept = await coach.get<TraceView>(`/squeeze-tests/${id}/traces/0`);
    expect(kept.hand).toBe('right');
    expect(kept.times).toHaveLength(478);
    await coach.get(`/squeeze-tests/${id}/traces/3`, 404);
  });

  it('four minutes of repeated contractions come through, with the force that lasts', async () => {
    const id = randomUUID();
    const times = Array.from({ length: 19_280 }, (_, i) => i / 80);
    const forces = times.map((time) => (time % 10 >= 3 ? 30 : 0));
    const { tests } = await put('Iskra Petrov', id, {
      ...test({ source: 'device', trials: [] }),
      contractions: { hand: 'left', protocol: { count: 24, on: 7, off: 3 }, trace: { times, forces } },
    });
    const kept = tests.find((each) => each.id === id)!;
    expect(kept.contractions!.reading).toMatchObject({ complete: true });
    expect(kept.contractions!.reading.endTestForce).toBeCloseTo(30, 1);
  });
});

describe('what today’s test changes', () => {
  it('a sustained drop makes today’s hold a tenth lighter, until the coach declines', async () => {
    const { planned } = await coach.get<HoldsView>(`/lifters/${ids.get('Noor Haddad')}/holds`);
    const next = planned.find((each) => each.kind === 'frontRackHold')!;
    const calls = (): Promise<CallsView> => coach.get<CallsView>(`/sessions/${next.sessionId}/calls`);
    const before = (await calls()).holds[0]!.hold!;
    await coach.send(
      'patch',
      `/sessions/${next.sessionId}`,
      { heldOn: TODAY, version: (await calls()).session.version },
      200,
    );
    const id = randomUUID();
    const tired = [34, 34.4, 34.2].flatMap((force) => [
      { hand: 'left' as const, force: force + 1.6 },
      { hand: 'right' as const, force },
    ]);
    await put('Noor Haddad', id, test({ trials: tired }));
    const eased = await calls();
    expect(eased.holds[0]!.easing).toMatchObject({ testId: id, share: 0.9, declined: false });
    expect(eased.holds[0]!.hold!.load).toBeLessThanOrEqual(0.9 * before.load + 0.01);
    expect(eased.holds[0]!.hold!.why[0]!.ruleId).toBe('squeeze.sustained-drop');
    await coach.send('put', `/squeeze-tests/${id}/easing`, { declined: true }, 204);
    const kept = await calls();
    expect(kept.holds[0]!.easing!.declined).toBe(true);
    expect(kept.holds[0]!.hold!.load).toBe(before.load);
    await coach.send('put', `/squeeze-tests/${id}/easing`, { declined: false }, 204);
    expect((await calls()).holds[0]!.hold!.load).toBe(eased.holds[0]!.hold!.load);
  });
});

describe('protocols of the club', () => {
  const id = randomUUID();
  const save = <Answer = SqueezeProtocolView>(body: object, status = 200): Promise<Answer> =>
    coach.send<Answer>('put', `/squeeze-protocols/${id}`, body, status);

  it('are written, changed at the version that was seen, and offered to every lifter', async () => {
    const made = await save({ name: 'Standing, straight arm', protocol: PROTOCOL, version: 0 });
    expect(made).toMatchObject({ version: 1, name: 'Standing, straight arm' });
    await save({ name: 'Standing', protocol: { ...PROTOCOL, elbow: 180 }, version: 1 });
    const { error } = await save<ErrorView>({ name: 'Mine', protocol: PROTOCOL, version: 1 }, 409);
    expect(error.code).toBe('changed-meanwhile');
    expect((await view('Jun Takeda-Moss')).protocols.map((each) => each.name)).toContain('Standing');
  });

  it('one that cannot be done is refused, naming what is wrong', async () => {
    const { error } = await save<ErrorView>(
      { name: 'Bent', protocol: { ...PROTOCOL, elbow: 270 }, version: 2 },
      400,
    );
    expect(error.fields![0]!.path).toMatch(/elbow/);
  });
});

it('a lifter logs and undoes their own test, and nobody else’s; another club sees none', async () => {
  const lifter = await Coach.signIn(api, DEMO_LIFTER);
  const own = ids.get(DEMO_LIFTER.name)!;
  const id = randomUUID();
  await lifter.send('put', `/lifters/${own}/squeeze-tests/${id}`, test(), 200);
  await lifter.send('put', `/lifters/${ids.get('Noor Haddad')}/squeeze-tests/${randomUUID()}`, test(), 404);
  await lifter.send('put', `/squeeze-tests/${id}/easing`, { declined: true }, 403);
  const foreign = await Coach.signIn(api, await addForeignCoach(api));
  await foreign.get(`/lifters/${own}/squeeze`, 404);
  await foreign.send('delete', `/squeeze-tests/${id}`, undefined, 404);
  await lifter.send('delete', `/squeeze-tests/${id}`, undefined, 204);
});
