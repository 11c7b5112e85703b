import { together } from '../together.test-helper.ts';

await together(2, 4);
