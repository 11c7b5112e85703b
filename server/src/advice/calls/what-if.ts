import type { WhatIfRequest } from '@iron-clasp/contract';

const CHALK_WORDS = { block: 'block chalk', liquid: 'liquid chalk', none: 'no chalk' } as const;

/** The circumstances that are tried, as one would say them. */
export function tried(
  { chalk, barDiameter, hands }: WhatIfRequest,
  venue: string | undefined,
  meet: string | undefined,
): string {
  const parts = [
    ...(venue ? [`at ${venue}`] : []),
    ...(chalk ? [CHALK_WORDS[chalk]] : []),
    ...(barDiameter ? [`a ${barDiameter} mm bar`] : []),
    ...(meet ? [`by the rules of ${meet}`] : []),
    ...(hands ? ['with other hands'] : []),
  ];
  return parts.length ? parts.join(', ') : 'as things are';
}
