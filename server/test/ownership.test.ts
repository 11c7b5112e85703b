import { randomUUID } from 'node:crypto';
import { SCHOOLS, SOUND_HAND } from '@iron-clasp/core';
import type { CallsView, ErrorView, KitView, RackView, SheetView, VenueChoice } from '@iron-clasp/contract';
import { addForeignCoach, Coach, startApi, type Api } from './api.test-helper.ts';

let api: Api;
let coach: Coach;
let foreign: Coach;
/** What the requests below name: all of it the coach's own. */
const own = { lifter: '', session: '', set: '', venue: '', bar: '', gripper: '' };
/** The same of another club. */
const theirs = { lifter: '', venue: '', bar: '' };

const AT = '2026-11-24T11:00:00Z';
const HANDS = { left: SOUND_HAND, right: SOUND_HAND };
const PROTOCOL = { handle: 2, elbow: 90, posture: 'seated', handOrder: 'alternating', trials: 3, rest: 60 };
const person = (name: string): object => ({ name, sport: 'powerlifting', deadliftMax: 150 });

beforeAll(async () => {
  api = await startApi();
  coach = await Coach.signIn(api);
  foreign = await Coach.signIn(api, await addForeignCoach(api));
  own.lifter = (await coach.get<RackView>('/lifters')).lifters.find((row) => row.name === 'Teodor Vance')!.id;
  own.session = (await coach.get<SheetView>(`/lifters/${own.lifter}/sheet`)).nextSessionId!;
  const calls = await coach.get<CallsView>(`/sessions/${own.session}/calls`);
  own.set = calls.sets.find((set) => set.done === null)!.id;
  const [venue] = await coach.get<VenueChoice[]>('/venues');
  own.venue = venue!.id;
  own.bar = venue!.bars[0]!.id;
  own.gripper = (await coach.get<KitView>('/kit')).venues.flatMap(({ kit }) => kit.grippers)[0]!.id;
  theirs.lifter = randomUUID();
  await foreign.send('put', `/lifters/${theirs.lifter}`, { ...person('Somebody'), version: 0 }, 200);
  theirs.venue = randomUUID();
  theirs.bar = randomUUID();
  await foreign.send('put', `/venues/${theirs.venue}`, { version: 0, kit: kitOf('Theirs', theirs.bar) }, 200);
});
afterAll(() => api.close());

function kitOf(name: string, bar: string): object {
  return {
    ...{ name, chalk: 'block', note: '', straps: null, has: null, plates: [], handles: [], grippers: [] },
    ...{ racks: [], dynamometers: [] },
    bars: [{ id: bar, name: 'Bar', mass: 20, diameter: 29, collars: 0, knurl: 'medium', brushEvery: 150 }],
  };
}

/** How one noun is written under a client-made id, and what another content would be. */
interface Noun {
  readonly path: (id: string) => string;
  /** The same request as somebody of another club would send it about their own things, at the coach's id. */
  readonly stolen?: (id: string) => string;
  readonly body: (seen: number) => object;
  readonly other: object;
  /** What the body names that has to be theirs, for the other club's request to be sound in itself. */
  readonly theirs?: () => object;
  readonly versioned: boolean;
  readonly remove?: (id: string) => string;
}

const NOUNS: Record<string, Noun> = {
  lifter: {
    path: (id) => `/lifters/${id}`,
    body: (version) => ({ ...person('New here'), version }),
    other: { name: 'Other' },
    versioned: true,
  },
  session: {
    path: (id) => `/lifters/${own.lifter}/sessions/${id}`,
    stolen: (id) => `/lifters/${theirs.lifter}/sessions/${id}`,
    body: (version) => ({
      ...{ title: 'Singles', heldOn: '2027-02-02', venueId: own.venue, holds: [], version },
      lines: [{ liftId: 'deadlift.conventional', text: '2x1 @ 90%' }],
    }),
    other: { title: 'Doubles' },
    theirs: () => ({ venueId: theirs.venue }),
    versioned: true,
    remove: (id) => `/sessions/${id}?version=1`,
  },
  meet: {
    path: (id) => `/lifters/${own.lifter}/meets/${id}`,
    stolen: (id) => `/lifters/${theirs.lifter}/meets/${id}`,
    body: (version) => ({
      ...{ name: 'Cup', heldOn: '2027-03-06', straps: false, thumbTape: true, liquidChalk: true, version },
      attempts: [200, 210],
    }),
    other: { name: 'Bowl' },
    versioned: true,
    remove: (id) => `/lifters/${own.lifter}/meets/${id}`,
  },
  venue: {
    path: (id) => `/venues/${id}`,
    body: (version) => ({ version, kit: kitOf('Shed', BAR) }),
    other: { kit: kitOf('Barn', randomUUID()) },
    theirs: () => ({ kit: kitOf('Shed', randomUUID()) }),
    versioned: true,
  },
  school: {
    path: (id) => `/schools/${id}`,
    body: (version) => ({ basedOn: SCHOOLS[0]!.id, version, school: SCHOOLS[0]! }),
    other: { school: { ...SCHOOLS[0]!, name: 'Ours' } },
    versioned: true,
  },
  plan: {
    path: (id) => `/library/${id}`,
    body: (version) => ({ title: 'Heavy', version, from: { sessionId: own.session } }),
    other: { title: 'Light' },
    versioned: true,
    remove: (id) => `/library/${id}?version=1`,
  },
  protocol: {
    path: (id) => `/squeeze-protocols/${id}`,
    body: (version) => ({ name: 'Standing', protocol: { ...PROTOCOL, posture: 'standing' }, version }),
    other: { name: 'Upright' },
    versioned: true,
  },
  block: {
    path: (id) => `/lifters/${own.lifter}/hold-blocks/${id}`,
    stolen: (id) => `/lifters/${theirs.lifter}/hold-blocks/${id}`,
    body: (version) => ({ kind: 'deadHang', startsOn: '2027-04-05', weeks: 3, sessionsAWeek: 1, version }),
    other: { weeks: 4 },
    versioned: true,
    remove: (id) => `/hold-blocks/${id}`,
  },
  'hands check': {
    path: (id) => `/lifters/${own.lifter}/hands-checks/${id}`,
    stolen: (id) => `/lifters/${theirs.lifter}/hands-checks/${id}`,
    body: () => ({ hands: HANDS, checkedAt: AT }),
    other: { hands: { ...HANDS, left: { ...SOUND_HAND, pain: 2 } } },
    versioned: false,
  },
  brushing: {
    path: (id) => `/bars/${own.bar}/brushings/${id}`,
    stolen: (id) => `/bars/${theirs.bar}/brushings/${id}`,
    body: () => ({ brushedAt: AT }),
    other: { brushedAt: '2026-11-24T11:30:00Z' },
    versioned: false,
  },
  'squeeze test': {
    path: (id) => `/lifters/${own.lifter}/squeeze-tests/${id}`,
    stolen: (id) => `/lifters/${theirs.lifter}/squeeze-tests/${id}`,
    body: () => ({ protocol: PROTOCOL, trials: [{ hand: 'left', force: 50 }], source: 'hand', testedAt: AT }),
    other: { trials: [{ hand: 'left', force: 55 }] },
    versioned: false,
    remove: (id) => `/squeeze-tests/${id}`,
  },
  attempt: {
    path: (id) => `/lifters/${own.lifter}/gripper-attempts/${id}`,
    body: () => ({ gripperId: own.gripper, hand: 'left', depth: 'open', closed: true, doneAt: AT }),
    other: { closed: false },
    versioned: false,
    remove: (id) => `/gripper-attempts/${id}`,
  },
  override: {
    path: (id) => `/sessions/${own.session}/overrides/${id}`,
    body: () => ({ plannedSetIds: [own.set], choice: 'doubleOverhand', reason: 'Hands need it.' }),
    other: { reason: 'Another reason.' },
    versioned: false,
    remove: (id) => `/sessions/${own.session}/overrides/${id}`,
  },
  set: {
    path: (id) => `/sessions/${own.session}/sets/${id}`,
    body: () => ({
      ...{ plannedSetId: own.set, load: 60, reps: 3, grip: 'doubleOverhand', strapped: false },
      ...{ chalk: 'block', doneAt: AT },
    }),
    other: { load: 62.5 },
    versioned: false,
    remove: (id) => `/sets/${id}`,
  },
  hold: {
    path: (id) => `/sessions/${own.session}/holds/${id}`,
    body: () => ({
      ...{ kind: 'frontRackHold', load: 120, seconds: 10, target: 10, ended: 'stopped' },
      ...{ grip: 'doubleOverhand', chalk: 'block', doneAt: AT },
    }),
    other: { load: 130 },
    versioned: false,
    remove: (id) => `/holds/${id}`,
  },
};
const BAR = randomUUID();

describe.each(Object.entries(NOUNS))('a %s', (_name, noun) => {
  const id = randomUUID();
  const put = <Answer = unknown>(body: object, status: number, who = coach, at = id): Promise<Answer> =>
    who.send<Answer>('put', noun.path(at), body, status);

  it('is written once under its client-made id, however often it is sent', async () => {
    await put(noun.body(0), 200);
    await put(noun.body(0), 200);
    // Two at once: neither is told of a conflict where nothing differs.
    const fresh = randomUUID();
    if (noun.versioned && _name !== 'block' && _name !== 'venue')
      await Promise.all([put(noun.body(0), 200, coach, fresh), put(noun.body(0), 200, coach, fresh)]);
  });

  it('is not there for another club, for any verb', async () => {
    await put(noun.body(0), 404, foreign);
    await put(noun.body(1), 404, foreign);
    if (noun.stolen) await foreign.send('put', noun.stolen(id), { ...noun.body(1), ...noun.theirs?.() }, 404);
    if (noun.remove) await foreign.send('delete', noun.remove(id), undefined, 404);
  });

  it('with other content is refused, and what was there stays', async () => {
    const { error } = await put<ErrorView>({ ...noun.body(0), ...noun.other }, 409);
    expect(error.code).toBe(noun.versioned ? 'changed-meanwhile' : 'kept-differently');
  });

  it('that nobody wrote is not there', async () => {
    if (noun.versioned) await put(noun.body(4), 404, coach, randomUUID());
    if (noun.remove) await coach.send('delete', noun.remove(randomUUID()), undefined, 404);
  });

  it('changed at an older version than there is, is refused', async () => {
    if (!noun.versioned) return expect(noun.versioned).toBe(false);
    await put({ ...noun.body(1), ...noun.other }, 200);
    await put({ ...noun.body(1), ...(_name === 'venue' ? { kit: kitOf('Hut', BAR) } : {}) }, 409);
  });

  it('once removed is not written again, and removing it again changes nothing', async () => {
    if (!noun.remove) return expect(noun.remove).toBeUndefined();
    const path = noun.remove(id).replace('version=1', 'version=2');
    const removed = await coach.agent.delete(`/api${path}`).set('x-iron-clasp-token', coach.token);
    expect([200, 204]).toContain(removed.status);
    const again = await coach.agent.delete(`/api${path}`).set('x-iron-clasp-token', coach.token);
    expect(again.status).toBe(removed.status);
    if (noun.versioned) await put({ ...noun.body(3), ...noun.other }, 404);
  });
});
