import { analyseTrace, repeatedContractions } from '@iron-clasp/core';
import { readLines, type DeviceLine } from '@iron-clasp/contract';
import WebSocket from 'ws';
import { serve } from './serve.ts';
import { SimulatedDynamometer } from './simulated-dynamometer.ts';

const OPTIONS = { seed: 3, person: { left: 38, right: 44 }, dropOuts: 0.004 };

type Sample = Extract<DeviceLine, { kind: 'sample' }>;
const samplesOf = (lines: readonly string[]): Sample[] =>
  readLines(lines.join('\n')).filter((line): line is Sample => line.kind === 'sample');
const traceOf = (samples: readonly Sample[]): { times: number[]; forces: number[] } => ({
  times: samples.map((sample) => sample.ms / 1000),
  forces: samples.map((sample) => sample.force),
});

function measure(device: SimulatedDynamometer, hand: string, seconds: number, test = 'peak'): Sample[] {
  device.hear(`NOTE test=${test}`);
  device.hear(`NOTE hand=${hand}`);
  device.hear('TARE');
  device.hear('START');
  return samplesOf(device.advance(1000 * seconds));
}

it('the analysis finds the person behind the noise, hand by hand', () => {
  const device = new SimulatedDynamometer(OPTIONS);
  for (const hand of ['left', 'right'] as const) {
    const reading = analyseTrace(traceOf(measure(device, hand, 7)))!;
    expect(reading.peak).toBeGreaterThan(OPTIONS.person[hand] * 0.93);
    expect(reading.peak).toBeLessThan(OPTIONS.person[hand] * 1.07);
    expect(reading.rate).toBeCloseTo(80, 0);
    expect(reading.onset).toBeGreaterThan(0.8);
  }
});

it('a repeated-contraction test is found whole, and sinks towards what lasts', () => {
  const device = new SimulatedDynamometer(OPTIONS);
  const reading = repeatedContractions(traceOf(measure(device, 'right', 242, 'contractions')));
  expect(reading.complete).toBe(true);
  expect(reading.endTestForce).toBeGreaterThan(0.38 * OPTIONS.person.right);
  expect(reading.endTestForce).toBeLessThan(0.55 * OPTIONS.person.right);
});

it('drops samples as often as it is told, and the same seed gives the same samples', () => {
  const all = measure(new SimulatedDynamometer({ ...OPTIONS, dropOuts: 0 }), 'left', 5);
  expect(all).toHaveLength(400);
  const some = measure(new SimulatedDynamometer({ ...OPTIONS, dropOuts: 0.1 }), 'left', 5);
  expect(some.length).toBeLessThan(370);
  expect(measure(new SimulatedDynamometer(OPTIONS), 'left', 5)).toEqual(
    measure(new SimulatedDynamometer(OPTIONS), 'left', 5),
  );
});

it('says what it is, how full it is, and what it does not know', () => {
  const device = new SimulatedDynamometer(OPTIONS);
  expect(readLines(device.hear('IDENTIFY')[0]!)).toMatchObject([
    { kind: 'device', rate: 80, serial: 'SIM-3' },
  ]);
  expect(readLines(device.hear('BATTERY')[0]!)[0]).toMatchObject({ kind: 'battery' });
  expect(readLines(device.hear('DANCE')[0]!)[0]!.kind).toBe('error');
  device.hear('START');
  device.advance(1000);
  expect(readLines(device.hear('STOP')[0]!)[0]).toMatchObject({ kind: 'stopped' });
  expect(device.advance(1000)).toEqual([]);
});

it('is spoken to over a WebSocket on loopback, and a lost connection ends in a closed one', async () => {
  const running = await serve({ ...OPTIONS, port: 0, disconnects: 0 });
  const socket = new WebSocket(`ws://127.0.0.1:${running.port}`);
  const heard: DeviceLine[] = [];
  const enough = new Promise<void>((resolve) =>
    socket.on('message', (data) => {
      heard.push(...readLines(String(data as Buffer)));
      if (heard.filter((line) => line.kind === 'sample').length > 20) resolve();
    }),
  );
  await new Promise((resolve) => socket.once('open', resolve));
  socket.send('IDENTIFY\nSTART');
  await enough;
  expect(heard[0]!.kind).toBe('device');
  const closed = new Promise((resolve) => socket.once('close', resolve));
  await running.stop();
  await closed;
});

it('loses the connection while it measures when it is told to', async () => {
  const running = await serve({ ...OPTIONS, port: 0, disconnects: 1 });
  const socket = new WebSocket(`ws://127.0.0.1:${running.port}`);
  await new Promise((resolve) => socket.once('open', resolve));
  const closed = new Promise((resolve) => socket.once('close', resolve));
  socket.on('error', () => undefined);
  socket.send('START');
  await closed;
  await running.stop();
});
