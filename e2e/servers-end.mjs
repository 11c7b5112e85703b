export { end as default } from './servers.mjs';
