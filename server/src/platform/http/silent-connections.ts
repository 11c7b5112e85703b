import type { Server as PlainServer } from 'node:http';
import type { Server as SecureServer } from 'node:https';
import type { Socket } from 'node:net';

/**
 * Watches for connections on which nothing was ever asked: browsers open some ahead of need, and each would hold the end of the
 * server for a minute, since Node counts it as one whose request is on its way.
 * @returns ends them, and those that still come; to be called when the server is told to close.
 */
export function silentConnections(server: PlainServer | SecureServer): () => void {
  const silent = new Set<Socket>();
  let ending = false;
  const met = (socket: Socket): void => {
    if (ending) return void socket.destroy();
    silent.add(socket);
    socket.once('close', () => silent.delete(socket));
  };
  server.on('connection', met);
  server.on('secureConnection', met);
  server.on('request', ({ socket }: { socket: Socket }) => silent.delete(socket));
  return () => {
    ending = true;
    for (const socket of silent) socket.destroy();
  };
}
