import { randomUUID } from 'node:crypto';
import type { AddressInfo } from 'node:net';
import type { CallsView, KitView, RackView, SheetView, VenueChoice } from '@iron-clasp/contract';
import { chanceOf } from '../src/demo/random.ts';
import { addPerson, Coach, startApi, type Api } from './api.test-helper.ts';

/*
 * Every address of the API that its own reference names, with every body, question and page key: sound ones spoilt a little,
 * and nonsense. Whatever is sent, the server never fails, and what it kept it can show.
 */

/** Requests of one run. */
const REQUESTS = 5_000;
/** Of these, looks at pages that work out half a season. */
const MOST_PAGES = 150;
const DEAR = /(holds|compare|curve|months|back-test|grippers|squeeze)(\?|$)/;
/** Draws another run where it is told: a failure names the seed it was drawn with. */
const SEED = Number(process.env['IRON_CLASP_SEED'] ?? 12);

interface Schema {
  readonly $ref?: string;
  readonly type?: string;
  readonly enum?: readonly unknown[];
  readonly properties?: Record<string, Schema>;
  readonly required?: readonly string[];
  readonly items?: Schema;
  readonly minimum?: number;
  readonly maximum?: number;
  readonly format?: string;
  readonly allOf?: readonly Schema[];
  readonly oneOf?: readonly Schema[];
}

interface Operation {
  readonly parameters?: readonly { readonly name: string; readonly in: 'path' | 'query' }[];
  readonly requestBody?: { readonly content: { readonly 'application/json': { readonly schema: Schema } } };
}

interface Reference {
  readonly paths: Record<string, Record<string, Operation>>;
  readonly components: { readonly schemas: Record<string, Schema> };
}

let api: Api;
let coach: Coach;
let base: string;
let reference: Reference;
const ids: string[] = [];
/** Ids by what an address calls them. */
const known: Record<string, string[]> = { lifters: [], sessions: [], venues: [], bars: [] };
beforeAll(async () => {
  api = await startApi();
  // Half a year of logs is fitted anew with every answer: three weeks are as good for this, and quicker.
  await api.db.query(`DELETE FROM logged_set WHERE training_day < '2026-11-02'`);
  await api.app.listen(0, '127.0.0.1');
  base = `http://127.0.0.1:${(api.app.getHttpServer().address() as AddressInfo).port}`;
  coach = await Coach.signIn(api);
  reference = await coach.get<Reference>('/docs/openapi.json');
  const { lifters } = await coach.get<RackView>('/lifters');
  for (const { id } of lifters.slice(0, 3)) {
    const { nextSessionId } = await coach.get<SheetView>(`/lifters/${id}/sheet`);
    const { sets } = await coach.get<CallsView>(`/sessions/${nextSessionId}/calls`);
    ids.push(id, nextSessionId!, sets[0]!.id);
    known['lifters']!.push(id);
    known['sessions']!.push(nextSessionId!);
  }
  const [venue] = await coach.get<VenueChoice[]>('/venues');
  const kit = await coach.get<KitView>('/kit');
  known['venues']!.push(venue!.id);
  known['bars']!.push(venue!.bars[0]!.id);
  ids.push(venue!.id, venue!.bars[0]!.id, kit.venues.flatMap((each) => each.kit.grippers)[0]!.id);
});
afterAll(() => api.close());

const chance = chanceOf(`fuzz ${SEED}`);
const below = (n: number): number => Math.floor(n * chance.uniform());
const pick = <Item>(from: readonly Item[]): Item => from[below(from.length)]!;
const often = (share: number): boolean => below(1000) < 1000 * share;

const NASTY_TEXTS = [
  ...[
    '',
    ' ',
    '\0',
    'a\0b',
    '\ud800',
    '\udc00x',
    '💪'.repeat(70),
    '%',
    "'; DROP TABLE lifter; --",
    '\\',
    '../..',
  ],
  ...[
    '2026-W48-2',
    '2026-330',
    '2926-01-01',
    '-000001-01-01',
    '2026-02-30',
    '2026-11-24T25:00:00Z',
    'infinity',
  ],
  ...['__proto__', 'constructor', 'toString', 'NaN', '1e400', 'x'.repeat(5_000), '\u202e', '٣'],
];
const NASTY = [
  ...[null, true, [], {}, [[]], [null], -1, 0, 0.1, 2 ** 31, 2 ** 53, -(2 ** 31) - 1, 1e308, 1e-320],
  ...[{ __proto__: 1 }, { length: 9 }, [[[[[[]]]]]], { id: null }],
];
const nonsense = (): unknown => (often(0.5) ? pick(NASTY_TEXTS) : pick(NASTY));

/** A value that the schema takes, as well as it tells. */
function sound(schema: Schema | undefined, name: string, depth = 0): unknown {
  if (!schema) return nonsense();
  const parts = schema.allOf ?? schema.oneOf;
  if (parts?.length) return sound(parts[0]!, name, depth);
  if (schema.$ref) return sound(reference.components.schemas[schema.$ref.split('/').at(-1)!]!, name, depth);
  if (schema.enum) return pick(schema.enum);
  if (schema.type === 'boolean') return often(0.5);
  if (schema.type === 'number' || schema.type === 'integer') {
    const low = schema.minimum ?? 0;
    const high = Math.min(schema.maximum ?? 100, low + 200);
    const value = name === 'version' ? below(3) : low + below(Math.max(1, Math.floor(high - low)));
    return value;
  }
  if (schema.type === 'array' || schema.items) {
    const items = schema.items ?? {};
    return Array.from({ length: 1 + below(2) }, () => sound(items, name, depth + 1));
  }
  if (schema.properties && depth < 6) {
    return Object.fromEntries(
      Object.entries(schema.properties)
        .filter(([key]) => schema.required?.includes(key) || often(0.6))
        .map(([key, each]) => [key, sound(each, key, depth + 1)]),
    );
  }
  return soundText(schema, name);
}

function soundText(schema: Schema, name: string): unknown {
  if (schema.format === 'uuid' || /Ids?$|^id$/.test(name)) return often(0.8) ? pick(ids) : randomUUID();
  if (/At$/.test(name)) return `2026-11-${10 + below(15)}T1${below(10)}:00:00Z`;
  if (/On$|^to$|^since$|^on$|Since$/.test(name)) return `2026-1${below(3)}-${10 + below(18)}`;
  if (name === 'text') return pick(['3x5 @ 75%', 'ramp top 2x1 @ 91%', '2x30s @ 60', '3x5 @ 2 left']);
  if (name === 'email') return `somebody-${below(1000)}@elsewhere.example`;
  return pick(['Somebody', 'deadlift.conventional', 'because it holds', 'powerlifting', 'overhand-first']);
}

/** Spoils a sound body somewhere. */
function spoil(value: unknown): unknown {
  if (often(0.15) || typeof value !== 'object' || value === null) return nonsense();
  if (Array.isArray(value)) {
    const at = below(value.length || 1);
    return often(0.2) ? [...value, nonsense()] : value.map((each, i) => (i === at ? spoil(each) : each));
  }
  const keys = Object.keys(value);
  if (often(0.1) || keys.length === 0) return { ...value, [pick(NASTY_TEXTS) || 'extra']: nonsense() };
  const key = pick(keys);
  if (often(0.1)) return Object.fromEntries(Object.entries(value).filter(([each]) => each !== key));
  return { ...value, [key]: spoil((value as Record<string, unknown>)[key]) };
}

const key = (value: unknown): string => Buffer.from(JSON.stringify(value)).toString('base64url');
/** How often an address names what is there: a read that works out half a year is worth asking, but not each time. */
const REAL = { read: 0.1, write: 0.45 };
const parameter = (method: string, name: string, where: 'path' | 'query', of = ''): string => {
  if (known[of] && often(REAL[method === 'get' ? 'read' : 'write'])) return pick(known[of]);
  if (where === 'query' && often(0.5))
    return pick([
      key(['2026-11-20T10:00:00.000Z', pick(ids)]),
      key(['nonsense', pick(ids)]),
      key(nonsense()),
    ]);
  if (name === 'day') return often(0.7) ? `2026-1${below(3)}-1${below(10)}` : String(nonsense());
  if (name === 'place' || name === 'version') return often(0.5) ? String(below(4)) : String(nonsense());
  return often(0.4) ? pick(ids) : often(0.5) ? randomUUID() : String(nonsense());
};

interface Sent {
  readonly method: string;
  readonly path: string;
  readonly body: string | undefined;
}

function draw(): Sent {
  const [path, methods] = pick(Object.entries(reference.paths));
  const [method, operation] = pick(Object.entries(methods));
  const own = operation.parameters ?? [];
  const escaped = (text: string): string =>
    encodeURIComponent(/[\ud800-\udfff]/u.test(text) ? 'x' : text) || '%00';
  const filled = path.replace(
    /(\w+)\/\{(\w+)\}/g,
    (_, of: string, name: string) => `${of}/${escaped(parameter(method, name, 'path', of))}`,
  );
  const questions = [
    ...own.filter((each) => each.in === 'query').map((each) => each.name),
    'before',
    'find',
    'grip',
  ]
    .filter(() => often(0.25))
    .map((name) => `${name}=${escaped(parameter(method, name, 'query'))}`);
  const schema = operation.requestBody?.content['application/json']?.schema;
  const body = schema && sound(schema, '');
  const text = schema && JSON.stringify(often(0.75) ? spoil(body) : body);
  return { method, path: `${filled}${questions.length ? `?${questions.join('&')}` : ''}`, body: text };
}

/** The cookie that the agent keeps. */
const cookieOf = (): string =>
  coach.agent.jar
    .getCookies({ domain: '127.0.0.1', path: '/', secure: false, script: false })
    .toValueString();

async function send({ method, path, body }: Sent): Promise<number> {
  const over = new AbortController();
  const answer = await fetch(base + path, {
    method: method.toUpperCase(),
    signal: over.signal,
    headers: {
      cookie: cookieOf(),
      'x-iron-clasp-token': coach.token,
      ...(body !== undefined && { 'content-type': 'application/json' }),
    },
    ...(body !== undefined && { body }),
  });
  // A stream is looked at no further than its head.
  if (answer.headers.get('content-type')?.startsWith('text/event-stream')) over.abort();
  else await answer.arrayBuffer();
  return answer.status;
}

it(`${REQUESTS} requests, sound, spoilt and nonsense, are never answered by a fault`, async () => {
  const faults: string[] = [];
  const statuses = new Map<number, number>();
  let [heavy, pages] = [0, 0];
  for (let i = 0; i < REQUESTS; i++) {
    let sent = draw();
    // The dearest pages are asked for often enough, and others in their place.
    while (sent.method === 'get' && DEAR.test(sent.path) && ++pages > MOST_PAGES) sent = draw();
    // What an account may ask for so often is left enough of for the look at the end; and a day is the dearest page.
    if (
      /club\/(attention|curves|back-test|block-effect)|schools\/evidence|api\/today|\/export|api\/club(\?|$)/.test(
        sent.path,
      ) &&
      ++heavy > 20
    )
      continue;
    // Signing out, or away whom the rest is about, would end the run early.
    if (/^\/api\/session(\?|$)/.test(sent.path) && sent.method === 'delete') continue;
    const status = await send(sent);
    statuses.set(status, (statuses.get(status) ?? 0) + 1);
    if (status >= 500) faults.push(`${status} ${sent.method} ${sent.path} ${sent.body?.slice(0, 300) ?? ''}`);
  }
  // A run that only met refusals would prove little.
  expect(statuses.get(200) ?? 0).toBeGreaterThan(REQUESTS / 20);
  expect([...new Set(faults)].slice(0, 40)).toEqual([]);
  // What was kept on the way can be read: no row fails a list. By somebody who has asked for nothing yet in this minute.
  const reader = await Coach.signIn(api, await addPerson(api, 'coach'));
  for (const { id } of (await reader.get<RackView>('/lifters')).lifters)
    for (const page of [
      'sheet',
      'profile',
      'holds',
      'curve',
      'curve/back-test',
      'hands',
      'squeeze',
      'grippers',
      'log',
      'compare',
    ])
      await reader.get(`/lifters/${id}/${page}`);
  for (const page of [
    '/kit',
    '/schools',
    '/schools/evidence',
    '/club/attention',
    '/club/back-test',
    '/club/block-effect',
    '/today',
    '/lifters/today',
    '/venues',
  ])
    await reader.get(page);
}, 600_000);
