import { SetUpService } from './advice/set-up/set-up.service.ts';
import { createApp } from './app.ts';
import { DEMO_SIGN_IN } from './demo/scenario.ts';
import { seedDemo } from './demo/seed.ts';
import { listen, reachOf } from './listen.ts';
import { configFrom } from './platform/config/config.ts';
import { silentConnections } from './platform/http/silent-connections.ts';

/**
 * Serves the application as its environment asks for, from the database to the addresses it is reached at; what somebody at
 * the terminal has to know is told there.
 * @returns how to end it.
 * @throws Error naming a setting that cannot be used, or what of the database is not there.
 */
export async function serve(
  env: NodeJS.ProcessEnv,
  tell: (line: string) => void,
): Promise<{ readonly close: () => Promise<void> }> {
  const config = configFrom(env, DEMO_SIGN_IN);
  const reach = reachOf(config, new Date());
  const app = await createApp(config, reach.ways);
  if (config.demo) {
    const seeded = await seedDemo(app);
    if (seeded !== undefined) tell(`Demo club loaded: ${seeded} logged sets.`);
  }
  await app.get(SetUpService).showCode();
  const secure = await listen(app, config, reach);
  const servers = secure ? [app.getHttpServer(), secure] : [app.getHttpServer()];
  const endSilent = servers.map(silentConnections);
  for (const address of reach.ways.addresses) tell(`Reached by https: ${address}`);
  return {
    close: async () => {
      secure?.close();
      const closed = app.close();
      endSilent.forEach((end) => end());
      await closed;
    },
  };
}
