import {
  FIXED_GRIPS,
  HANDLES,
  LINE_PURPOSES,
  type FixedGrip,
  type Handle,
  type LinePurpose,
} from '../calls/types.ts';
import { SIDES, type Side } from '../hands/hand-state.ts';
import type { Lift } from '../set-demand/lift.ts';
import { oneOf, optional, range, record, type Check } from '../shape.ts';

/** What a line says beside sets and load: its purpose, and what it fixes whatever would be called. */
export interface LineTerms {
  readonly purpose?: LinePurpose;
  readonly fixed?: FixedGrip;
  /** Side under that the line fixes for a mixed grip. */
  readonly under?: Side;
  /** What is put between hand and bar. */
  readonly handle?: Handle;
  /** The one hand that works. */
  readonly hand?: Side;
  /** s. */
  readonly rest?: number;
}

/** A word of a line, and the character at which it stands, counted from 0. */
export interface Token {
  readonly text: string;
  readonly at: number;
}

/** Words by which a line fixes a grip. */
const FIXED_WORDS: Readonly<Record<string, FixedGrip>> = {
  overhand: 'doubleOverhand',
  mixed: 'mixed',
  hook: 'hook',
  straps: 'straps',
  bare: 'bare',
};

/** Rest that a line may ask for, s. */
const REST = { min: 10, max: 1800 } as const;

export const termsCheck: Check = record<LineTerms>({
  purpose: optional(oneOf(LINE_PURPOSES)),
  fixed: optional(oneOf(FIXED_GRIPS)),
  under: optional(oneOf(SIDES)),
  handle: optional(oneOf(HANDLES)),
  hand: optional(oneOf(SIDES)),
  rest: optional(range(REST.min, REST.max)),
});

/** Reads the terms that may stand behind a load, each at most once and in any order. */
export function readTerms(
  take: (word: string) => boolean,
  peek: () => Token | undefined,
  lift: Lift,
): { readonly terms: LineTerms } | { readonly fault: string; readonly at: Token | undefined } {
  const terms: { -readonly [Term in keyof LineTerms]: LineTerms[Term] } = {};
  for (;;) {
    const at = peek();
    const purpose = LINE_PURPOSES.find((each) => take(each));
    if (purpose) {
      terms.purpose = purpose;
      continue;
    }
    const handle = lift.grips ? HANDLES.find((each) => take(each)) : undefined;
    if (handle) {
      terms.handle = handle;
      continue;
    }
    const word = Object.keys(FIXED_WORDS).find((each) => take(each));
    if (word) {
      const fixed = FIXED_WORDS[word]!;
      if (fixed === 'straps' ? !lift.straps.allowed : fixed !== 'bare' && !lift.admits.includes(fixed))
        return {
          fault: `${lift.name} is never done with ${word === 'overhand' ? 'double overhand' : word}.`,
          at,
        };
      terms.fixed = fixed;
      continue;
    }
    const side = SIDES.find((each) => take(each));
    if (side) {
      if (take('under')) terms.under = side;
      else if (take('hand')) terms.hand = side;
      else return { fault: `Say ${side} under, or ${side} hand.`, at: peek() ?? at };
      if (terms.under && !lift.admits.includes('mixed'))
        return { fault: `${lift.name} is never done with mixed grip.`, at };
      if (terms.hand && lift.loadMeans !== 'oneHand')
        return { fault: `${lift.name} is done with both hands.`, at };
      continue;
    }
    if (take('rest')) {
      const long = peek();
      const read = /^(\d+(?:[.,]\d+)?)(min|s)$/i.exec(long?.text ?? '');
      const rest = read ? number(read[1]!) * (read[2]!.toLowerCase() === 'min' ? 60 : 1) : NaN;
      if (!long || !(rest >= REST.min && rest <= REST.max))
        return { fault: 'The rest stands here, from 10s to 30min, as rest 3min.', at: long };
      take(long.text.toLowerCase());
      terms.rest = rest;
      continue;
    }
    return { terms };
  }
}

/** Terms as they are written again. */
export function termWords({ purpose, fixed, under, handle, hand, rest }: LineTerms): string[] {
  const word = Object.entries(FIXED_WORDS).find(([, each]) => each === fixed)?.[0];
  return [
    ...(purpose ? [purpose] : []),
    ...(word ? [word] : []),
    ...(under ? [`${under} under`] : []),
    ...(handle ? [handle] : []),
    ...(hand ? [`${hand} hand`] : []),
    ...(rest ? [`rest ${rest % 60 === 0 ? `${rest / 60}min` : `${rest}s`}`] : []),
  ];
}

/** A figure as it is typed: a comma is a decimal point. */
export function number(text: string): number {
  return Number(text.replace(',', '.'));
}
