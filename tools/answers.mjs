import { writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { describeAnswers } from './lib/answers.mjs';

// Part of building the server: the reference at /api/docs reads it.
const ROOT = dirname(dirname(fileURLToPath(import.meta.url)));
writeFileSync(join(ROOT, 'server', 'dist', 'answers.json'), JSON.stringify(await describeAnswers(ROOT)));
