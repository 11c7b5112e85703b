import { inShares, preset } from '../jest.preset.mjs';

export default inShares(preset('server', import.meta.dirname), '<rootDir>/test/together/');
