/** Shared Jest settings: TypeScript through SWC as ES modules, packages of ours from their sources. */
export function preset(displayName, root) {
  return {
    displayName,
    rootDir: root,
    testEnvironment: '<rootDir>/../jest.environment.mjs',
    extensionsToTreatAsEsm: ['.ts', '.tsx'],
    testMatch: ['<rootDir>/**/*.test.ts', '<rootDir>/**/*.test.mjs'],
    testPathIgnorePatterns: ['/node_modules/', '/dist/'],
    modulePathIgnorePatterns: ['/dist/', '/\\.data/'],
    moduleNameMapper: {
      '^@iron-clasp/(core|contract|server)$': '<rootDir>/../$1/src/index.ts',
    },
    transform: {
      '^.+\\.tsx?$': [
        '@swc/jest',
        {
          jsc: {
            target: 'es2022',
            parser: { syntax: 'typescript', decorators: true, tsx: false },
            transform: { legacyDecorator: true, decoratorMetadata: true },
          },
          module: { type: 'es6' },
        },
      ],
    },
  };
}

/**
 * The settings of a package whose test files are run in a few shares, which load it once each; a file that is asked for runs
 * by itself.
 * @param shares where the shares stand.
 */
export function inShares(base, shares) {
  return process.env.IRON_CLASP_TOGETHER === 'on'
    ? { ...base, testMatch: [`${shares}*.test.mjs`] }
    : { ...base, testPathIgnorePatterns: [...base.testPathIgnorePatterns, '/together/'] };
}
