import { preset } from '../jest.preset.mjs';

export default preset('contract', import.meta.dirname);
