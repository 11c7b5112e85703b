import { join } from 'node:path';
import { together } from '../../../jest.together.mjs';

await together(join(import.meta.dirname, '../..'), { share: 0, of: 4, heavy: { 'test/fuzz': 4 } });
