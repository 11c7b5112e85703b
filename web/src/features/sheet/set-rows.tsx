import {
  HOLD_KINDS_BY_ID,
  GRIP_NAMES,
  HANDLE_NAMES,
  LINE_PURPOSE_NAMES,
  isBarLift,
  sayStanding,
  type HoldPrescription,
  HOLD_CHANGE_NAMES,
  SET_ROLE_TAGS,
  HOLD_ENDING_NAMES,
} from '@iron-clasp/core';
import type { CalledSet, LoggedHoldView, TriedSet } from '@iron-clasp/contract';
import clsx from 'clsx';
import { ChevronRight } from 'lucide-react';
import type { ReactElement, ReactNode } from 'react';
import { useUnit } from '../../data/session/use-unit.ts';
import { BarDrawing } from '../../ui/marks/bar-drawing.tsx';
import { GripMark } from '../../ui/marks/grip-mark.tsx';
import { loadingWords } from '../../ui/marks/plates.ts';
import { AtHand, InOwnUnit, loadsAtHand } from '../../ui/at-hand.tsx';
import { Chance } from '../../ui/chance.tsx';
import { formatMass, load, percent, seconds } from '../../ui/figures.ts';
import { Caution } from '../../ui/states.tsx';
import { sayFree } from '../../ui/words.ts';
import { workAndWarmups, type SetGroup } from '../../data/training/set-groups.ts';

/** One line of the sheet: role, load, plates, call, chance; what does not fit beside the reasons folds under. */
const ROW_COLUMNS =
  'grid grid-cols-[4rem_1fr_auto] items-center gap-x-3 @2xl:grid-cols-[4rem_8.5rem_minmax(0,1fr)_auto] @4xl:grid-cols-[4rem_8.5rem_9.5rem_minmax(0,1fr)_9rem]';
const FOLDED_COLUMNS =
  'grid grid-cols-[4rem_1fr_auto] items-center gap-x-3 @2xl:grid-cols-[4rem_12rem_minmax(0,1fr)_auto] @4xl:grid-cols-[4rem_18.75rem_minmax(0,1fr)_9rem]';
const ROW_PLATES = 'hidden overflow-hidden @4xl:block';
const ROW_CALL =
  'col-span-2 col-start-2 row-start-2 flex min-w-0 items-center gap-3 @2xl:col-span-1 @2xl:col-start-auto @2xl:row-start-auto';

interface RowProps {
  readonly open: boolean;
  readonly onOpen: () => void;
  /** Without columns: a sentence instead of a call. */
  readonly plain?: boolean;
  /** Several sets in one line: loads take the room of the plates. */
  readonly folded?: boolean;
  readonly children: ReactNode;
}

function Row({ open, onOpen, plain = false, folded = false, children }: RowProps): ReactElement {
  return (
    <button
      type="button"
      data-row
      onClick={onOpen}
      aria-expanded={open}
      className={clsx(
        'w-full border-b border-rule px-1 text-left hover:bg-raised',
        plain ? 'py-3' : ['py-1.5', folded ? FOLDED_COLUMNS : ROW_COLUMNS],
        open && 'bg-raised',
      )}
    >
      {children}
    </button>
  );
}

/** One line of alike sets with its call. */
export function SetRow({
  group: { first: set, count },
  open,
  tried,
  onOpen,
}: {
  group: SetGroup;
  open: boolean;
  tried: TriedSet | undefined;
  onOpen: () => void;
}): ReactElement {
  const unit = useUnit();
  const { call } = set;
  const strong = set.role === 'top' || set.role === 'attempt';
  return (
    <Row open={open} onOpen={onOpen}>
      <span className="label">{SET_ROLE_TAGS[set.role]}</span>
      <span className={clsx('figures', strong ? 'text-2xl font-semibold' : 'text-xl')}>
        {set.loading.total === 0 ? (
          <span className="text-quiet">no load</span>
        ) : (
          <AtHand loading={set.loading} reader={unit} />
        )}
        <span className="text-quiet"> × </span>
        {set.seconds ? seconds(set.seconds) : set.reps}
        {count > 1 && <span className="ml-2 text-base whitespace-nowrap text-quiet">{count} sets</span>}{' '}
        {set.loading.total > 0 && <InOwnUnit loading={set.loading} reader={unit} />}
      </span>
      <span className={ROW_PLATES} title={loadingWords(set.loading)}>
        {isBarLift(set.liftId) && <BarDrawing loading={set.loading} height={strong ? 44 : 34} />}
      </span>
      <span className={ROW_CALL}>
        {call.choice && (
          <GripMark
            choice={call.choice}
            {...(call.sideUnder && { sideUnder: call.sideUnder })}
            size={strong ? 28 : 24}
          />
        )}
        <span
          className={clsx(
            'min-w-0',
            strong && 'font-semibold',
            call.verdict === 'free' && 'text-quiet',
            call.verdict === 'stop' && 'font-semibold text-oxblood',
          )}
        >
          {set.line}
          {set.handle && <span className="font-normal">, {HANDLE_NAMES[set.handle]}</span>}
          {set.purpose && <span className="font-normal text-quiet">, {LINE_PURPOSE_NAMES[set.purpose]}</span>}
          {call.overridden && ' (coach)'}
          {set.override && !call.overridden && (
            <span className="block text-sm font-normal text-oxblood">decided otherwise, but barred now</span>
          )}
          {tried && <Tried tried={tried} real={call.probability} />}
          {set.fault && (
            <span className="block text-sm font-normal text-oxblood">
              {set.fault.text} {set.fault.mend}
            </span>
          )}
          <Standing set={set} />
        </span>
      </span>
      <span className="text-right @4xl:text-left">
        <ChanceOf call={call} />
        {call.choice === 'straps' && <span className="text-sm text-quiet">strapped</span>}
      </span>
    </Row>
  );
}

/** The chance of a call, where the bare hand is tested. */
function ChanceOf({ call }: { call: CalledSet['call'] }): ReactElement | null {
  const { probability, range, threshold, verdict } = call;
  if (probability === null || !range) return null;
  return (
    <Chance probability={probability} range={range} threshold={threshold} unproven={verdict === 'unproven'} />
  );
}

/** Says that a line holds more than it shows. */
function Unfolds({ open }: { open: boolean }): ReactElement {
  return (
    <ChevronRight size={14} aria-hidden className={clsx('inline shrink-0 text-quiet', open && 'rotate-90')} />
  );
}

/** Sets that stand in one line, and whether it is unfolded. */
interface FoldedProps {
  readonly groups: readonly SetGroup[];
  readonly open: boolean;
  readonly onOpen: () => void;
}

/** Warm-ups in a row that are gripped alike: one line that unfolds. */
export function WarmupRow({ groups, open, onOpen }: FoldedProps): ReactElement {
  const unit = useUnit();
  const sets = groups.map((group) => group.first);
  const { line, call } = sets[0]!;
  const riskiest = sets.reduce((worst, set) =>
    (set.call.probability ?? 1) < (worst.call.probability ?? 1) ? set : worst,
  );
  const { verdict } = riskiest.call;
  return (
    <Row open={open} onOpen={onOpen} folded>
      <span className="label">{SET_ROLE_TAGS.warmup}</span>
      <span className="figures flex items-center gap-2 text-lg">
        {loadsAtHand(
          sets.map((set) => set.loading),
          unit,
        )}{' '}
        <Unfolds open={open} />
      </span>
      <span className={ROW_CALL}>
        {call.choice && (
          <GripMark choice={call.choice} {...(call.sideUnder && { sideUnder: call.sideUnder })} size={22} />
        )}
        <span className="min-w-0">
          {line}
          <span className="text-quiet"> · </span>
          <span className="text-quiet">
            {groups.map(({ first, count }) => `${count > 1 ? `${count} × ` : ''}${first.reps}`).join(', ')}{' '}
            reps
          </span>
          {verdict === 'unproven' && <span className="text-sm text-quiet">, not known yet</span>}
        </span>
      </span>
      <span className="text-right @4xl:text-left">
        <ChanceOf call={riskiest.call} />
      </span>
    </Row>
  );
}

/** A lift that hangs from no hand: one quiet line, with its chalk where there is any. */
export function FreeRow({ groups, open, onOpen }: FoldedProps): ReactElement {
  const unit = useUnit();
  const { shown, warmups } = workAndWarmups(groups);
  const after = loadsAtHand(
    warmups.map(({ first }) => first.loading),
    unit,
  );
  return (
    <Row open={open} onOpen={onOpen} folded>
      <span className="label">{SET_ROLE_TAGS[shown[0]!.first.role]}</span>
      <span className="figures text-lg">
        {shown
          .map(({ first, count }) => {
            const asked = first.seconds ? seconds(first.seconds) : String(first.reps);
            const one =
              first.loading.total > 0 ? `${loadsAtHand([first.loading], unit)} × ${asked}` : `× ${asked}`;
            return count > 1 ? `${one}, ${count} sets` : one;
          })
          .join('; ')}{' '}
        <Unfolds open={open} />
      </span>
      <span className={clsx(ROW_CALL, 'text-quiet')}>
        <span className="min-w-0">
          {[...sayFree(shown[0]!.first.call), ...(warmups.length > 0 ? [`after ${after}`] : [])].join(' · ')}
        </span>
      </span>
      <span />
    </Row>
  );
}

/** How firmly the call stands, and the load that would do where it does not. */
function Standing({ set: { call, role, lighter } }: { set: CalledSet }): ReactElement | null {
  const unit = useUnit();
  const words = sayStanding(call);
  if (call.verdict === 'stop')
    return lighter === null ? null : (
      <span className="block text-sm font-normal text-ochre">
        at most {formatMass(lighter, unit)} instead
      </span>
    );
  if (!words) return null;
  return (
    <span
      className={clsx(
        'block text-sm font-normal',
        // A warm-up that nobody has logged yet is no cause for alarm.
        call.verdict === 'weak' ? 'text-ochre' : 'text-quiet',
      )}
    >
      {role === 'warmup' && call.verdict === 'unproven' ? 'not known yet' : words}
      {lighter !== null && `; ${formatMass(lighter, unit)} would hold`}
    </span>
  );
}

/** What would be called instead, under the real call. */
function Tried({ tried, real }: { tried: TriedSet; real: number | null }): ReactElement | null {
  const moved =
    tried.probability !== null && real !== null && Math.abs(tried.probability - real) >= 0.005
      ? `${percent(tried.probability)} instead of ${percent(real)}`
      : null;
  if (!tried.changed && !moved) return null;
  return (
    <span className="mt-0.5 block border-l-4 border-dashed border-edge pl-2 text-sm font-normal">
      {tried.changed ? (
        <>
          what if: <b>{tried.line}</b>
          {tried.probability !== null && `, ${percent(tried.probability)}`}
          <span className="block text-quiet">{tried.why}</span>
        </>
      ) : (
        <span className="text-quiet">what if: {moved}</span>
      )}
    </span>
  );
}

/** A hold of the session, what was done of it, and the next one. */
export function HoldRow({
  hold,
  next,
  done,
  open,
  onOpen,
  children,
}: {
  hold: HoldPrescription;
  next: HoldPrescription | null;
  done: readonly LoggedHoldView[];
  open: boolean;
  onOpen: () => void;
  /** What is decided of it. */
  children?: ReactNode;
}): ReactElement {
  const unit = useUnit();
  return (
    <section aria-label={HOLD_KINDS_BY_ID[hold.kind].name} className="mb-4">
      <div className="flex flex-wrap items-end justify-between gap-x-4 gap-y-1 border-b-2 border-verdigris pb-1">
        <h2 className="text-xl text-verdigris">{HOLD_KINDS_BY_ID[hold.kind].name}, after the main lifts</h2>
        {children}
      </div>
      {hold.barred ? (
        <Row open={open} onOpen={onOpen} plain>
          <Caution stop>No hold today. {hold.barred.text}</Caution>
        </Row>
      ) : (
        <Row open={open} onOpen={onOpen}>
          <span className="label">
            {hold.sets} × {hold.seconds} s
          </span>
          <span className="figures text-2xl font-semibold">
            <AtHand loading={hold.loading} kg={hold.load} reader={unit} />{' '}
            <InOwnUnit loading={hold.loading} kg={hold.load} reader={unit} />
          </span>
          <span className={ROW_PLATES}>
            <BarDrawing loading={hold.loading} height={44} />
          </span>
          <span className={ROW_CALL}>
            <GripMark choice={hold.grip} {...(hold.sideUnder && { sideUnder: hold.sideUnder })} size={28} />
            <span>
              <b>
                {GRIP_NAMES[hold.grip]}
                {hold.sideUnder && `, ${hold.sideUnder} under`}
              </b>
              , {HOLD_CHANGE_NAMES[hold.change]}; rest {hold.rest[0] / 60}–{hold.rest[1] / 60} min
            </span>
          </span>
          <span className="figures text-right text-lg @4xl:text-left">
            {percent(hold.probability)} to reach it
          </span>
        </Row>
      )}
      {done.map((each, i) => (
        <p key={each.id} className="flex items-baseline gap-3 border-b border-rule px-1 py-1.5">
          <span className="label w-[4.5rem]">hold {i + 1}</span>
          <span className="figures text-xl">{load(each.load, unit)}</span>
          <span>
            held <b className="figures text-xl">{each.seconds.toFixed(1)} s</b> of {each.target} s,{' '}
            {HOLD_ENDING_NAMES[each.ended]}
          </span>
        </p>
      ))}
      {next && !next.barred && (
        <p className="px-1 py-2 text-verdigris">
          Next time: <b className="figures text-xl">{formatMass(next.load, unit)}</b>,{' '}
          {HOLD_CHANGE_NAMES[next.change]}. {next.why[0]?.text}
        </p>
      )}
    </section>
  );
}
