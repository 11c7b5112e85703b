import { WebSocketDynamometer, type Socket } from './web-socket-dynamometer.ts';

/** A socket that a test plays the device on. */
class PlayedSocket {
  readonly sent: string[] = [];
  readonly #heard = new Map<string, ((event: unknown) => void)[]>();
  addEventListener(kind: string, listener: (event: never) => void): void {
    this.#heard.set(kind, [...(this.#heard.get(kind) ?? []), listener as (event: unknown) => void]);
  }
  send(text: string): void {
    this.sent.push(text);
  }
  close(): void {
    this.play('close', {});
  }
  play(kind: string, event: unknown): void {
    for (const listener of this.#heard.get(kind) ?? []) listener(event);
  }
  say(text: string): void {
    this.play('message', { data: text });
  }
}

const made = (): { socket: PlayedSocket; device: WebSocketDynamometer } => {
  const socket = new PlayedSocket();
  return { socket, device: new WebSocketDynamometer(() => socket as unknown as Socket) };
};
const DEVICE = 'DEVICE name=Test;serial=1;rate=80;max=120;unit=kgf;protocol=1';

it('asks who it is, then hands on samples and battery, with seconds since the start', async () => {
  const { socket, device } = made();
  const seen: unknown[] = [];
  device.listen({
    sample: (seconds, force) => seen.push([seconds, force]),
    battery: (percent) => seen.push(percent),
  });
  const connected = device.connect();
  socket.play('open', {});
  expect(socket.sent[0]).toBe('IDENTIFY\nBATTERY');
  socket.say(`${DEVICE}\nBATTERY 80`);
  expect(await connected).toEqual({ name: 'Test', rate: 80, max: 120 });
  device.start('right', 'peak');
  expect(socket.sent[1]).toBe('NOTE test=peak\nNOTE hand=right\nSTART');
  socket.say('STARTED 80\nS 0.0 0.10\nnoise on the wire\nS 12.5 3.20');
  expect(seen).toEqual([80, [0, 0.1], [0.0125, 3.2]]);
});

it('says in words that nothing answers', async () => {
  const { socket, device } = made();
  const connected = device.connect();
  socket.play('close', {});
  await expect(connected).rejects.toThrow(/No dynamometer answers here/);
});

it('a connection that is lost is told once it was there; one that we closed is not', async () => {
  const { socket, device } = made();
  let lost = 0;
  device.listen({ lost: () => lost++ });
  const connected = device.connect();
  socket.say(DEVICE);
  await connected;
  socket.play('close', {});
  expect(lost).toBe(1);
  device.close();
  expect(lost).toBe(1);
});
