import { SetUpService } from './advice/set-up/set-up.service.ts';
import { createApp } from './app.ts';
import { listen, reachOf } from './listen.ts';
import { DEMO_SIGN_IN } from './demo/scenario.ts';
import { seedDemo } from './demo/seed.ts';
import { configFrom } from './platform/config/config.ts';

const config = configFrom(process.env, DEMO_SIGN_IN);
const reach = reachOf(config, new Date());
const app = await createApp(config, reach.ways);
if (config.demo) {
  const seeded = await seedDemo(app);
  if (seeded !== undefined) process.stdout.write(`Demo club loaded: ${seeded} logged sets.\n`);
}
await app.get(SetUpService).showCode();
const secure = await listen(app, config, reach);
for (const address of reach.ways.addresses) process.stdout.write(`Reached by https: ${address}\n`);

// The start command holds our standard input open; when it dies, however hard, we follow.
if (process.env['IRON_CLASP_FOLLOW'] === 'stdin') {
  process.stdin.resume();
  process.stdin.on('end', () => {
    secure?.close();
    void app.close().then(() => process.exit(0));
  });
}
