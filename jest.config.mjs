export default {
  projects: [
    '<rootDir>/core',
    '<rootDir>/contract',
    '<rootDir>/device',
    '<rootDir>/server',
    '<rootDir>/web',
    '<rootDir>/tools',
    '<rootDir>/e2e',
  ],
};
