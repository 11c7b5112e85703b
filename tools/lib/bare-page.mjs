import { freePort, must } from './machine.mjs';
import { startServer } from './server.mjs';

/**
 * Builds the bare page and serves it as the product's own pages are served.
 * @param folder where it is built.
 */
export async function serveBarePage(root, databaseUrl, folder) {
  must('npm', ['run', 'bare', '-w', '@iron-clasp/web', '--loglevel=error', '--', '--outDir', folder], {
    what: 'Building the bare page',
    cwd: root,
  });
  return startServer(root, {
    ...{ databaseUrl, port: await freePort() },
    env: { IRON_CLASP_LOG: 'silent', IRON_CLASP_WEB: folder },
  });
}
