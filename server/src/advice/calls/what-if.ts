import { CHALK_NAMES } from '@iron-clasp/core';
import type { WhatIfRequest } from '@iron-clasp/contract';

/** The circumstances that are tried, as one would say them. */
export function tried(
  { chalk, barDiameter, hands }: WhatIfRequest,
  venue: string | undefined,
  meet: string | undefined,
): string {
  const parts = [
    ...(venue ? [`at ${venue}`] : []),
    ...(chalk ? [CHALK_NAMES[chalk]] : []),
    ...(barDiameter ? [`a ${barDiameter} mm bar`] : []),
    ...(meet ? [`by the rules of ${meet}`] : []),
    ...(hands ? ['with other hands'] : []),
  ];
  return parts.length ? parts.join(', ') : 'as things are';
}
