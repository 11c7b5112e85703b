import { inShares, preset } from '../jest.preset.mjs';

export default inShares(
  {
    ...preset('e2e', import.meta.dirname),
    globalSetup: '<rootDir>/servers.mjs',
    globalTeardown: '<rootDir>/servers-end.mjs',
  },
  '<rootDir>/together/',
);
