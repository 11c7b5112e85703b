import { preset } from '../jest.preset.mjs';

const base = preset('server', import.meta.dirname);
const TOGETHER = '<rootDir>/test/together/';

/** All of them are run in a few shares, which load the application once each; a file that is asked for runs by itself. */
export default process.env.IRON_CLASP_TOGETHER === 'on'
  ? { ...base, testMatch: [`${TOGETHER}*.test.ts`] }
  : { ...base, testPathIgnorePatterns: [...base.testPathIgnorePatterns, '/test/together/'] };
