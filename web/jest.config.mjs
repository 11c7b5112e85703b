import { preset } from '../jest.preset.mjs';

export default preset('web', import.meta.dirname);
