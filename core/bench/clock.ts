/** Time of one round, ms: the median and the slowest in twenty. */
export interface Timing {
  readonly median: number;
  readonly p95: number;
}

/** One line of the bench: the work, and the yardstick run beside it. */
export interface Measured {
  readonly work: Timing;
  readonly yardstick: Timing;
}

/**
 * Times a piece of work over rounds, after warming up, each round beside one of the machine's own yardstick: machines
 * change their speed from second to second, and only the ratio of the two says something of the code.
 */
export function timed(rounds: number, work: (round: number) => unknown): Measured {
  for (let i = 0; i < Math.max(30, rounds / 2); i++) {
    work(i);
    yardstick();
  }
  const times: number[] = [];
  const beside: number[] = [];
  for (let i = 0; i < rounds; i++) {
    const start = performance.now();
    work(i);
    const between = performance.now();
    yardstick();
    times.push(between - start);
    beside.push(performance.now() - between);
  }
  return { work: summary(times), yardstick: summary(beside) };
}

function summary(times: readonly number[]): Timing {
  const sorted = [...times].sort((a, b) => a - b);
  return { median: sorted[Math.floor(sorted.length / 2)]!, p95: sorted[Math.floor(sorted.length * 0.95)]! };
}

const SIZE = 100;
const LEFT = Float64Array.from({ length: SIZE * SIZE }, (_, i) => Math.sin(i));
const RIGHT = Float64Array.from({ length: SIZE * SIZE }, (_, i) => Math.cos(i));
const PRODUCT = new Float64Array(SIZE * SIZE);

/** The machine's own yardstick: a plain product of two 100 × 100 matrices, a million multiplications and additions. */
function yardstick(): void {
  for (let i = 0; i < SIZE; i++) {
    for (let j = 0; j < SIZE; j++) {
      let sum = 0;
      for (let k = 0; k < SIZE; k++) sum += LEFT[i * SIZE + k]! * RIGHT[k * SIZE + j]!;
      PRODUCT[i * SIZE + j] = sum;
    }
  }
}

export function say(line: string): void {
  process.stdout.write(`${line}\n`);
}
