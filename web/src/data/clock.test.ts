import { clockNow, clubDay, setClockBy } from './clock.ts';

const header = (ms: number): string => new Date(ms).toUTCString();
const gap = (): number => clockNow().getTime() - Date.now();

it('a device that is right stays as it is', () => {
  setClockBy(header(Date.now() + 2_000), Date.now());
  expect(Math.abs(gap())).toBeLessThan(50);
});

it('a device that is off is set right, and no jitter of an answer moves it again', () => {
  const off = 3 * 86_400_000;
  setClockBy(header(Date.now() + off), Date.now());
  const first = gap();
  expect(Math.abs(first - off)).toBeLessThan(2_000);
  setClockBy(header(Date.now() + off + 4_000), Date.now());
  expect(Math.abs(gap() - first)).toBeLessThan(50);
});

it('an answer without a date, or with nonsense for one, changes nothing', () => {
  const before = gap();
  setClockBy(null, Date.now());
  setClockBy('yesterday', Date.now());
  expect(Math.abs(gap() - before)).toBeLessThan(50);
});

it('a device that was put right by its owner counts as right again', () => {
  setClockBy(header(Date.now()), Date.now());
  expect(Math.abs(gap())).toBeLessThan(50);
});

it('the day is the club’s, wherever the device is', () => {
  const at = new Date('2026-11-24T12:00:00Z');
  expect(clubDay('Europe/Berlin', at)).toBe('2026-11-24');
  expect(clubDay('Pacific/Auckland', at)).toBe('2026-11-25');
  expect(clubDay('America/New_York', new Date('2026-11-24T03:00:00Z'))).toBe('2026-11-23');
});
