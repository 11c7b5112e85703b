import { createServer, request as ask } from 'node:http';

/**
 * Spreads requests over several processes of the server, one after the other, as a proxy before them does: whoever does not
 * answer is passed over, and a request that broke off is sent to the next. No request is bound to one process.
 * @param ports where the processes listen.
 */
export async function spread(ports, port) {
  let turn = 0;
  const server = createServer((incoming, outgoing) => {
    const pieces = [];
    incoming.on('data', (piece) => pieces.push(piece));
    incoming.on('end', () => pass(incoming, Buffer.concat(pieces), outgoing, ports.length));
  });

  function pass(incoming, body, outgoing, left) {
    if (left === 0) {
      outgoing.writeHead(502).end();
      return;
    }
    const to = ports[turn++ % ports.length];
    const options = {
      host: '127.0.0.1',
      port: to,
      method: incoming.method,
      path: incoming.url,
      headers: incoming.headers,
    };
    const sent = ask(options, (answer) => {
      outgoing.writeHead(answer.statusCode, answer.headers);
      // Half an answer cannot be taken back: whoever asked sees the connection break, and asks again.
      answer.once('error', () => outgoing.destroy());
      answer.pipe(outgoing);
      outgoing.once('close', () => answer.destroy());
    });
    sent.once('error', () => {
      if (outgoing.headersSent) outgoing.destroy();
      else pass(incoming, body, outgoing, left - 1);
    });
    sent.end(body);
  }

  await new Promise((resolve) => server.listen(port, '127.0.0.1', resolve));
  const close = () => {
    server.closeAllConnections();
    return new Promise((resolve) => server.close(resolve));
  };
  return { url: `http://127.0.0.1:${server.address().port}`, close };
}
