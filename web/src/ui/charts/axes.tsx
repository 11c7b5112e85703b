import type { MassUnit } from '@iron-clasp/core';
import type { ReactElement } from 'react';
import { load } from '../figures.ts';
import type { CurveFrame } from './curve-geometry.ts';

interface AxesProps {
  readonly frame: CurveFrame;
  /** Ticks and their scale along the bottom. */
  readonly x: (value: number) => number;
  readonly xTicks: readonly number[];
  readonly xName: string;
  /** Loads, kg, and their scale along the left. */
  readonly y: (kg: number) => number;
  readonly loadTicks: readonly number[];
  readonly yName: string;
  readonly unit: MassUnit;
}

const TEXT = { className: 'figures', fontSize: 14, fill: 'var(--quiet)' } as const;

/** Ruled lines for the loads, ticks for what runs along the bottom, and the names of both. */
export function Axes({ frame, x, xTicks, xName, y, loadTicks, yName, unit }: AxesProps): ReactElement {
  const { width, height, margin } = frame;
  const floor = height - margin.bottom;
  return (
    <>
      {loadTicks.map((tick) => (
        <g key={tick}>
          <line x1={margin.left} x2={width - margin.right} y1={y(tick)} y2={y(tick)} stroke="var(--rule)" />
          <text x={margin.left - 8} y={y(tick)} dy="0.35em" textAnchor="end" {...TEXT}>
            {load(tick, unit)}
          </text>
        </g>
      ))}
      {xTicks.map((tick) => (
        <g key={tick}>
          <line x1={x(tick)} x2={x(tick)} y1={floor} y2={floor + 5} stroke="var(--edge)" />
          <text x={x(tick)} y={floor + 20} textAnchor="middle" {...TEXT}>
            {tick}
          </text>
        </g>
      ))}
      <text x={width - margin.right} y={height - 8} textAnchor="end" {...TEXT}>
        {xName}
      </text>
      <text x={margin.left - 44} y={12} {...TEXT}>
        {yName}
      </text>
    </>
  );
}
