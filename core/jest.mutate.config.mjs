import { preset } from '../jest.preset.mjs';

/** The tests that mutants of rules, policies, prescriptions, hands and profile are run against: known answers only. */
export default {
  ...preset('core', import.meta.dirname),
  testMatch: ['calls', 'hands', 'hold-prescriptions', 'profile'].map(
    (folder) => `<rootDir>/src/${folder}/*.test.ts`,
  ),
  setupFilesAfterEnv: ['<rootDir>/jest.setup.mjs'],
};
