import {
  HOLD_KINDS_BY_ID,
  GRIP_NAMES,
  loadBar,
  type HoldPrescription,
  type SetCall,
  SET_ROLE_TAGS,
} from '@iron-clasp/core';
import type { CalledSet, FloorView } from '@iron-clasp/contract';
import { useState, type ReactElement } from 'react';
import { useUnit } from '../../data/session/use-unit.ts';
import { saidOn } from './lane.ts';
import { BarDrawing } from '../../ui/marks/bar-drawing.tsx';
import { GripMark } from '../../ui/marks/grip-mark.tsx';
import { Button } from '../../ui/button.tsx';
import { formatMass, percent, seconds } from '../../ui/figures.ts';
import { Caution } from '../../ui/states.tsx';
import { useKeys } from '../../ui/use-keys.ts';

interface SetPanelProps {
  readonly set: CalledSet;
  readonly call: SetCall;
  /** What goes on the bar, kg. */
  readonly load: number;
  readonly equipment: FloorView['equipment'];
  readonly next: CalledSet | 'hold' | null;
  readonly hold: HoldPrescription | null;
  readonly onDone: () => void;
  readonly onSlip: (rep: number) => void;
  readonly onOtherwise: () => void;
}

/** The set of now, large enough for arm's length: load, plates, grip, straps, chalk, one cue; the next one below. */
export function SetPanel(props: SetPanelProps): ReactElement {
  const { set, call, load, equipment, next, hold, onDone, onSlip, onOtherwise } = props;
  const unit = useUnit();
  const [slipping, setSlipping] = useState(false);
  const bare = call.choice !== 'straps' && call.choice !== null;
  const slip = (): void => (set.reps === 1 ? onSlip(1) : setSlipping(true));
  useKeys({
    ' ': (event) => {
      event.preventDefault();
      onDone();
    },
    s: () => bare && slip(),
    Escape: () => setSlipping(false),
  });
  const loading =
    set.loading.perSide.length > 0 ? loadBar({ target: load, ...equipment }).nearest : set.loading;
  const said = set.seconds ? seconds(set.seconds) : `${set.reps}`;
  return (
    <section
      aria-label="The set"
      className="flex grow flex-col items-center justify-center gap-2 px-4 py-3 text-center flat:grid flat:grid-cols-2 flat:gap-x-6 flat:py-1"
    >
      <div className="flex flex-col items-center gap-2 flat:gap-1">
        <p className="text-xl text-quiet">
          {set.liftName}, {SET_ROLE_TAGS[set.role]}
        </p>
        <p className="figures text-6xl leading-none font-semibold sm:text-8xl flat:text-6xl">
          {formatMass(load, unit)}
          <span className="text-quiet"> × </span>
          {said}
        </p>
        {Math.abs(load - set.loading.total) > 0.05 && (
          <p className="text-lg text-ochre">
            planned {formatMass(set.loading.total, unit)}; lighter, as called now
          </p>
        )}
        {set.loading.perSide.length > 0 && <BarDrawing loading={loading} height={54} />}
        <p className="flex flex-wrap items-center justify-center gap-x-4 gap-y-1 text-2xl font-semibold">
          {call.choice && (
            <GripMark choice={call.choice} {...(call.sideUnder && { sideUnder: call.sideUnder })} size={40} />
          )}
          {saidOn(call)}
        </p>
        {call.probability !== null && (
          <p className="figures text-lg text-quiet">
            {percent(call.probability)} to hold{call.verdict === 'weak' && ', below what is asked'}
          </p>
        )}
        {call.cues[0] && <p className="max-w-xl text-lg">{call.cues[0]}</p>}
        {call.cautions.slice(0, 2).map((text) => (
          <Caution key={text}>{text}</Caution>
        ))}
      </div>
      <div className="contents flat:grid flat:w-full flat:content-center flat:gap-2">
        {slipping ? (
          <fieldset className="w-full max-w-2xl">
            <legend className="mx-auto text-lg">Slipped at which repetition?</legend>
            <div className="mt-1 flex flex-wrap justify-center gap-2">
              {Array.from({ length: set.reps }, (_, i) => i + 1).map((rep) => (
                <Button key={rep} className="figures min-h-20 min-w-20 text-3xl" onClick={() => onSlip(rep)}>
                  {rep}
                </Button>
              ))}
              <Button className="min-h-20 px-6" onClick={() => setSlipping(false)}>
                Not after all
              </Button>
            </div>
          </fieldset>
        ) : (
          <div className="grid w-full max-w-2xl grid-cols-2 gap-3">
            <Button look="action" className="col-span-2 min-h-20 text-3xl sm:min-h-24" onClick={onDone}>
              Done as called
            </Button>
            {bare && (
              <Button className="min-h-16 text-2xl sm:min-h-20" onClick={slip}>
                Slipped
              </Button>
            )}
            <Button className="min-h-16 text-2xl sm:min-h-20" onClick={onOtherwise}>
              Otherwise
            </Button>
          </div>
        )}
        <p className="text-lg text-quiet">
          next:{' '}
          {next === null
            ? 'the end'
            : next === 'hold'
              ? hold
                ? `${HOLD_KINDS_BY_ID[hold.kind].name.toLowerCase()}, ${formatMass(hold.load, unit)}`
                : 'the hold'
              : `${next.liftName === set.liftName ? '' : `${next.liftName}, `}${SET_ROLE_TAGS[next.role]} ${formatMass(next.loading.total, unit)} × ${next.seconds ? seconds(next.seconds) : next.reps}${next.call.choice ? `, ${GRIP_NAMES[next.call.choice]}` : ''}`}
        </p>
      </div>
    </section>
  );
}
