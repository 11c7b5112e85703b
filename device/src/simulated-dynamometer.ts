import { readCommand, writeLine, type DeviceLine } from '@iron-clasp/contract';
import {
  chanceOf,
  contractionsOf,
  squeezeOf,
  type Chance,
  type Person,
  type Squeeze,
} from './simulated-person.ts';

export interface SimulatedOptions {
  readonly seed: number;
  readonly person: Person;
  /** Share of samples that never arrive. */
  readonly dropOuts: number;
}

export const RATE = 80;
/** kgf that it can measure. */
const MOST_FORCE = 120;
/** kgf: scatter of a sample, and drift a second. */
const NOISE = 0.08;
const DRIFT = 0.004;
/** kgf that it reads with nothing in the hand before it is tared. */
const FIRST_OFFSET = 1.3;
/** Drop-outs come in runs of up to this many samples. */
const LONGEST_RUN = 4;

/** A dynamometer with a person at it, without a wire: commands in, lines out, time handed in. */
export class SimulatedDynamometer {
  readonly #options: SimulatedOptions;
  readonly #chance: Chance;
  #hand: 'left' | 'right' = 'left';
  #contractions = false;
  #offset = FIRST_OFFSET;
  #tare = 0;
  #battery = 91;
  /** ms since it was switched on. */
  #now = 0;
  #run: { startedAt: number; squeeze: Squeeze; sent: number; dropping: number; kept: number } | null = null;

  constructor(options: SimulatedOptions) {
    this.#options = options;
    this.#chance = chanceOf(options.seed);
  }

  /** What it answers to a line. */
  hear(line: string): string[] {
    const command = readCommand(line);
    if (!command) return [writeLine({ kind: 'error', text: 'unknown command' })];
    switch (command.say) {
      case 'IDENTIFY':
        return this.#say({
          kind: 'device',
          name: 'Simulated dynamometer',
          serial: `SIM-${this.#options.seed}`,
          rate: RATE,
          max: MOST_FORCE,
        });
      case 'BATTERY':
        return this.#say({ kind: 'battery', percent: Math.round(this.#battery) });
      case 'TARE':
        this.#tare = this.#reading(0);
        return this.#say({ kind: 'tared', offset: this.#tare });
      case 'NOTE':
        if (command.text === 'hand=left' || command.text === 'hand=right')
          this.#hand = command.text === 'hand=left' ? 'left' : 'right';
        this.#contractions =
          command.text === 'test=contractions' || (command.text !== 'test=peak' && this.#contractions);
        return [];
      case 'START': {
        const make = this.#contractions ? contractionsOf : squeezeOf;
        const squeeze = make(this.#options.person, this.#hand, this.#chance);
        this.#run = { startedAt: this.#now, squeeze, sent: 0, dropping: 0, kept: 0 };
        return this.#say({ kind: 'started', rate: RATE });
      }
      case 'STOP': {
        const samples = this.#run?.kept ?? 0;
        this.#run = null;
        return this.#say({ kind: 'stopped', samples });
      }
    }
  }

  /** Lets time go on; gives the samples that have come due. */
  advance(ms: number): string[] {
    this.#now += ms;
    this.#battery = Math.max(5, this.#battery - ms / 600_000);
    const run = this.#run;
    if (!run) return [];
    const due = Math.floor(((this.#now - run.startedAt) * RATE) / 1000);
    const lines: string[] = [];
    for (; run.sent < due; run.sent++) {
      const at = (run.sent * 1000) / RATE;
      const force = this.#reading(run.squeeze(at / 1000), run.startedAt + at) - this.#tare;
      if (run.dropping > 0) run.dropping--;
      else if (this.#chance.uniform() < this.#options.dropOuts)
        run.dropping = Math.floor(this.#chance.uniform() * LONGEST_RUN);
      else {
        run.kept++;
        lines.push(writeLine({ kind: 'sample', ms: at, force }));
      }
    }
    return lines;
  }

  #reading(force: number, at = this.#now): number {
    const drift = (DRIFT * at) / 1000;
    return Math.min(MOST_FORCE, force + this.#offset + drift + NOISE * this.#chance.normal());
  }

  #say(line: DeviceLine): string[] {
    return [writeLine(line)];
  }
}
