import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { brotliCompressSync, gzipSync } from 'node:zlib';
import supertest from 'supertest';
import { startApi, type Api } from './api.test-helper.ts';

let api: Api;
let webRoot: string;
beforeAll(async () => {
  webRoot = mkdtempSync(join(tmpdir(), 'iron-clasp-web-'));
  mkdirSync(join(webRoot, 'assets'));
  writeFileSync(join(webRoot, 'index.html'), '<!doctype html><title>Iron Clasp</title>');
  writeFileSync(join(webRoot, 'assets', 'main-abc123.js'), 'export {};');
  const code = 'export const said = "as the build compressed it";';
  writeFileSync(join(webRoot, 'assets', 'big-abc123.js'), code);
  writeFileSync(join(webRoot, 'assets', 'big-abc123.js.br'), brotliCompressSync(code));
  writeFileSync(join(webRoot, 'assets', 'big-abc123.js.gz'), gzipSync(code));
  api = await startApi({ webRoot });
});
afterAll(async () => {
  await api.close();
  rmSync(webRoot, { recursive: true });
});

const get = (path: string): supertest.Test =>
  supertest(api.app.getHttpServer()).get(path).set('accept', 'text/html');

describe('the web application is served', () => {
  it.each(['/', '/lifters/c94dcc90-150d-4747-80f1-05a5e8217aad/calls', '/floor/x'])(
    '%s is the page, always fresh',
    async (path) => {
      const answer = await get(path).expect(200);
      expect(answer.text).toContain('<title>Iron Clasp</title>');
      expect(answer.headers['cache-control']).toBe('no-cache');
      expect(answer.headers['content-security-policy']).toMatch(/frame-ancestors 'none'/);
    },
  );

  it('hashed assets are kept for ever, and one that is gone is not the page', async () => {
    const asset = await get('/assets/main-abc123.js').expect(200);
    expect(asset.headers['cache-control']).toBe('public, max-age=31536000, immutable');
    const gone = await get('/assets/main-old.js').expect(404);
    expect(gone.text).not.toContain('<title>');
  });

  it.each([
    ['gzip, deflate, br', 'br'],
    ['gzip', 'gzip'],
    ['identity', undefined],
  ])(
    'to who takes %s an asset goes as the build laid it there, with its own type',
    async (takes, encoding) => {
      const asset = await supertest(api.app.getHttpServer())
        .get('/assets/big-abc123.js')
        .set('accept-encoding', takes)
        .expect(200);
      expect(asset.headers['content-encoding']).toBe(encoding);
      expect(asset.headers['content-type']).toMatch(/^(text|application)\/javascript/);
      expect(asset.headers['cache-control']).toBe('public, max-age=31536000, immutable');
      expect(asset.headers['vary']).toMatch(/Accept-Encoding/i);
    },
  );

  it('an unknown address of the API is an error answer, not the page', async () => {
    expect((await get('/api/nowhere').expect(404)).body.error.code).toBe('not-found');
  });

  it('nothing outside the folder is served', async () => {
    const answer = await get('/..%2f..%2fetc%2fpasswd');
    expect(answer.text).not.toContain('root:');
  });

  it('a folder without a build is said plainly', async () => {
    await expect(startApi({ webRoot: join(webRoot, 'assets') })).rejects.toThrow(/no built web application/);
  });
});
