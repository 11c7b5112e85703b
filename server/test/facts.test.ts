import {
  FACT_SOURCES,
  HOLD_KINDS,
  mixedLedger,
  SLIP_SIGNS,
  type FactGroup,
  type HoldKindId,
} from '@iron-clasp/core';
import { slipOf, type CallsView, type RackView, type SheetView } from '@iron-clasp/contract';
import type { HoldSetting } from '../src/records/hold-settings/hold-setting.entity.ts';
import { CallsService } from '../src/advice/calls/calls.service.ts';
import { holdRequest } from '../src/advice/holds/hold-prescriber.ts';
import { weekOf } from '../src/evidence/holds/grip-events.ts';
import { LifterTodayService, type LifterProfile } from '../src/evidence/lifter-today/lifter-today.service.ts';
import { SessionFactsService, type SessionFacts } from '../src/evidence/session/session-facts.service.ts';
import { Coach, startApi, type Api } from './api.test-helper.ts';

interface Reference {
  readonly components: { readonly schemas: Record<string, { readonly properties: object }> };
}

let api: Api;
let coach: Coach;
/** The demo's lifters as calls see them, and a session of each. */
const profiles: LifterProfile[] = [];
const sessions: SessionFacts[] = [];
let calls: CallsView;
beforeAll(async () => {
  api = await startApi();
  coach = await Coach.signIn(api);
  const [club] = (await api.db.query('SELECT id, time_zone AS "timeZone" FROM club LIMIT 1')) as [
    { id: string; timeZone: string },
  ];
  for (const { id } of (await coach.get<RackView>('/lifters')).lifters) {
    profiles.push(await api.app.get(LifterTodayService, { strict: false }).profile(club, id));
    const { nextSessionId } = await coach.get<SheetView>(`/lifters/${id}/sheet`);
    if (!nextSessionId) continue;
    sessions.push(await api.app.get(SessionFactsService, { strict: false }).of(club, nextSessionId));
    calls ??= await coach.get<CallsView>(`/sessions/${nextSessionId}/calls`);
  }
});
afterAll(() => api.close());

/** Facts that the table says are supplied, and those it says are not. */
function facts(group: FactGroup): { supplied: string[]; notYet: string[] } {
  const all = Object.entries(FACT_SOURCES[group]);
  return {
    supplied: all.flatMap(([fact, source]) => (source === 'notYet' ? [] : [fact])).sort(),
    notYet: all.flatMap(([fact, source]) => (source === 'notYet' ? [fact] : [])),
  };
}

/** Fields that at least one of the records has a value in. */
const given = (records: readonly object[]): string[] =>
  [
    ...new Set(
      records.flatMap((each) =>
        Object.entries(each).flatMap(([field, value]) => (value === undefined ? [] : [field])),
      ),
    ),
  ].sort();

it('a fact that a person enters has its field in a request', async () => {
  const { components } = await coach.get<Reference>('/docs/openapi.json');
  const fields = Object.values(FACT_SOURCES).flatMap((group) =>
    Object.values(group).flatMap((source) =>
      typeof source === 'object' && 'entered' in source ? [source.entered] : [],
    ),
  );
  expect(fields.length).toBeGreaterThan(20);
  const missing = fields.filter((each) => {
    const [request, field] = each.split('.') as [string, string];
    return !(field in (components.schemas[request]?.properties ?? {}));
  });
  expect(missing).toEqual([]);
});

it('calls are given every fact of the table, and none that it says is not yet supplied', () => {
  const service = api.app.get(CallsService, { strict: false });
  const lifters = sessions.map((session) => service.contextOf(session).lifter);
  expect(lifters.length).toBeGreaterThan(3);
  expect(given(lifters)).toEqual(facts('call').supplied);
});

const SETTING: HoldSetting = {
  ...{ id: 'x', clubId: 'x', lifterId: 'x', kind: 'behindBackHold', aim: 'medleys', version: 1 },
  ...{ effort: { kind: 'nearLimit', probability: 0.7 }, ceiling: 250, pinHeight: 600 },
  target: { load: 200, on: '2026-12-24' },
};

it('so are prescribed holds', () => {
  const requests = sessions.flatMap((session) =>
    HOLD_KINDS.map((kind: HoldKindId, i) =>
      holdRequest(
        {
          ...{ kind, profile: session.profile, kit: session.kit, curve: session.curve },
          club: { id: session.profile.lifter.clubId, timeZone: 'Europe/Amsterdam' },
          // Every other one is held on the day of the meet, whose rules then bind it.
          on: (i % 2 === 1 && session.profile.nextMeet?.heldOn) || session.session.heldOn,
          ...{ ledger: mixedLedger([]), without: null, decision: null, setting: SETTING },
        },
        [],
        { hoursSinceHardHold: 48 },
      ),
    ),
  );
  expect(given(requests)).toEqual(facts('hold').supplied);
});

it('so are weeks of grip work', () => {
  expect(given(profiles.map((profile) => weekOf([], { profile, strapsOffOn: '2026-11-01' })))).toEqual(
    facts('week').supplied,
  );
});

it('so are the causes of slips', () => {
  const [set] = calls.sets;
  const slipped = { reps: 1, slippedAtRep: 1, grip: 'hook', chalk: 'block', confidence: 2, pain: 4 } as const;
  expect(given([slipOf(set!, { ...slipped, signs: SLIP_SIGNS }, 0.9)])).toEqual(facts('slip').supplied);
});
