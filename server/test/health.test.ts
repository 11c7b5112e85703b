import supertest from 'supertest';
import { Coach, startApi } from './api.test-helper.ts';

describe('health', () => {
  it('answers 200 while the database does, and 503 with a plain message once it is gone', async () => {
    const api = await startApi();
    const coach = await Coach.signIn(api);
    const server = supertest(api.app.getHttpServer());
    expect((await server.get('/api/health').expect(200)).body).toEqual({ status: 'ok', database: 'up' });
    // The database vanishes under the running server, its connections cut.
    await api.db.query(
      `SELECT pg_terminate_backend(pid) FROM pg_stat_activity WHERE datname = current_database() AND pid <> pg_backend_pid()`,
    );
    const healed = await server.get('/api/health');
    expect(healed.status).toBe(200);
    await api.db.destroy();
    expect((await server.get('/api/health').expect(503)).body).toEqual({
      status: 'unavailable',
      database: 'down',
    });
    expect((await coach.agent.get('/api/lifters').expect(503)).body.error.code).toBe('database-unavailable');
    await api.db.initialize();
    await api.close();
  });
});
