import { preset } from '../jest.preset.mjs';

export default preset('tools', import.meta.dirname);
