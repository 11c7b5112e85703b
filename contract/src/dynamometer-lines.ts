/*
 * What a dynamometer and the page say to one another, line by line over a WebSocket: docs/dynamometer.md. Text, one
 * statement a line, words in capitals first; a message may carry several lines. Forces kgf, times ms since START.
 */

/** What is asked of a dynamometer. `NOTE` tells a simulated one what a real one cannot know; devices pass it over. */
export type DeviceCommand =
  | { readonly say: 'IDENTIFY' }
  | { readonly say: 'TARE' }
  | { readonly say: 'START' }
  | { readonly say: 'STOP' }
  | { readonly say: 'BATTERY' }
  | { readonly say: 'NOTE'; readonly text: string };

/** What a dynamometer says. */
export type DeviceLine =
  | {
      readonly kind: 'device';
      readonly name: string;
      readonly serial: string;
      readonly rate: number;
      readonly max: number;
    }
  | { readonly kind: 'battery'; readonly percent: number }
  | { readonly kind: 'tared'; readonly offset: number }
  | { readonly kind: 'started'; readonly rate: number }
  | { readonly kind: 'sample'; readonly ms: number; readonly force: number }
  | { readonly kind: 'stopped'; readonly samples: number }
  | { readonly kind: 'error'; readonly text: string }
  /** A line that is none of these: told, not guessed. */
  | { readonly kind: 'unreadable'; readonly line: string };

/** Where the simulated dynamometer listens unless it is told otherwise. */
export const DEVICE_PORT = 4817;
/** Longest line that is taken for one. */
const LONGEST_LINE = 200;

export function writeCommand(command: DeviceCommand): string {
  return command.say === 'NOTE' ? `NOTE ${command.text}` : command.say;
}

/** Reads a command; undefined for what is none. */
export function readCommand(line: string): DeviceCommand | undefined {
  const text = line.trim();
  if (text.length > LONGEST_LINE) return undefined;
  if (text.startsWith('NOTE ')) return { say: 'NOTE', text: text.slice(5) };
  const known = (['IDENTIFY', 'TARE', 'START', 'STOP', 'BATTERY'] as const).find((say) => say === text);
  return known && { say: known };
}

export function writeLine(line: DeviceLine): string {
  switch (line.kind) {
    case 'device':
      return `DEVICE name=${line.name};serial=${line.serial};rate=${line.rate};max=${line.max};unit=kgf;protocol=1`;
    case 'battery':
      return `BATTERY ${line.percent}`;
    case 'tared':
      return `TARED ${line.offset.toFixed(2)}`;
    case 'started':
      return `STARTED ${line.rate}`;
    case 'sample':
      return `S ${line.ms.toFixed(1)} ${line.force.toFixed(2)}`;
    case 'stopped':
      return `STOPPED ${line.samples}`;
    case 'error':
      return `ERROR ${line.text}`;
    case 'unreadable':
      return line.line;
  }
}

/** Reads what a dynamometer said, line by line; what cannot be read comes back as such and stops nothing. */
export function readLines(message: string): DeviceLine[] {
  return message
    .split(/\r?\n/)
    .filter((line) => line.trim() !== '')
    .map(readLine);
}

function readLine(line: string): DeviceLine {
  const unreadable: DeviceLine = { kind: 'unreadable', line: line.slice(0, LONGEST_LINE) };
  if (line.length > LONGEST_LINE) return unreadable;
  const [word, ...rest] = line.trim().split(' ');
  const [first, second] = rest.map((text) => (text === '' ? Number.NaN : Number(text)));
  const one = (made: (value: number) => DeviceLine): DeviceLine =>
    rest.length === 1 && Number.isFinite(first) ? made(first!) : unreadable;
  switch (word) {
    case 'S':
      return rest.length === 2 && Number.isFinite(first) && Number.isFinite(second)
        ? { kind: 'sample', ms: first!, force: second! }
        : unreadable;
    case 'BATTERY':
      return one((percent) => ({ kind: 'battery', percent }));
    case 'TARED':
      return one((offset) => ({ kind: 'tared', offset }));
    case 'STARTED':
      return one((rate) => ({ kind: 'started', rate }));
    case 'STOPPED':
      return one((samples) => ({ kind: 'stopped', samples }));
    case 'ERROR':
      return { kind: 'error', text: rest.join(' ') };
    case 'DEVICE':
      return readDevice(rest.join(' ')) ?? unreadable;
    default:
      return unreadable;
  }
}

function readDevice(text: string): DeviceLine | undefined {
  const fields = new Map(
    text.split(';').map((field) => {
      const at = field.indexOf('=');
      return [field.slice(0, at), field.slice(at + 1)] as const;
    }),
  );
  const [rate, max] = [Number(fields.get('rate')), Number(fields.get('max'))];
  const name = fields.get('name');
  // Another unit or another protocol would be read wrongly: it is not read at all.
  if (!name || !(rate > 0) || !(max > 0) || fields.get('unit') !== 'kgf' || fields.get('protocol') !== '1')
    return undefined;
  return { kind: 'device', name, serial: fields.get('serial') ?? '', rate, max };
}
