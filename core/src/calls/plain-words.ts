/** Whole per cent, never claiming certainty. */
export function percent(probability: number): string {
  return probability > 0.99
    ? 'over 99\u00a0%'
    : probability < 0.01
      ? 'under 1\u00a0%'
      : `${Math.round(probability * 100)}\u00a0%`;
}

/** A noun with its article, as it is spoken. */
export function withArticle(noun: string): string {
  return `${/^[aeiou]/i.test(noun) ? 'an' : 'a'} ${noun}`;
}

export function capital(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1);
}
