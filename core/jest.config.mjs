import { preset } from '../jest.preset.mjs';

export default { ...preset('core', import.meta.dirname), setupFilesAfterEnv: ['<rootDir>/jest.setup.mjs'] };
