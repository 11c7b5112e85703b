import { GRIP_NAMES, type Grip } from '@iron-clasp/core';
import type { CurveView } from '@iron-clasp/contract';
import type { ReactElement } from 'react';
import { useUnit } from '../../data/session/use-unit.ts';
import { answerTo, type Asked } from '../../ui/charts/asked.ts';
import { Button } from '../../ui/button.tsx';
import { formatMass, inUnit, percent, seconds } from '../../ui/figures.ts';
import { toKg } from '@iron-clasp/core';
import { Slider } from '../../ui/slider.tsx';

interface AskProps {
  readonly view: CurveView;
  readonly grip: Grip;
  readonly asked: Asked | null;
  readonly onAsk: (asked: Asked | null) => void;
}

/** How long at this load, what load for this time: by dragging along an axis, or with the sliders. */
export function Ask({ view, grip, asked, onAsk }: AskProps): ReactElement {
  const unit = useUnit();
  const answer = asked && answerTo(view.curve, grip, asked);
  const most = Math.ceil(inUnit(view.curve.referenceLoad * 2.2, unit) / 10) * 10;
  const mass = (kg: number): string => formatMass(Math.round(kg * 2) / 2, unit);
  return (
    <section aria-label="Ask the curve" className="mt-4 grid gap-2 border-t-2 border-ink pt-2">
      <h3 className="text-xl">Ask the curve</h3>
      <p className="text-sm text-quiet">
        Drag along the left or the bottom of the drawing, or move a slider.
      </p>
      <div className="grid gap-x-8 gap-y-2 sm:grid-cols-2">
        <Slider
          label="How long at this load"
          min={10}
          max={most}
          step={unit === 'kg' ? 2.5 : 5}
          value={inUnit(answer?.load ?? view.curve.referenceLoad, unit)}
          words={mass(answer?.load ?? view.curve.referenceLoad)}
          onChange={(value) => onAsk({ load: toKg(value, unit) })}
        />
        <Slider
          label="What load for this time"
          min={1}
          max={60}
          value={answer?.seconds ?? 10}
          words={seconds(answer?.seconds ?? 10)}
          onChange={(value) => onAsk({ seconds: value })}
        />
      </div>
      {answer && (
        <p role="status" className="figures text-xl">
          {asked.load !== undefined ? (
            <>
              <b>{mass(answer.load)}</b> {GRIP_NAMES[grip]}: {seconds(answer.seconds)} as often as not,{' '}
              {seconds(answer.sure)} nine times in ten, {seconds(answer.bold)} once in ten. Ten seconds:{' '}
              {percent(answer.tenSeconds)}.
            </>
          ) : (
            <>
              <b>{seconds(answer.seconds)}</b> {GRIP_NAMES[grip]}: {mass(answer.load)} as often as not,{' '}
              {mass(answer.sure)} nine times in ten, {mass(answer.bold)} once in ten.
            </>
          )}{' '}
          <span className="text-base text-quiet">
            {view.curve.evidence.observations} holds and sets behind it.
          </span>{' '}
          <Button look="quiet" className="text-base" onClick={() => onAsk(null)}>
            Clear
          </Button>
        </p>
      )}
    </section>
  );
}
