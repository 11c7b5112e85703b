import { Ajv2020 } from 'ajv/dist/2020.js';
import type { CallsView, KitView, RackView, SheetView } from '@iron-clasp/contract';
import { Coach, startApi, type Api } from './api.test-helper.ts';

interface Answer {
  readonly content?: { readonly 'application/json'?: { readonly schema?: object } };
}
interface Operation {
  readonly parameters?: readonly {
    readonly name: string;
    readonly in: string;
    readonly required?: boolean;
  }[];
  readonly responses: Record<string, Answer>;
}
interface Reference {
  readonly paths: Record<string, Record<string, Operation>>;
  readonly components: { readonly schemas: Record<string, object> };
}

let api: Api;
let coach: Coach;
let reference: Reference;
beforeAll(async () => {
  api = await startApi();
  // Some months are answered as two years are; back-tests of all of them would take most of the time.
  await api.db.query(`DELETE FROM logged_set WHERE training_day < '2026-08-24'`);
  coach = await Coach.signIn(api);
  reference = await coach.get<Reference>('/docs/openapi.json');
});
afterAll(() => api.close());

describe('the API’s reference', () => {
  it('describes the bodies it takes by their own rules, and its errors', async () => {
    const { components, paths } = (await coach.agent.get('/api/docs/openapi.json').expect(200)).body;
    expect(components.schemas.LogHoldRequest.properties.seconds).toMatchObject({
      type: 'number',
      minimum: 0,
      maximum: 600,
    });
    expect(components.schemas.LogHoldRequest.required).toEqual(
      expect.arrayContaining(['load', 'seconds', 'ended']),
    );
    const log = paths['/api/sessions/{session}/holds/{id}'].put;
    expect(log.requestBody.content['application/json'].schema).toEqual({
      $ref: '#/components/schemas/LogHoldRequest',
    });
    expect(log.responses.default.content['application/json'].schema).toEqual({
      $ref: '#/components/schemas/Problem',
    });
    await coach.agent.get('/api/docs').expect(200);
  });

  it('says of every operation what it answers, and refers to nothing that is not in it', () => {
    const silent = Object.entries(reference.paths).flatMap(([path, methods]) =>
      Object.entries(methods)
        .filter(([, { responses }]) => {
          const [status, answer] = Object.entries(responses)[0]!;
          // A file is described by its kind.
          return status !== '204' && !Object.values(answer.content ?? {})[0]?.schema;
        })
        .map(([method]) => `${method} ${path}`),
    );
    // Streams of events, which OpenAPI has no words for.
    expect(silent).toEqual(['get /api/club/curves', 'get /api/live/{sessions}']);
    const named = [...JSON.stringify(reference).matchAll(/"#\/components\/schemas\/([^"]+)"/g)].map(
      ([, name]) => decodeURIComponent(name!),
    );
    expect(named.filter((name) => !(name in reference.components.schemas))).toEqual([]);
  });

  it('describes what is answered: every address that is read, for lifters of every sort', async () => {
    const ajv = new Ajv2020({ strict: false, allErrors: true, validateFormats: false });
    ajv.addSchema({ $id: 'reference', components: reference.components });
    const { lifters } = await coach.get<RackView>('/lifters');
    const kit = await coach.get<KitView>('/kit');
    const wrong: string[] = [];
    const validators = new Map<string, ReturnType<typeof ajv.compile>>();
    const read = new Set<string>();
    for (const lifter of lifters.filter((_, i) => i % 4 === 0)) {
      const { nextSessionId } = await coach.get<SheetView>(`/lifters/${lifter.id}/sheet`);
      const session = nextSessionId!;
      const { sets } = await coach.get<CallsView>(`/sessions/${session}/calls`);
      const ids: Record<string, string> = { lifter: lifter.id, session, set: sets[0]!.id };
      for (const [path, { get }] of Object.entries(reference.paths)) {
        if (!get) continue;
        const { schema } = Object.values(get.responses)[0]!.content?.['application/json'] ?? {};
        if (!schema) continue;
        const isLifter = path.startsWith('/api/lifters/{id}');
        const address = path
          .replace('/api', '')
          .replace('{id}', isLifter ? lifter.id : path.includes('venues') ? kit.venues[0]!.id : session)
          .replace(/\{(\w+)\}/g, (_, name: string) => ids[name] ?? `{${name}}`);
        if (address.includes('{') || address.startsWith('/shared') || address.startsWith('/invitations'))
          continue;
        const { status, body } = await coach.agent.get(`/api${address}`);
        if (status !== 200) continue;
        read.add(path);
        const validate =
          validators.get(path) ??
          ajv.compile({
            ...JSON.parse(JSON.stringify(schema).replaceAll('"#/components', '"reference#/components')),
          });
        validators.set(path, validate);
        if (!validate(body))
          wrong.push(
            ...validate
              .errors!.slice(0, 3)
              .map(
                ({ instancePath, message, params }) =>
                  `${path}${instancePath} ${message} ${JSON.stringify(params)}`,
              ),
          );
      }
    }
    expect(wrong).toEqual([]);
    // Two dozen addresses are read, or the test has lost its way.
    expect(read.size).toBeGreaterThan(24);
  }, 120_000);
});
