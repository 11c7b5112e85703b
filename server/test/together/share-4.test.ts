import { together } from '../together.test-helper.ts';

await together(3, 4);
