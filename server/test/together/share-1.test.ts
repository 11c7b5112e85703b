import { together } from '../together.test-helper.ts';

await together(0, 4);
