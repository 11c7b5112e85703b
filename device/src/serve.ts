import { WebSocketServer, type WebSocket } from 'ws';
import { chanceOf } from './simulated-person.ts';
import { SimulatedDynamometer, type SimulatedOptions } from './simulated-dynamometer.ts';

export interface ServeOptions extends SimulatedOptions {
  readonly port: number;
  /** Chance a second, while it measures, that the connection is lost. */
  readonly disconnects: number;
}

/** ms between two messages with samples. */
const EVERY = 25;

/** Runs the simulated dynamometer on loopback; one device a connection. Gives its port and how to stop it. */
export async function serve(options: ServeOptions): Promise<{ port: number; stop: () => Promise<void> }> {
  const server = new WebSocketServer({ host: '127.0.0.1', port: options.port, maxPayload: 4096 });
  await new Promise<void>((resolve, reject) => {
    server.once('listening', resolve);
    server.once('error', reject);
  });
  let connections = 0;
  server.on('connection', (socket) => attend(socket, { ...options, seed: options.seed + connections++ }));
  const { port } = server.address() as { port: number };
  const stop = (): Promise<void> =>
    new Promise((resolve) => {
      for (const socket of server.clients) socket.terminate();
      server.close(() => resolve());
    });
  return { port, stop };
}

function attend(socket: WebSocket, options: ServeOptions): void {
  const device = new SimulatedDynamometer(options);
  const faults = chanceOf(options.seed + 7919);
  let last = performance.now();
  let measuring = false;
  const timer = setInterval(() => {
    const now = performance.now();
    const lines = device.advance(now - last);
    if (measuring && faults.uniform() < (options.disconnects * (now - last)) / 1000) socket.terminate();
    last = now;
    if (lines.length) socket.send(lines.join('\n'));
  }, EVERY);
  socket.on('message', (data) => {
    for (const line of String(data as Buffer)
      .split('\n')
      .filter(Boolean)) {
      if (line.trim() === 'START') measuring = true;
      if (line.trim() === 'STOP') measuring = false;
      const answer = device.hear(line);
      if (answer.length) socket.send(answer.join('\n'));
    }
  });
  socket.on('error', () => socket.terminate());
  socket.on('close', () => clearInterval(timer));
}
