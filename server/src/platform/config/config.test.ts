import { configFrom } from './config.ts';

const DATABASE_URL = 'postgresql://x:y@127.0.0.1:5432/z';

const DEMO = {
  email: 'coach@club.example',
  password: 'shown to all',
  club: 'Club',
  lifter: { name: 'Lifter', email: 'lifter@club.example', password: 'shown too' },
};

describe('configFrom', () => {
  it('needs nothing but a database', () => {
    expect(configFrom({ DATABASE_URL }, DEMO)).toEqual({
      databaseUrl: DATABASE_URL,
      port: 4810,
      host: '127.0.0.1',
      backups: null,
      httpsPort: 4843,
      tls: null,
      trustProxy: false,
      demo: DEMO,
      clockShiftSeconds: 0,
      secureCookies: false,
      logLevel: 'info',
    });
  });

  it('reads every variable', () => {
    const env = {
      DATABASE_URL,
      IRON_CLASP_PORT: '8080',
      IRON_CLASP_BACKUPS: '/srv/backups',
      IRON_CLASP_BACKUP_DAYS: '90',
      IRON_CLASP_HOST: '0.0.0.0',
      IRON_CLASP_HTTPS_PORT: '8443',
      IRON_CLASP_NAMES: 'gym.example, 10.0.0.2',
      IRON_CLASP_TLS_CERT: '/srv/gym.crt',
      IRON_CLASP_TLS_KEY: '/srv/gym.key',
      IRON_CLASP_TRUST_PROXY: '1',
      IRON_CLASP_DEMO: 'off',
      IRON_CLASP_SECURE_COOKIES: 'on',
      IRON_CLASP_LOG: 'silent',
      IRON_CLASP_WEB: '/srv/web',
      IRON_CLASP_CLOCK_SHIFT_SECONDS: '-2',
    };
    expect(configFrom(env, DEMO)).toEqual({
      databaseUrl: DATABASE_URL,
      port: 8080,
      host: '0.0.0.0',
      backups: { folder: '/srv/backups', keepDays: 90 },
      httpsPort: 8443,
      tls: { names: ['gym.example', '10.0.0.2'], cert: '/srv/gym.crt', key: '/srv/gym.key' },
      trustProxy: 1,
      demo: null,
      clockShiftSeconds: -2,
      secureCookies: true,
      logLevel: 'silent',
      webRoot: '/srv/web',
    });
  });

  it.each(['http', '-1', '65536', '80.5'])('names the variable where the port is %s', (port) => {
    expect(() => configFrom({ DATABASE_URL, IRON_CLASP_PORT: port }, null)).toThrow(/IRON_CLASP_PORT/);
  });

  it.each(['yes', '-1', '9'])('names the variable where the number of proxies is %s', (proxies) => {
    expect(() => configFrom({ DATABASE_URL, IRON_CLASP_TRUST_PROXY: proxies }, null)).toThrow(/TRUST_PROXY/);
  });

  it('names the variable where the database is missing', () => {
    expect(() => configFrom({}, null)).toThrow(/DATABASE_URL is not set/);
  });

  it.each([
    [{ IRON_CLASP_HOST: '0.0.0.0' }, { names: [], folder: '.data/tls' }],
    [{ IRON_CLASP_HOST: '0.0.0.0', IRON_CLASP_TLS: 'off' }, null],
    [{ IRON_CLASP_HOST: '0.0.0.0', IRON_CLASP_TRUST_PROXY: '1' }, null],
    [{ IRON_CLASP_HOST: 'localhost' }, null],
    [
      { IRON_CLASP_TLS: 'own', IRON_CLASP_TLS_FOLDER: '/srv/tls' },
      { names: [], folder: '/srv/tls' },
    ],
  ])('%j serves https by %j', (env, tls) =>
    expect(configFrom({ DATABASE_URL, ...env }, null).tls).toEqual(tls),
  );

  it.each([{ IRON_CLASP_TLS_CERT: '/srv/gym.crt' }, { IRON_CLASP_TLS: 'perhaps' }])(
    'refuses %j by its name',
    (env) => expect(() => configFrom({ DATABASE_URL, ...env }, null)).toThrow(/IRON_CLASP_TLS/),
  );
});
