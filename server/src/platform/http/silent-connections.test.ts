import { once } from 'node:events';
import { createServer, type Server } from 'node:http';
import { connect, type AddressInfo, type Socket } from 'node:net';
import { silentConnections } from './silent-connections.ts';

async function listening(): Promise<{ server: Server; end: () => void; open: () => Promise<Socket> }> {
  const server = createServer((request, response) => {
    if (request.url === '/quick') response.end('quick');
    // Whoever asks for anything else waits for the server to end.
    else server.once('ending', () => response.end('in the end'));
  });
  const end = silentConnections(server);
  server.listen(0, '127.0.0.1');
  await once(server, 'listening');
  const open = async (): Promise<Socket> => {
    const socket = connect((server.address() as AddressInfo).port, '127.0.0.1');
    const seen = once(server, 'connection');
    await Promise.all([once(socket, 'connect'), seen]);
    return socket;
  };
  return { server, end, open };
}
const ask = (socket: Socket, path: string): boolean =>
  socket.write(`GET ${path} HTTP/1.1\r\nhost: x\r\n\r\n`);

it('a connection on which nothing was asked does not hold the end of a server', async () => {
  const { server, end, open } = await listening();
  const socket = await open();
  const closed = once(server, 'close');
  server.close();
  end();
  await Promise.all([closed, once(socket, 'close')]);
});

it('one that comes while the server ends is not kept either', async () => {
  const { server, end, open } = await listening();
  end();
  const socket = await open();
  await once(socket, 'close');
  server.close();
  await once(server, 'close');
});

it('what was asked is still answered', async () => {
  const { server, end, open } = await listening();
  const socket = await open();
  ask(socket, '/quick');
  expect(String(await once(socket, 'data'))).toContain('quick');
  const asked = once(server, 'request');
  ask(socket, '/slow');
  await asked;
  const closed = once(server, 'close');
  server.close();
  end();
  const answer = once(socket, 'data');
  server.emit('ending');
  expect(String(await answer)).toContain('in the end');
  socket.end();
  await closed;
});
