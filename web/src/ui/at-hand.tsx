import { sayLoad, unitAtHand, type BarLoading, type MassUnit } from '@iron-clasp/core';
import type { ReactElement } from 'react';

interface AtHandProps {
  readonly loading: BarLoading;
  readonly reader: MassUnit;
  /** kg, where it is another load than the one drawn. */
  readonly kg?: number;
  /** Always with its unit; otherwise only where it is not the reader's, which the page names. */
  readonly named?: boolean;
}

/** A load as the plates say it; its unit is named where it is not the reader's. */
export function AtHand({ loading, reader, kg = loading.total, named = false }: AtHandProps): ReactElement {
  const { figure, unit, beside } = sayLoad(kg, unitAtHand([loading], reader), reader);
  return <>{named || beside !== null ? `${figure}\u00a0${unit}` : figure}</>;
}

/** The same in the reader's own unit, to stand beside it; nothing where that is the plates' own. */
export function InOwnUnit({
  loading,
  reader,
  kg = loading.total,
}: Omit<AtHandProps, 'named'>): ReactElement | null {
  const { beside } = sayLoad(kg, unitAtHand([loading], reader), reader);
  return beside === null ? null : <span className="text-base font-normal text-quiet">{beside}</span>;
}

/** Loads of several sets in a row, in the unit of their plates, which is named once where it is not the reader's. */
export function loadsAtHand(loadings: readonly BarLoading[], reader: MassUnit): string {
  const unit = unitAtHand(loadings, reader);
  const figures = loadings.map(({ total }) => sayLoad(total, unit, reader).figure).join(' · ');
  return unit === reader ? figures : `${figures} ${unit}`;
}

/** One load with its unit, in words. */
export function namedLoad(loading: BarLoading, reader: MassUnit): string {
  const { figure, unit } = sayLoad(loading.total, unitAtHand([loading], reader), reader);
  return `${figure} ${unit}`;
}
