import { GRIP_NAMES, type HoldPrescription } from '@iron-clasp/core';
import type { CallsView, LifterView, SessionHead, TriedSet, WhatIfRequest } from '@iron-clasp/contract';
import clsx from 'clsx';
import { Printer, Shuffle, Timer } from 'lucide-react';
import { useRef, useState, type ReactElement, type ReactNode } from 'react';
import { Link, useNavigate } from 'react-router';
import { useCalls, useMoveSession, useWhatIf } from '../api/queries.ts';
import { useUnit } from '../api/use-unit.ts';
import { BarDrawing } from '../marks/bar-drawing.tsx';
import { loadingWords } from '../marks/plates.ts';
import { GripMark } from '../marks/grip-mark.tsx';
import { Button } from '../parts/button.tsx';
import { Chance } from '../parts/chance.tsx';
import { formatMass, load, nearDay, percent, seconds } from '../parts/figures.ts';
import { Caution, Empty, Failed, Loading } from '../parts/states.tsx';
import { useKeys } from '../parts/use-keys.ts';
import { CHANGE_WORDS, ROLE_WORDS } from '../parts/words.ts';
import { ReasonsDrawer, type Subject } from '../reasons/reasons-drawer.tsx';
import { groupSets, type SetGroup } from './set-groups.ts';
import { FIELD_NAMES } from '../lifters/lifter-draft.ts';
import { useOpenSheet } from './sheet.tsx';
import { WhatIf } from './what-if.tsx';

/** The next session as a sheet of called sets, and its hold. */
export function Calls(): ReactElement {
  const { nextSessionId, today, lifter, season } = useOpenSheet();
  const calls = useCalls(nextSessionId);
  if (!nextSessionId) {
    return (
      <Empty title="No session planned">
        <p>
          Once a session is written for {lifter.name}, its calls stand here: grip, straps and chalk for each
          set.
        </p>
      </Empty>
    );
  }
  if (calls.isPending) return <Loading what="the calls" lines={9} />;
  if (calls.error && !calls.data) return <Failed error={calls.error} retry={() => void calls.refetch()} />;
  const meet = season.marks.find((mark) => mark.kind === 'meet')?.label ?? null;
  return <Session view={calls.data!} today={today} lifter={lifter} meet={meet} stale={calls.error} />;
}

function Session({
  view,
  today,
  lifter,
  meet,
  stale,
}: {
  view: CallsView;
  today: string;
  lifter: LifterView;
  meet: string | null;
  stale: Error | null;
}): ReactElement {
  const [subject, setSubject] = useState<Subject | null>(null);
  const navigate = useNavigate();
  const rows = useRef<HTMLDivElement>(null);
  const groups = groupSets(view.sets);
  const [asked, setAsked] = useState<WhatIfRequest | null>(null);
  const toggleWhatIf = (): void => setAsked((before) => (before ? null : {}));
  const anything = asked !== null && Object.keys(asked).length > 0;
  const whatIf = useWhatIf(view.session.id, anything ? asked : null);
  const trying = anything ? whatIf.data : undefined;
  const tried = new Map(trying?.sets.map((set) => [set.id, set]));
  useKeys({
    f: () => void navigate(`/floor/${view.session.id}`),
    w: toggleWhatIf,
    Escape: () => setSubject(null),
    ArrowDown: (event) => step(rows.current, event, 1),
    ArrowUp: (event) => step(rows.current, event, -1),
  });

  return (
    <div className="xl:flex xl:items-start xl:gap-8">
      <div className="@container min-w-0 grow">
        <Unanswered lifter={lifter} />
        <SessionBar head={view.session} today={today} trying={asked !== null} onTry={toggleWhatIf} />
        {asked && (
          <WhatIf
            head={view.session}
            hands={lifter.hands}
            meet={meet}
            asked={asked}
            tried={trying?.tried}
            changed={groups.filter((group) => tried.get(group.first.id)?.changed).length}
            onAsk={setAsked}
            onClose={toggleWhatIf}
          />
        )}
        {anything && whatIf.error && <Failed error={whatIf.error} />}
        {stale && <Failed error={stale} />}
        <div ref={rows}>
          {byLift(groups).map(({ liftName, sets }) => (
            <section key={liftName} aria-label={liftName} className="mb-4">
              <h2 className="border-b-2 border-ink pb-1 text-xl">{liftName}</h2>
              <ul>
                {sets.map((group) => (
                  <li key={group.first.id}>
                    <SetRow
                      group={group}
                      open={subject?.id === group.first.id}
                      tried={tried.get(group.first.id)}
                      onOpen={() =>
                        setSubject({ id: group.first.id, kind: 'set', set: group.first, ids: group.ids })
                      }
                    />
                  </li>
                ))}
              </ul>
            </section>
          ))}
          {view.sets.length === 0 && <p className="my-4 text-quiet">No sets are written for this session.</p>}
          {view.hold && (
            <HoldRow
              view={view}
              hold={view.hold}
              open={subject?.kind === 'hold'}
              onOpen={() => setSubject({ id: 'hold', kind: 'hold', hold: view.nextHold ?? view.hold! })}
            />
          )}
        </div>
        <p className="mt-4 text-sm text-quiet">
          {view.evidence.observations === 0
            ? 'Nothing is logged yet: every figure here is the trade’s working default.'
            : `Behind these figures: ${view.evidence.observations} logged holds and bare-handed sets, ${view.evidence.slipped} of them slips; older ones weigh less.`}
        </p>
      </div>
      <ReasonsDrawer subject={subject} view={view} onClose={() => setSubject(null)} />
    </div>
  );
}

/** Two answers that would sharpen the calls, with one step to the place where they are given. */
function Unanswered({ lifter }: { lifter: LifterView }): ReactElement | null {
  const [first, second, ...more] = lifter.unanswered;
  if (!first) return null;
  const asked = [first, second]
    .filter((field) => field !== undefined)
    .map((field) => FIELD_NAMES[field] ?? field);
  return (
    <p className="mt-4 border-l-4 border-ochre pl-3">
      {asked.length === 2 ? 'Two answers' : 'One answer'} would sharpen these calls: {asked.join(' and ')}
      {more.length > 0 && `, then ${more.length} more`}.{' '}
      <Link to="../profile" className="underline underline-offset-4">
        Answer them
      </Link>
    </p>
  );
}

function byLift(groups: readonly SetGroup[]): { liftName: string; sets: SetGroup[] }[] {
  const lifts: { liftName: string; sets: SetGroup[] }[] = [];
  for (const group of groups) {
    const last = lifts.at(-1);
    if (last?.liftName === group.first.liftName) last.sets.push(group);
    else lifts.push({ liftName: group.first.liftName, sets: [group] });
  }
  return lifts;
}

/** Moves the focus to the next or previous row. */
function step(list: HTMLDivElement | null, event: KeyboardEvent, by: 1 | -1): void {
  const rows = [...(list?.querySelectorAll<HTMLElement>('[data-row]') ?? [])];
  const at = rows.indexOf(document.activeElement as HTMLElement);
  const next = rows[at === -1 ? (by === 1 ? 0 : rows.length - 1) : at + by];
  if (!next) return;
  event.preventDefault();
  next.focus();
  next.scrollIntoView({ block: 'nearest' });
}

const CHALK_HOUSE = { block: 'block chalk', liquid: 'liquid chalk only', none: 'no chalk' } as const;

function SessionBar({
  head,
  today,
  trying,
  onTry,
}: {
  head: SessionHead;
  today: string;
  trying: boolean;
  onTry: () => void;
}): ReactElement {
  const move = useMoveSession(head.id);
  return (
    <div className="flex flex-wrap items-center gap-x-6 gap-y-2 py-4">
      <p className="figures mr-auto text-2xl font-semibold">
        {head.title}, {nearDay(head.on, today)}
      </p>
      <div className="flex gap-2">
        <Button aria-expanded={trying} onClick={onTry} className="inline-flex items-center gap-2">
          <Shuffle size={16} aria-hidden /> What if
        </Button>
        <Link
          to={`/cards/${head.id}`}
          className="inline-flex items-center gap-2 rounded-sm border border-edge bg-raised px-3 py-1.5 font-medium hover:border-ink"
        >
          <Printer size={16} aria-hidden /> Card
        </Link>
        <Link
          to={`/floor/${head.id}`}
          className="inline-flex items-center gap-2 rounded-sm border border-forge bg-forge px-4 py-2 font-semibold text-on-forge hover:brightness-110"
        >
          <Timer size={18} aria-hidden /> To the floor
        </Link>
      </div>
      <label className="flex w-full min-w-0 flex-wrap items-center gap-2 text-quiet">
        at
        <select
          value={head.venue.id}
          disabled={move.isPending}
          onChange={(event) => move.mutate({ venueId: event.target.value, version: head.version })}
          className="rounded-sm border border-edge bg-raised px-2 py-1 text-ink"
          aria-label="Venue of the session"
        >
          {head.venues.map((venue) => (
            <option key={venue.id} value={venue.id}>
              {venue.name}, {CHALK_HOUSE[venue.chalk]}
            </option>
          ))}
        </select>
        <span>
          {head.bar.name}, {head.bar.diameter} mm
        </span>
      </label>
      {move.error && (
        <div className="w-full">
          <Failed
            error={move.error}
            {...(move.error.code === 'changed-meanwhile' && { retry: () => window.location.reload() })}
          />
        </div>
      )}
    </div>
  );
}

/** One line of the sheet: role, load, plates, call, chance; what does not fit beside the reasons folds under. */
const ROW_COLUMNS =
  'grid grid-cols-[4rem_1fr_auto] items-center gap-x-3 @2xl:grid-cols-[4rem_8.5rem_minmax(0,1fr)_auto] @4xl:grid-cols-[4rem_8.5rem_7.5rem_minmax(0,1fr)_9rem]';
const ROW_PLATES = 'hidden overflow-hidden @4xl:block';
const ROW_CALL =
  'col-span-2 col-start-2 row-start-2 flex min-w-0 items-center gap-3 @2xl:col-span-1 @2xl:col-start-auto @2xl:row-start-auto';

interface RowProps {
  readonly open: boolean;
  readonly onOpen: () => void;
  /** Without columns: a sentence instead of a call. */
  readonly plain?: boolean;
  readonly children: ReactNode;
}

function Row({ open, onOpen, plain = false, children }: RowProps): ReactElement {
  return (
    <button
      type="button"
      data-row
      onClick={onOpen}
      aria-expanded={open}
      className={clsx(
        'w-full border-b border-rule px-1 text-left hover:bg-raised',
        plain ? 'py-3' : ['py-1.5', ROW_COLUMNS],
        open && 'bg-raised',
      )}
    >
      {children}
    </button>
  );
}

function SetRow({
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
      <span className="label">{ROLE_WORDS[set.role]}</span>
      <span className={clsx('figures', strong ? 'text-2xl font-semibold' : 'text-xl')}>
        {load(set.loading.total, unit)}
        <span className="text-quiet"> × </span>
        {set.seconds ? seconds(set.seconds) : set.reps}
        {count > 1 && <span className="ml-2 text-base whitespace-nowrap text-quiet">{count} sets</span>}
      </span>
      <span className={ROW_PLATES} title={loadingWords(set.loading)}>
        {call.verdict !== 'free' && <BarDrawing loading={set.loading} height={strong ? 44 : 34} />}
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
          {call.overridden && ' (coach)'}
          {set.override && !call.overridden && (
            <span className="block text-sm font-normal text-oxblood">decided otherwise, but barred now</span>
          )}
          {tried && <Tried tried={tried} real={call.probability} />}
          {set.lighter !== null && (
            <span className="block text-sm font-normal text-ochre">
              weak: {formatMass(set.lighter, unit)} would hold {percent(call.threshold)}
            </span>
          )}
        </span>
      </span>
      <span className="text-right @4xl:text-left">
        {call.probability !== null && call.range && (
          <Chance probability={call.probability} range={call.range} threshold={call.threshold} />
        )}
        {call.choice === 'straps' && <span className="text-sm text-quiet">strapped</span>}
      </span>
    </Row>
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

function HoldRow({
  view,
  hold,
  open,
  onOpen,
}: {
  view: CallsView;
  hold: HoldPrescription;
  open: boolean;
  onOpen: () => void;
}): ReactElement {
  const unit = useUnit();
  const next = view.nextHold;
  return (
    <section aria-label="Front rack hold" className="mb-4">
      <h2 className="border-b-2 border-verdigris pb-1 text-xl text-verdigris">
        Front rack hold, after the main lifts
      </h2>
      {hold.barred ? (
        <Row open={open} onOpen={onOpen} plain>
          <Caution stop>No hold today. {hold.barred.text}</Caution>
        </Row>
      ) : (
        <Row open={open} onOpen={onOpen}>
          <span className="label">
            {hold.sets} × {hold.seconds} s
          </span>
          <span className="figures text-2xl font-semibold">{load(hold.load, unit)}</span>
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
              , {CHANGE_WORDS[hold.change]}; rest {hold.rest[0] / 60}–{hold.rest[1] / 60} min
            </span>
          </span>
          <span className="figures text-right text-lg @4xl:text-left">
            {percent(hold.probability)} to reach it
          </span>
        </Row>
      )}
      {view.holdsDone.map((done, i) => (
        <p key={done.id} className="flex items-baseline gap-3 border-b border-rule px-1 py-1.5">
          <span className="label w-[4.5rem]">hold {i + 1}</span>
          <span className="figures text-xl">{load(done.load, unit)}</span>
          <span>
            held <b className="figures text-xl">{done.seconds.toFixed(1)} s</b> of {done.target} s,{' '}
            {done.ended === 'slipped' ? 'slipped' : 'put down'}
          </span>
        </p>
      ))}
      {next && !next.barred && (
        <p className="px-1 py-2 text-verdigris">
          Next time: <b className="figures text-xl">{formatMass(next.load, unit)}</b>,{' '}
          {CHANGE_WORDS[next.change]}. {next.why[0]?.text}
        </p>
      )}
    </section>
  );
}
