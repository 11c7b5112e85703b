import { inShares, preset } from '../jest.preset.mjs';

const base = { ...preset('core', import.meta.dirname), setupFilesAfterEnv: ['<rootDir>/jest.setup.mjs'] };

export default inShares(base, '<rootDir>/together/');
