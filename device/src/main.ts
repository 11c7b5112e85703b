import { parseArgs } from 'node:util';
import { DEVICE_PORT } from '@iron-clasp/contract';
import { serve } from './serve.ts';

/** `node device/dist/main.js --port 4817 --seed 1 --left 38 --right 41 --drop-outs 0.004 --disconnects 0`. */
const { values } = parseArgs({
  options: {
    port: { type: 'string', default: String(DEVICE_PORT) },
    seed: { type: 'string', default: '1' },
    left: { type: 'string', default: '38' },
    right: { type: 'string', default: '41' },
    'drop-outs': { type: 'string', default: '0.004' },
    disconnects: { type: 'string', default: '0' },
  },
});

const number = (name: keyof typeof values, most: number): number => {
  const value = Number(values[name]);
  if (!(value >= 0 && value <= most)) {
    process.stderr.write(`--${name} must be a number from 0 to ${most}; it is "${values[name]}".\n`);
    process.exit(2);
  }
  return value;
};

const running = await serve({
  port: number('port', 65535),
  seed: number('seed', 1e9),
  person: { left: number('left', 120), right: number('right', 120) },
  dropOuts: number('drop-outs', 0.5),
  disconnects: number('disconnects', 1),
}).catch((error: unknown) => {
  process.stderr.write(`The simulated dynamometer cannot listen: ${(error as Error).message}\n`);
  process.exit(1);
});
process.stdout.write(`Simulated dynamometer at ws://127.0.0.1:${running.port}\n`);
for (const signal of ['SIGINT', 'SIGTERM'] as const)
  process.on(signal, () => void running.stop().then(() => process.exit(0)));
// Ends with whoever started it, however that ended.
if (process.env['IRON_CLASP_FOLLOW'] === 'stdin')
  process.stdin
    .on('end', () => process.exit(0))
    .on('error', () => process.exit(0))
    .resume();
