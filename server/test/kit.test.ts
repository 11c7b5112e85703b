import { randomUUID } from 'node:crypto';
import type {
  CallsView,
  ErrorView,
  KitView,
  RackView,
  SessionPlanView,
  SheetView,
  VenueChoice,
  VenueView,
} from '@iron-clasp/contract';
import type { VenueKit } from '@iron-clasp/core';
import { addForeignCoach, Coach, startApi, type Api } from './api.test-helper.ts';

let api: Api;
let coach: Coach;
let home: VenueView;
beforeAll(async () => {
  api = await startApi();
  coach = await Coach.signIn(api);
  home = (await coach.get<KitView>('/kit')).venues.find((venue) => venue.kit.name === 'Rope works')!;
});
afterAll(() => api.close());

const bar = {
  id: randomUUID(),
  name: 'Old bar',
  mass: 20,
  diameter: 28.5,
  collars: 0,
  knurl: 'mild',
  brushEvery: 40,
} as const;
const SHED: VenueKit = {
  name: 'Boat shed',
  chalk: 'none',
  note: 'Salt air.',
  straps: ['loop'],
  has: ['rack'],
  bars: [bar],
  plates: [{ mass: 20, unit: 'kg', pairs: 3 }],
  handles: [{ id: randomUUID(), name: 'Thick handle', diameter: 60, mass: 4 }],
  grippers: [{ id: randomUUID(), name: 'Grey', resistance: null }],
  racks: [{ id: randomUUID(), name: 'Rack', pinHeights: [500, 550] }],
  dynamometers: [{ id: randomUUID(), name: 'Hand', settings: [{ name: '2', span: 48 }] }],
};
const put = <Answer = VenueView>(id: string, kit: unknown, version = 0, status = 200): Promise<Answer> =>
  coach.send<Answer>('put', `/venues/${id}`, { kit, version }, status);

it('names the venue first where most sessions are', async () => {
  const { venues } = await coach.get<KitView>('/kit');
  const busy: { name: string }[] = await api.db.query(
    `SELECT v.name FROM training_session t JOIN venue v ON v.id = t.venue_id
      WHERE t.held_on > '2026-09-01' GROUP BY v.name ORDER BY count(*) DESC`,
  );
  expect(venues[0]!.kit.name).toBe('Rope works');
  expect(busy[0]!.name).toBe('Rope works');
});

describe('the kit of a venue', () => {
  const id = randomUUID();

  it('is kept whole, and written again it changes nothing', async () => {
    const made = await put(id, SHED);
    expect(made).toMatchObject({ version: 1, archived: false, kit: SHED });
    expect(made.bars[0]).toMatchObject({ chalkedSets: 0, due: false, setsLeft: 40, brushedAt: null });
    expect((await put(id, SHED)).version).toBe(1);
    expect((await coach.get<VenueChoice[]>('/venues')).find((each) => each.id === id)).toMatchObject({
      bars: [{ name: 'Old bar' }],
    });
  });

  it('an editor who saw an older version is told so, and nothing is lost', async () => {
    expect((await put(id, { ...SHED, note: 'Salt air, cold.' }, 1)).version).toBe(2);
    const { error } = await put<ErrorView>(id, { ...SHED, note: 'Mine' }, 1, 409);
    expect(error.code).toBe('changed-meanwhile');
  });

  it('what is taken out leaves the list; an item of another venue is not taken over', async () => {
    const without = { ...SHED, handles: [], note: 'Salt air, cold.' };
    expect((await put(id, without, 2)).kit.handles).toEqual([]);
    const stolen = { ...without, bars: [bar, { ...home.kit.bars[0]!, name: 'Ours now' }] };
    expect((await put<ErrorView>(id, stolen, 3, 404)).error.code).toBe('not-found');
    const still = (await coach.get<KitView>('/kit')).venues.find((venue) => venue.id === home.id)!;
    expect(still.kit.bars[0]!.name).toBe(home.kit.bars[0]!.name);
  });

  it('what cannot be used is named', async () => {
    const wrong = { ...SHED, bars: [{ ...bar, diameter: 2.9 }] };
    const { error } = await put<ErrorView>(randomUUID(), wrong, 0, 400);
    expect(error.fields).toEqual([
      { path: 'kit.bars[0].diameter', message: expect.stringMatching(/15 to 90/) },
    ]);
    await put(randomUUID(), { ...SHED, bars: [{ ...bar, id: 'bar-1' }] }, 0, 400);
    await put(randomUUID(), null, 0, 400);
  });

  it('another club’s kit is not there', async () => {
    const foreign = await Coach.signIn(api, await addForeignCoach(api));
    expect(await foreign.get<KitView>('/kit')).toEqual({ venues: [], archived: [] });
    await foreign.send('put', `/venues/${id}`, { kit: SHED, version: 3 }, 404);
    await foreign.send('patch', `/venues/${id}/archive`, { archived: true, version: 3 }, 404);
    const brushing = { brushedAt: '2026-11-24T09:00:00Z' };
    await foreign.send('put', `/bars/${bar.id}/brushings/${randomUUID()}`, brushing, 404);
  });

  it('a venue is archived once nothing is ahead there', async () => {
    const refused = await coach.send<ErrorView>(
      'patch',
      `/venues/${home.id}/archive`,
      { archived: true, version: home.version },
      409,
    );
    expect(refused.error).toMatchObject({
      code: 'venue-in-use',
      message: expect.stringMatching(/Move them/),
    });
    const aside = await coach.send<VenueView>(
      'patch',
      `/venues/${id}/archive`,
      { archived: true, version: 3 },
      200,
    );
    expect(aside.archived).toBe(true);
    expect((await coach.get<VenueChoice[]>('/venues')).some((each) => each.id === id)).toBe(false);
    await coach.send('patch', `/venues/${id}/archive`, { archived: false, version: 4 }, 200);
  });
});

describe('brushing', () => {
  it('comes due by chalked sets and starts afresh; sent again it is the same brushing', async () => {
    const used = home.bars.find((each) => each.chalkedSets > 0)!;
    const id = randomUUID();
    const brushing = { brushedAt: '2026-11-24T11:59:00Z' };
    for (let i = 0; i < 2; i++) await coach.send('put', `/bars/${used.id}/brushings/${id}`, brushing, 200);
    const after = (await coach.get<KitView>('/kit')).venues.find((venue) => venue.id === home.id)!;
    expect(after.bars.find((each) => each.id === used.id)).toMatchObject({
      chalkedSets: 0,
      due: false,
      brushedBy: 'Maren Solvik',
    });
    const [{ n }]: [{ n: number }] = await api.db.query(
      'SELECT count(*)::int AS n FROM bar_brushing WHERE id = $1',
      [id],
    );
    expect(n).toBe(1);
  });
});

describe('what a session takes from the kit', () => {
  let lifter: string;
  let session: string;
  beforeAll(async () => {
    lifter = (await coach.get<RackView>('/lifters')).lifters.find(
      (row) => row.name === 'Kofi Adeyemi-Lund',
    )!.id;
    session = (await coach.get<SheetView>(`/lifters/${lifter}/sheet`)).nextSessionId!;
  });

  it('another bar of the venue loads and grips otherwise, and the log says which it was', async () => {
    const axle = home.kit.bars.find((each) => each.name === 'Axle')!;
    const { session: head } = await coach.get<CallsView>(`/sessions/${session}/calls`);
    const moved = await coach.send<CallsView>(
      'patch',
      `/sessions/${session}`,
      { barId: axle.id, version: head.version },
      200,
    );
    expect(moved.session.bar).toEqual({ id: axle.id, name: 'Axle', mass: 15, diameter: 50 });
    const set = moved.sets[0]!;
    const logged = randomUUID();
    const body = { plannedSetId: set.id, load: 60, reps: 3, grip: 'doubleOverhand', strapped: false };
    await coach.send(
      'put',
      `/sessions/${session}/sets/${logged}`,
      { ...body, chalk: 'block', doneAt: '2026-11-24T11:59:30Z' },
      200,
    );
    const [row]: { bar_id: string; diameter: number }[] = await api.db.query(
      'SELECT bar_id, diameter FROM logged_set WHERE id = $1',
      [logged],
    );
    expect(row).toEqual({ bar_id: axle.id, diameter: 50 });
  });

  it('a bar of another venue is refused, and a move to another venue takes its first bar', async () => {
    const other = (await coach.get<KitView>('/kit')).venues.find(
      (venue) => venue.kit.name === 'Platform room',
    )!;
    const { session: head } = await coach.get<CallsView>(`/sessions/${session}/calls`);
    await coach.send(
      'patch',
      `/sessions/${session}`,
      { barId: other.kit.bars[0]!.id, version: head.version },
      404,
    );
    const moved = await coach.send<CallsView>(
      'patch',
      `/sessions/${session}`,
      { venueId: other.id, version: head.version },
      200,
    );
    expect(moved.session.bar.id).toBe(other.kit.bars[0]!.id);
  });

  it('what the venue cannot load or has not is said with the mend, on the plan and on the sheet', async () => {
    const hotel = (await coach.get<KitView>('/kit')).venues.find(
      (venue) => venue.kit.name === 'Harbour hotel gym',
    )!;
    const id = randomUUID();
    const plan = await coach.send<SessionPlanView>(
      'put',
      `/lifters/${lifter}/sessions/${id}`,
      {
        ...{ title: 'Away', heldOn: '2026-11-25', venueId: hotel.id, holds: [], version: 0 },
        lines: [
          { liftId: 'deadlift.conventional', text: 'top 1x1 @ 400kg' },
          { liftId: 'carry.handles', text: '2x30s @ 100' },
        ],
      },
      200,
    );
    expect(plan.faults.map((fault) => fault.ruleId)).toEqual(['kit.too-heavy', 'kit.missing']);
    const { sets } = await coach.get<CallsView>(`/sessions/${id}/calls`);
    expect(sets[0]!.fault).toMatchObject({ ruleId: 'kit.too-heavy', mend: expect.stringMatching(/borrow/) });
    // Handles are loaded as written, not from the bar's plates.
    expect(sets[1]!.loading).toEqual({ total: 100, perSide: [] });
  });
});
