import { createApp } from './app.ts';
import { DEMO_SIGN_IN } from './demo/scenario.ts';
import { seedDemo } from './demo/seed.ts';
import { configFrom } from './platform/config/config.ts';

const config = configFrom(process.env, DEMO_SIGN_IN);
const app = await createApp(config);
if (config.demo) {
  const seeded = await seedDemo(app);
  if (seeded !== undefined) process.stdout.write(`Demo club loaded: ${seeded} logged sets.\n`);
}
await app.listen(config.port, '127.0.0.1');

// The start command holds our standard input open; when it dies, however hard, we follow.
if (process.env['IRON_CLASP_FOLLOW'] === 'stdin') {
  process.stdin.resume();
  process.stdin.on('end', () => void app.close().then(() => process.exit(0)));
}
