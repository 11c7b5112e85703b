import { preset } from '../jest.preset.mjs';

export default preset('device', import.meta.dirname);
