import { randomUUID } from 'node:crypto';
import type {
  CallsView,
  ErrorView,
  HandsCheckView,
  HandsHistoryView,
  RackView,
  SheetView,
} from '@iron-clasp/contract';
import { SOUND_HAND, type HandsToday } from '@iron-clasp/core';
import { addForeignCoach, Coach, startApi, type Api } from './api.test-helper.ts';

let api: Api;
let coach: Coach;
let lifter: string;
let session: string;
beforeAll(async () => {
  api = await startApi();
  coach = await Coach.signIn(api);
  const { lifters } = await coach.get<RackView>('/lifters');
  lifter = lifters.find((row) => row.name === 'Odalys Brandt')!.id;
  session = (await coach.get<SheetView>(`/lifters/${lifter}/sheet`)).nextSessionId!;
});
afterAll(() => api.close());

const TORN: HandsToday = { left: { ...SOUND_HAND, palm: 'torn', pain: 4 }, right: SOUND_HAND };
const put = <Answer = HandsCheckView>(id: string, body: object, status = 200): Promise<Answer> =>
  coach.send<Answer>('put', `/lifters/${lifter}/hands-checks/${id}`, body, status);

describe('a hands check', () => {
  const id = randomUUID();
  const body = { hands: TORN, checkedAt: '2026-11-24T11:30:00Z' };

  it('changes the calls at once and says which', async () => {
    const { changed } = await put(id, body);
    expect(changed.length).toBeGreaterThan(0);
    for (const each of changed) {
      expect(each.after).not.toBe(each.before);
      expect(each.after).toMatch(/^straps|^leave it out/);
    }
    const { sets } = await coach.get<CallsView>(`/sessions/${session}/calls`);
    expect(sets.find((set) => set.role === 'top')!.call.choice).toBe('straps');
    const rack = await coach.get<RackView>('/lifters');
    expect(rack.lifters.find((row) => row.id === lifter)!.flag).toMatchObject({ level: 'stop' });
  });

  it('is kept once, with who looked, before the earlier ones', async () => {
    await Promise.all([put(id, body), put(id, body)]);
    const { now, checkedOn, stale, checks } = await coach.get<HandsHistoryView>(`/lifters/${lifter}/hands`);
    expect({ now, checkedOn, stale }).toEqual({ now: TORN, checkedOn: '2026-11-24', stale: false });
    // Once, though it was sent twice.
    expect(checks.filter((each) => each.id === id)).toHaveLength(1);
    expect(checks[0]).toMatchObject({ id, by: 'Maren Solvik', on: '2026-11-24' });
    expect(
      (await put<ErrorView>(id, { ...body, hands: { ...TORN, right: TORN.left } }, 409)).error.code,
    ).toBe('kept-differently');
  });

  it('of the same day the later one counts', async () => {
    await put(randomUUID(), {
      hands: { left: SOUND_HAND, right: SOUND_HAND },
      checkedAt: '2026-11-24T11:45:00Z',
    });
    const { now } = await coach.get<HandsHistoryView>(`/lifters/${lifter}/hands`);
    expect(now.left).toEqual(SOUND_HAND);
  });

  it('refuses what it does not know', async () => {
    const odd = { left: { ...SOUND_HAND, mood: 'fine' }, right: SOUND_HAND };
    const wrong = { hands: odd, checkedAt: '2026-11-24T11:50:00Z' };
    const { error } = await put<ErrorView>(randomUUID(), wrong, 400);
    expect(error.fields![0]!.path).toBe('hands.left.mood');
  });

  it.each([
    [{ hands: { left: SOUND_HAND }, checkedAt: '2026-11-24T11:30:00Z' }, /hands\.right/],
    [
      { hands: { ...TORN, left: { ...SOUND_HAND, pain: 11 } }, checkedAt: '2026-11-24T11:30:00Z' },
      /left\.pain/,
    ],
    [{ hands: TORN, checkedAt: 'noon' }, /checkedAt/],
    [{ hands: TORN, checkedAt: '2027-11-24T11:30:00Z' }, /checkedAt/],
    [{ hands: 'sore', checkedAt: '2026-11-24T11:30:00Z' }, /hands/],
  ])('names what is wrong with %j', async (wrong, path) => {
    const { error } = await put<ErrorView>(randomUUID(), wrong, 400);
    expect(error.fields![0]!.path).toMatch(path);
  });

  it('of another club’s lifter is neither seen nor kept', async () => {
    const foreign = await Coach.signIn(api, await addForeignCoach(api));
    await foreign.get(`/lifters/${lifter}/hands`, 404);
    await foreign.send('put', `/lifters/${lifter}/hands-checks/${randomUUID()}`, body, 404);
  });
});
