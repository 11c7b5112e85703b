import { createServer } from 'node:http';
import { json } from 'node:stream/consumers';
import { serve } from '../server/dist/serve.js';

/*
 * Serves the application as often as it is asked to, each on a database and a port of its own, in one process: started for each
 * file of tests anew, the server would spend most of its time on being compiled. What has to be killed, or several processes,
 * the tests start by themselves.
 *
 * POST with an environment serves; DELETE /port ends what is served there.
 */
const running = new Map();

const control = createServer(async (request, response) => {
  try {
    if (request.method === 'POST') {
      const env = await json(request);
      running.set(env.IRON_CLASP_PORT, await serve({ ...process.env, ...env }, () => {}));
    } else {
      const port = request.url.slice(1);
      await running.get(port).close();
      running.delete(port);
    }
    response.end();
  } catch (error) {
    response.writeHead(500).end(error.stack);
  }
});
control.listen(0, '127.0.0.1', () => process.stdout.write(`${control.address().port}\n`));

// Whoever started it holds its standard input open.
process.stdin.resume();
process.stdin.on('end', () => process.exit(0));
