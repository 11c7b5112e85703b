import {
  HOLD_KINDS_BY_ID,
  GRIP_NAMES,
  loadBar,
  sayStanding,
  type HoldEnding,
  type HoldPrescription,
  type MassUnit,
  type SetCall,
  SET_ROLE_TAGS,
  LOAD_MEANING_NAMES,
} from '@iron-clasp/core';
import type { CalledSet, FloorView } from '@iron-clasp/contract';
import clsx from 'clsx';
import { useLayoutEffect, useRef, useState, type ReactElement, type ReactNode } from 'react';
import { useUnit } from '../../data/session/use-unit.ts';
import { saidOn } from './lane.ts';
import { FIRST, SECOND } from './panel-sizes.ts';
import type { Lane } from './lane.ts';
import { Middle } from './middle.tsx';
import { TimedKeys } from './timed-keys.tsx';
import { AtHand, InOwnUnit, loadsAtHand, namedLoad } from '../../ui/at-hand.tsx';
import { BarDrawing } from '../../ui/marks/bar-drawing.tsx';
import { GripMark } from '../../ui/marks/grip-mark.tsx';
import { Button } from '../../ui/button.tsx';
import { formatMass, percent, seconds } from '../../ui/figures.ts';
import { MoreBelow, useOutOfSight } from '../../ui/more-below.tsx';
import { Caution } from '../../ui/states.tsx';
import { useKeys } from '../../ui/use-keys.ts';

interface SetPanelProps {
  readonly sessionId: string;
  readonly set: CalledSet;
  readonly call: SetCall;
  /** What goes on the bar, kg. */
  readonly load: number;
  readonly equipment: FloorView['equipment'];
  readonly next: Lane['next'];
  /** Holds done already. */
  readonly done: ReactNode;
  /** Something is asked above the set, which takes room. */
  readonly crowded: boolean;
  readonly onDone: () => void;
  /** Warm-ups that stand ahead together, this one the first; none where it stands alone. */
  readonly warmups: readonly CalledSet[];
  readonly onWarmups: () => void;
  readonly onSlip: (rep: number) => void;
  /** A set for time, with the seconds that were really done. */
  readonly onTimed: (seconds: number, ended: HoldEnding) => void;
  readonly onOtherwise: () => void;
  readonly onLeaveOut: () => void;
}

/** The set of now, large enough for arm's length: load, plates, grip, straps, chalk, one cue; the next one below. */
export function SetPanel(props: SetPanelProps): ReactElement {
  const { set, call, load, equipment, next, done, crowded } = props;
  const { onSlip, onOtherwise, onLeaveOut, warmups } = props;
  /** Not to be done at all: the key for the usual case leaves it out. */
  const barred = call.verdict === 'stop' && call.lighterLoad === undefined;
  const onDone = barred ? onLeaveOut : props.onDone;
  const unit = useUnit();
  /** The set that slipped and whose repetition is asked for: a question that was open for one set is none of the next. */
  const [slippedSet, setSlippedSet] = useState<string | null>(null);
  if (slippedSet !== null && slippedSet !== set.id) setSlippedSet(null);
  const slipping = slippedSet === set.id;
  const ask = (open: boolean): void => setSlippedSet(open ? set.id : null);
  // The panel stays for the next set, so that a tap draws what differs; only what was scrolled begins anew.
  const shown = useRef<HTMLDivElement>(null);
  const scrolled = useRef(false);
  const [lastCaution, unread] = useOutOfSight();
  useLayoutEffect(() => {
    // Asked of a page that was not scrolled, it would only be laid out once more.
    if (scrolled.current) shown.current!.scrollTop = 0;
    scrolled.current = false;
  }, [set.id]);
  /** Runs by the clock; what must not be done has none. */
  const timed = set.seconds !== null && !barred;
  const bare = call.choice !== 'straps' && call.choice !== null;
  const slip = (): void => (set.reps === 1 ? onSlip(1) : ask(true));
  useKeys({
    ' ': (event) => {
      if (timed) return;
      event.preventDefault();
      onDone();
    },
    s: () => bare && !timed && slip(),
    Escape: () => ask(false),
  });
  const loading =
    set.loading.perSide.length > 0 ? loadBar({ target: load, ...equipment }).nearest : set.loading;
  const said = set.seconds ? seconds(set.seconds) : `${set.reps}`;
  return (
    <section aria-label="The set" className="flex min-h-0 grow flex-col flat:flex-row">
      <Middle
        part={shown}
        onScroll={() => (scrolled.current = true)}
        className="gap-1.5 px-3 py-1 spacious:gap-3"
        over={unread && call.cautions.length > 0 && <MoreBelow />}
      >
        <p className="text-lg leading-tight text-quiet spacious:text-xl flat:hidden">
          {set.liftName}, {SET_ROLE_TAGS[set.role]}
          {LOAD_MEANING_NAMES[set.loadMeans] && `, ${LOAD_MEANING_NAMES[set.loadMeans]}`}
        </p>
        <p
          className={clsx(
            'figures leading-none font-semibold',
            // What warns comes before what is large.
            call.cautions.length > 1
              ? 'text-4xl'
              : call.cautions.length > 0
                ? 'text-5xl'
                : 'text-5xl roomy:text-6xl',
            'spacious:text-7xl vast:text-8xl',
          )}
        >
          <AtHand loading={loading} kg={load} reader={unit} named />
          <span className="text-quiet"> × </span>
          {said}
        </p>
        <InOwnUnit loading={loading} kg={load} reader={unit} />
        {Math.abs(load - set.loading.total) > 0.05 && (
          <p className="text-ochre">planned {formatMass(set.loading.total, unit)}; lighter, as called now</p>
        )}
        {set.loading.perSide.length > 0 && (
          <div className={clsx('hidden', call.cautions.length > 0 ? 'spacious:block' : 'roomy:block')}>
            <BarDrawing loading={loading} height={54} />
          </div>
        )}
        <p className="flex flex-wrap items-center justify-center gap-x-3 text-xl leading-tight font-semibold spacious:text-2xl short:text-lg">
          {call.choice && (
            <GripMark choice={call.choice} {...(call.sideUnder && { sideUnder: call.sideUnder })} size={36} />
          )}
          {saidOn(call)}
        </p>
        {call.verdict === 'stop' && (
          <div className="text-left leading-tight">
            <Caution stop>{call.reasons[0]?.text}</Caution>
          </div>
        )}
        {call.probability !== null && (
          <p className="figures text-lg leading-tight text-quiet">
            {percent(call.probability)} to hold
            {sayStanding(call) && `, ${sayStanding(call)}`}
          </p>
        )}
        {call.cautions.map((text) => (
          <div key={text} className="text-left leading-tight short:text-sm">
            <Caution>{text}</Caution>
          </div>
        ))}
        <span ref={lastCaution} aria-hidden className="block h-px" />
        {call.cues[0] && (
          <p className="hidden max-w-xl leading-tight spacious:block vast:text-lg">{call.cues[0]}</p>
        )}
        {done}
      </Middle>
      <div className="grid shrink-0 justify-items-center gap-2 px-3 pb-2 text-center flat:basis-1/2 flat:content-center">
        <p className={clsx('leading-tight text-quiet flat:hidden', crowded && 'short:hidden')}>
          {warmups.length > 0
            ? `warm-ups: ${loadsAtHand(
                warmups.map((each) => each.loading),
                unit,
              )}`
            : `next: ${
                next === null
                  ? 'the end'
                  : next.kind === 'hold'
                    ? sayHold(next.hold, unit)
                    : saySet(next.set, set, unit)
              }`}
        </p>
        {timed ? (
          <TimedKeys
            sessionId={props.sessionId}
            target={set.seconds!}
            onEnd={props.onTimed}
            onDone={onDone}
            onOtherwise={onOtherwise}
          />
        ) : slipping ? (
          <fieldset className="w-full max-w-2xl">
            <legend className="mx-auto text-lg">Slipped at which repetition?</legend>
            <div className="mt-1 grid grid-cols-[repeat(auto-fit,minmax(3.5rem,1fr))] gap-1.5">
              {Array.from({ length: set.reps }, (_, i) => i + 1).map((rep) => (
                <Button key={rep} className={clsx('figures text-2xl', SECOND)} onClick={() => onSlip(rep)}>
                  {rep}
                </Button>
              ))}
              <Button className={clsx('col-span-2', SECOND)} onClick={() => ask(false)}>
                Cancel
              </Button>
            </div>
          </fieldset>
        ) : (
          <div className="grid w-full max-w-2xl gap-2">
            <Button look="action" className={clsx('text-2xl', FIRST)} onClick={onDone}>
              {barred ? 'Leave it out' : 'Done as called'}
            </Button>
            <div className="grid auto-cols-fr grid-flow-col gap-2">
              {bare && (
                <Button className={clsx('text-xl', SECOND)} onClick={slip}>
                  Slipped
                </Button>
              )}
              <Button className={clsx('text-xl', SECOND)} onClick={onOtherwise}>
                Different set
              </Button>
              {warmups.length > 0 && (
                <Button className={clsx('text-xl', SECOND)} onClick={props.onWarmups}>
                  All {warmups.length} done<span className="sr-only">, the warm-ups as called</span>
                </Button>
              )}
            </div>
          </div>
        )}
      </div>
    </section>
  );
}

const sayHold = (hold: HoldPrescription, unit: MassUnit): string =>
  `${HOLD_KINDS_BY_ID[hold.kind].name.toLowerCase()}, ${formatMass(hold.load, unit)}`;

function saySet(next: CalledSet, before: CalledSet, unit: MassUnit): string {
  const { liftName, role, loading, reps, call } = next;
  const amount = next.seconds ? seconds(next.seconds) : reps;
  return [
    ...(liftName === before.liftName ? [] : [liftName]),
    `${SET_ROLE_TAGS[role]} ${namedLoad(loading, unit)} × ${amount}`,
    ...(call.choice ? [GRIP_NAMES[call.choice]] : []),
  ].join(', ');
}
