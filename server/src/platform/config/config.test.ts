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
      IRON_CLASP_DEMO: 'off',
      IRON_CLASP_SECURE_COOKIES: 'on',
      IRON_CLASP_LOG: 'silent',
      IRON_CLASP_WEB: '/srv/web',
      IRON_CLASP_CLOCK_SHIFT_SECONDS: '-2',
    };
    expect(configFrom(env, DEMO)).toEqual({
      databaseUrl: DATABASE_URL,
      port: 8080,
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

  it('names the variable where the database is missing', () => {
    expect(() => configFrom({}, null)).toThrow(/DATABASE_URL is not set/);
  });
});
