import { together } from '../together.test-helper.ts';

await together(1, 4);
