import { readLines, writeCommand, type DeviceCommand, type DeviceLine } from '@iron-clasp/contract';
import type { DeviceInfo, DeviceListener, DynamometerDevice } from './dynamometer-device.ts';

/** What is needed of a socket: the browser's own, or one that a test plays. */
export type Socket = Pick<WebSocket, 'send' | 'close' | 'addEventListener'>;

/** How long a device may take to say who it is, ms. */
const PATIENCE_MS = 4000;

/** A dynamometer that speaks the line protocol of docs/dynamometer.md over a WebSocket on this machine. */
export class WebSocketDynamometer implements DynamometerDevice {
  readonly #open: () => Socket;
  #socket: Socket | null = null;
  #listener: DeviceListener = {};
  #closing = false;

  constructor(open: () => Socket) {
    this.#open = open;
  }

  /** The dynamometer at a port of this machine. */
  static at(port: number): WebSocketDynamometer {
    return new WebSocketDynamometer(() => new WebSocket(`ws://127.0.0.1:${port}`));
  }

  listen(listener: DeviceListener): void {
    this.#listener = listener;
  }

  connect(): Promise<DeviceInfo> {
    return new Promise((resolve, reject) => {
      const socket = this.#open();
      this.#socket = socket;
      let known = false;
      const fail = (why: string): void => {
        clearTimeout(timer);
        if (!known) reject(new Error(why));
      };
      const timer = setTimeout(() => {
        fail('The dynamometer does not say who it is. Switch it off and on, then connect again.');
        socket.close();
      }, PATIENCE_MS);
      socket.addEventListener('open', () => this.#say({ say: 'IDENTIFY' }, { say: 'BATTERY' }));
      socket.addEventListener('message', (event: MessageEvent) => {
        for (const line of readLines(String(event.data))) {
          if (line.kind === 'device') {
            clearTimeout(timer);
            known = true;
            resolve({ name: line.name, rate: line.rate, max: line.max });
          } else this.#tell(line);
        }
      });
      socket.addEventListener('close', () => {
        fail('No dynamometer answers here. Is it switched on, and its program running on this machine?');
        if (known && !this.#closing) this.#listener.lost?.();
      });
    });
  }

  tare(): void {
    this.#say({ say: 'TARE' });
  }

  start(hand: 'left' | 'right', test: 'peak' | 'contractions'): void {
    this.#say({ say: 'NOTE', text: `test=${test}` }, { say: 'NOTE', text: `hand=${hand}` }, { say: 'START' });
  }

  stop(): void {
    this.#say({ say: 'STOP' }, { say: 'BATTERY' });
  }

  close(): void {
    this.#closing = true;
    this.#socket?.close();
    this.#socket = null;
  }

  #say(...commands: DeviceCommand[]): void {
    this.#socket?.send(commands.map(writeCommand).join('\n'));
  }

  #tell(line: DeviceLine): void {
    if (line.kind === 'sample') this.#listener.sample?.(line.ms / 1000, line.force);
    if (line.kind === 'battery') this.#listener.battery?.(line.percent);
  }
}
