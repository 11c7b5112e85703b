import { serve } from './serve.ts';

const { close } = await serve(process.env, (line) => process.stdout.write(`${line}\n`));

// The start command holds our standard input open; when it dies, however hard, we follow.
if (process.env['IRON_CLASP_FOLLOW'] === 'stdin') {
  process.stdin.resume();
  process.stdin.on('end', () => void close().then(() => process.exit(0)));
}
