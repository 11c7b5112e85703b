import { createRequire } from 'node:module';
import { inShares, preset } from '../jest.preset.mjs';

const require = createRequire(import.meta.url);

const base = preset('web', import.meta.dirname);
const [[files, [transformer, options]]] = Object.entries(base.transform);

/** Component tests (.test.tsx) ask for a page of their own in their first line; the rest computes without one. */
const settings = {
  ...base,
  // Thousands of small files each, were they loaded as the bundler reads them.
  moduleNameMapper: {
    ...base.moduleNameMapper,
    '^lucide-react$': require.resolve('lucide-react'),
  },
  testMatch: [...base.testMatch, '<rootDir>/**/*.test.tsx'],
  transform: {
    [files]: [
      transformer,
      {
        ...options,
        jsc: {
          ...options.jsc,
          parser: { ...options.jsc.parser, tsx: true },
          transform: { ...options.jsc.transform, react: { runtime: 'automatic' } },
        },
      },
    ],
  },
};

export default inShares(settings, '<rootDir>/together/');
