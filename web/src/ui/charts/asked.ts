import { holdLoad, holdProbability, holdSeconds, type Grip, type HoldCurve } from '@iron-clasp/core';

/** What somebody asks of the curve: how long at this load, or which load for this time. */
export type Asked =
  | { readonly load: number; readonly seconds?: undefined }
  | { readonly seconds: number; readonly load?: undefined };

/** The answer with its doubt: as often as not, and nine times and once in ten. */
export interface Answer {
  /** kg and s of the point on the curve. */
  readonly load: number;
  readonly seconds: number;
  /** Of what was not asked: nine times in ten, and once in ten. */
  readonly sure: number;
  readonly bold: number;
  /** Chance of holding the load for ten seconds. */
  readonly tenSeconds: number;
}

/** Reads the curve of a grip at a load or a time. */
export function answerTo(curve: HoldCurve, grip: Grip, asked: Asked): Answer {
  if (asked.load !== undefined) {
    const { load } = asked;
    const held = (probability: number): number => holdSeconds(curve, { load, probability, grip });
    return {
      load,
      seconds: held(0.5),
      sure: held(0.9),
      bold: held(0.1),
      tenSeconds: holdProbability(curve, { load, seconds: 10, grip }),
    };
  }
  const { seconds } = asked;
  const held = (probability: number): number => holdLoad(curve, { seconds, probability, grip });
  const load = held(0.5);
  return {
    load,
    seconds,
    sure: held(0.9),
    bold: held(0.1),
    tenSeconds: holdProbability(curve, { load, seconds: 10, grip }),
  };
}
