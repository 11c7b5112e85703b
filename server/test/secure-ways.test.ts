import { randomUUID } from 'node:crypto';
import { rmSync } from 'node:fs';
import https from 'node:https';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import express from 'express';
import supertest from 'supertest';
import { secureWays, type SecureWays } from '../src/platform/http/secure-ways.ts';
import { ownCertificate } from '../src/platform/tls/authority.ts';

const WAYS: SecureWays = {
  addresses: ['https://192.168.7.20:4843', 'https://gym.local:4843'],
  authority: 'PEM',
};
const NONE: SecureWays = { addresses: [], authority: undefined };

function serving(ways: SecureWays, trustProxy: false | number = false): ReturnType<typeof supertest> {
  const app = express();
  app.set('trust proxy', trustProxy);
  app.use(secureWays(ways));
  app.use((request, response) => void response.send(`served ${request.path}`));
  return supertest(app);
}

it.each(['localhost:4810', '127.0.0.1:4810', '[::1]:4810'])('plain http is served on %s', async (host) => {
  const { text } = await serving(WAYS).get('/lifters').set('host', host).expect(200);
  expect(text).toBe('served /lifters');
});

it('on another name a page says where https is', async () => {
  const { text } = await serving(WAYS).get('/lifters').set('host', '192.168.7.20:4810').expect(403);
  expect(text).toContain('https://192.168.7.20:4843');
  expect(text).toContain('href="/trust"');
});

it('and where there is none, how to get it; the API says it in its own shape', async () => {
  const { text } = await serving(NONE).get('/').set('host', 'gym.local').expect(403);
  expect(text).toContain('IRON_CLASP_HOST=0.0.0.0 npm start');
  const { body } = await serving(NONE).post('/api/session').set('host', 'gym.local').expect(403);
  expect(body.error.code).toBe('needs-https');
  await serving(NONE).get('/api/health').set('host', 'gym.local').expect(200);
});

it('the page of trust leads to the authority and shows the address as a code', async () => {
  const { text } = await serving(WAYS).get('/trust').set('host', '192.168.7.20').expect(200);
  expect(text).toContain('src="data:image/png;base64,');
  expect(text).toContain('/trust/iron-clasp.crt');
  const file = await serving(WAYS).get('/trust/iron-clasp.crt').set('host', '192.168.7.20').expect(200);
  expect(file.headers['content-type']).toBe('application/x-x509-ca-cert');
});

it('a proxy that is trusted says what the browser used; another says nothing', async () => {
  const asked = (trust: false | number): supertest.Test =>
    serving(NONE, trust).get('/').set('host', 'gym.example').set('x-forwarded-proto', 'https');
  await asked(1).expect(200);
  await asked(false).expect(403);
});

it('a client that trusts the authority is served by https', async () => {
  const folder = join(tmpdir(), randomUUID());
  const { key, cert, authority } = ownCertificate(folder, ['gym.local'], new Date());
  const app = express();
  app.use(secureWays(WAYS));
  app.use((request, response) => void response.send(String(request.secure)));
  const server = https.createServer({ key, cert }, app).listen(0, '127.0.0.1');
  try {
    await new Promise((resolve) => server.once('listening', resolve));
    const { port } = server.address() as { port: number };
    const get = (ca: string | undefined): Promise<string> =>
      new Promise((resolve, reject) => {
        // Another name than the address it stands at, as on the gym's network.
        const options = {
          port,
          host: '127.0.0.1',
          servername: 'gym.local',
          headers: { host: 'gym.local' },
          ...(ca && { ca }),
        };
        https
          .get(options, (answer) => {
            let text = '';
            answer.on('data', (part) => (text += part)).on('end', () => resolve(text));
          })
          .on('error', reject);
      });
    expect(await get(authority)).toBe('true');
    await expect(get(undefined)).rejects.toThrow(/self.signed|unable to verify/i);
  } finally {
    server.close();
    rmSync(folder, { recursive: true });
  }
});
