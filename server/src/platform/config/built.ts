import { join } from 'node:path';

/** Does this run as it was built, into few files in one folder? The tests run from the sources. */
export const IS_BUILT = import.meta.url.endsWith('.js');

/** The folder of what is built: the server, its worker and the description of its answers. */
export const BUILT_FOLDER = IS_BUILT ? import.meta.dirname : join(import.meta.dirname, '../../../dist');
