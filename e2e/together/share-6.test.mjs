import { join } from 'node:path';
import { together } from '../../jest.together.mjs';
import { SHARES } from './shares.mjs';

await together(join(import.meta.dirname, '../src'), { share: 5, ...SHARES });
