import { readCommand, readLines, writeCommand, writeLine, type DeviceLine } from './dynamometer-lines.ts';

it.each<DeviceLine>([
  { kind: 'device', name: 'Club dynamometer', serial: 'TQ-1', rate: 80, max: 120 },
  { kind: 'battery', percent: 87 },
  { kind: 'tared', offset: 1.25 },
  { kind: 'started', rate: 80 },
  { kind: 'sample', ms: 12.5, force: 40.25 },
  { kind: 'sample', ms: 25, force: -0.5 },
  { kind: 'stopped', samples: 480 },
  { kind: 'error', text: 'overload' },
])('%j comes back as it went', (line) => {
  expect(readLines(writeLine(line))).toEqual([line]);
});

it('a message may carry many lines, with either kind of line end', () => {
  const read = readLines('S 0.0 1.00\r\nS 12.5 2.00\n\nS 25.0 3.00\n');
  expect(read.map((line) => line.kind === 'sample' && line.force)).toEqual([1, 2, 3]);
});

it.each([
  'S 12.5',
  'S 12.5 heavy',
  'S  3',
  'BATTERY',
  'BATTERY 40 50',
  'HELLO',
  'DEVICE name=Foreign;serial=1;rate=80;max=120;unit=N;protocol=1',
  'DEVICE name=Later;serial=1;rate=80;max=120;unit=kgf;protocol=2',
  `S 1 ${'9'.repeat(300)}`,
])('%s is told as unreadable, not guessed', (line) => {
  expect(readLines(line)[0]!.kind).toBe('unreadable');
});

it('commands come back as they went; anything else is none', () => {
  for (const say of ['IDENTIFY', 'TARE', 'START', 'STOP', 'BATTERY'] as const)
    expect(readCommand(writeCommand({ say }))).toEqual({ say });
  expect(readCommand('NOTE hand=left')).toEqual({ say: 'NOTE', text: 'hand=left' });
  expect(readCommand('start')).toBeUndefined();
  expect(readCommand('X'.repeat(500))).toBeUndefined();
});
