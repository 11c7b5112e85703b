import { DataSource } from 'typeorm';
import { createApp } from './app.ts';
import { Clock } from './clock.ts';
import { configFrom } from './config.ts';
import { seedDemo } from './demo/seed.ts';

const config = configFrom(process.env);
const app = await createApp(config);
if (config.demo) {
  const seeded = await seedDemo(app.get(DataSource), app.get(Clock).today());
  if (seeded !== undefined) process.stdout.write(`Demo club loaded: ${seeded} logged sets.\n`);
}
await app.listen(config.port, '127.0.0.1');

// The start command holds our standard input open; when it dies, however hard, we follow.
if (process.env['IRON_CLASP_FOLLOW'] === 'stdin') {
  process.stdin.resume();
  process.stdin.on('end', () => void app.close().then(() => process.exit(0)));
}
