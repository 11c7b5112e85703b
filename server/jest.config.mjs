import { preset } from '../jest.preset.mjs';

export default preset('server', import.meta.dirname);
