import type { CallsView } from '@iron-clasp/contract';
import {
  GRIP_NAMES,
  HOLD_KINDS_BY_ID,
  isBarLift,
  LOAD_MEANING_NAMES,
  sayLoad,
  sayStanding,
  SET_ROLE_TAGS,
  unitAtHand,
  type GripChoice,
  type MassUnit,
  type Side,
} from '@iron-clasp/core';
import clsx from 'clsx';
import { Fragment, type ReactElement, type ReactNode } from 'react';
import {
  byLift,
  groupSets,
  sheetLines,
  workAndWarmups,
  type SetGroup,
  type SheetLine,
} from '../../data/training/set-groups.ts';
import { AtHand, InOwnUnit } from '../../ui/at-hand.tsx';
import { seconds, shortDay } from '../../ui/figures.ts';
import { GripMark } from '../../ui/marks/grip-mark.tsx';
import { loadingWords } from '../../ui/marks/plates.ts';
import { Caution } from '../../ui/states.tsx';
import { sayEvent, sayFree } from '../../ui/words.ts';

/** One session as it goes on paper or a phone. */
export function WrittenCard({ view, unit }: { view: CallsView; unit: MassUnit }): ReactElement {
  const { session } = view;
  return (
    <article className="card mb-10" aria-label={`${session.lifterName}, ${session.title}`}>
      <header className="flex flex-wrap items-end justify-between gap-x-6 border-b-4 border-ink pb-1">
        <h2 className="text-3xl">{session.lifterName}</h2>
        <p>
          {session.title}, {shortDay(session.on)}, {session.venue.name}
        </p>
      </header>
      {session.hands.stop && <Caution stop>{session.hands.stop}</Caution>}
      <Note text={session.event ? sayEvent(session.event) : ''} />
      <Note text={session.note} />
      <Sets view={view} unit={unit} />
      <Advice views={[view]} />
    </article>
  );
}

/** The sessions of a week on one page, each told once what is to be minded. */
export function WrittenWeek({ views, unit }: { views: readonly CallsView[]; unit: MassUnit }): ReactElement {
  const { lifterName } = views[0]!.session;
  const stops = [...new Set(views.flatMap(({ session }) => session.hands.stop ?? []))];
  return (
    <article className="card mb-10 print:[zoom:0.72]" aria-label={`${lifterName}, the week`}>
      <header className="flex flex-wrap items-end justify-between gap-x-6 border-b-4 border-ink pb-1">
        <h2 className="text-3xl">{lifterName}</h2>
        <p>
          {shortDay(views[0]!.session.on)} to {shortDay(views.at(-1)!.session.on)}
        </p>
      </header>
      {stops.map((stop) => (
        <Caution key={stop} stop>
          {stop}
        </Caution>
      ))}
      <div className="gap-x-8 md:columns-2 print:columns-2">
        {views.map((view) => (
          <section key={view.session.id} className="mb-3 break-inside-avoid" aria-label={view.session.title}>
            <h3 className="flex items-baseline justify-between gap-3 border-b-2 border-ink pt-2 text-lg">
              {view.session.title}
              <span className="text-base font-normal">
                {shortDay(view.session.on)}, {view.session.venue.name}
              </span>
            </h3>
            <Note text={view.session.event ? sayEvent(view.session.event) : ''} />
            <Note text={view.session.note} />
            <Sets view={view} unit={unit} compact />
          </section>
        ))}
      </div>
      <Advice views={views} />
    </article>
  );
}

/** What binds the session, or what the coach tells the lifter of it. */
const Note = ({ text }: { text: string }): ReactElement | null =>
  text === '' ? null : <p className="my-2 border-l-4 border-ink pl-3">{text}</p>;

/** What is minded and how grips are set, each sentence once. */
function Advice({ views }: { views: readonly CallsView[] }): ReactElement {
  const sets = views.flatMap((view) => view.sets);
  const holds = views.flatMap((view) => view.holds).flatMap(({ hold }) => hold ?? []);
  const cautions = [
    ...new Set([...sets.flatMap((set) => set.call.cautions), ...holds.flatMap((hold) => hold.cautions)]),
  ];
  // What is said of every lift once, not set by set.
  const cues = [...new Set(sets.flatMap((set) => (set.role === 'warmup' ? [] : set.call.cues)))];
  return (
    <div className="mt-3 grid gap-x-8 gap-y-3 sm:grid-cols-2">
      {cautions.length > 0 && <Sentences title="Take care" of={cautions} />}
      {cues.length > 0 && <Sentences title="Set it up" of={cues} />}
    </div>
  );
}

interface SetsProps {
  readonly view: CallsView;
  readonly unit: MassUnit;
  /** Without the plates of one side, which take a line of their own in a narrow column. */
  readonly compact?: boolean;
}

/** The lines of a session lift by lift, folded as on the sheet, and its holds. */
function Sets({ view, unit, compact = false }: SetsProps): ReactElement {
  const holds = view.holds.flatMap(({ hold }) => (hold && !hold.barred ? [hold] : []));
  return (
    <table className="w-full border-collapse">
      <caption className="sr-only">{view.session.title}, in order</caption>
      <thead className="sr-only">
        <tr>
          {['what', 'load', 'grip and chalk'].map((name) => (
            <th key={name} scope="col">
              {name}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {byLift(groupSets(view.sets)).map(({ liftName, sets }, i) => (
          <Fragment key={i}>
            <Lift
              name={[liftName, LOAD_MEANING_NAMES[sets[0]!.first.loadMeans]].filter(Boolean).join(', ')}
            />
            {sheetLines(sets, () => true).map((line, at) => (
              <Line key={at} line={line} unit={unit} compact={compact} />
            ))}
          </Fragment>
        ))}
        {holds.map((hold) => (
          <Fragment key={hold.kind}>
            <Lift name={HOLD_KINDS_BY_ID[hold.kind].name} />
            <Row
              what="hold"
              load={
                <>
                  {hold.load > 0 ? (
                    <AtHand loading={hold.loading} kg={hold.load} reader={unit} named />
                  ) : (
                    'body weight'
                  )}
                  , {hold.sets} × {hold.seconds} s
                </>
              }
              plates={compact || hold.loading.perSide.length === 0 ? null : loadingWords(hold.loading)}
              mark={<Mark choice={hold.grip} sideUnder={hold.sideUnder} />}
            >
              {GRIP_NAMES[hold.grip]}
              {hold.sideUnder && `, ${hold.sideUnder} under`}; rest {hold.rest[0] / 60}–{hold.rest[1] / 60}{' '}
              min
              {hold.pin && `; ${hold.pins}`}
            </Row>
          </Fragment>
        ))}
      </tbody>
    </table>
  );
}

/** Loads with their repetitions, the unit named once: `50 kg × 5 · 70 × 4`. */
function asked(groups: readonly SetGroup[], unit: MassUnit): string {
  const atHand = unitAtHand(
    groups.map(({ first }) => first.loading),
    unit,
  );
  let named = false;
  const all = groups.map(({ first, count }) => {
    const amount = first.seconds ? seconds(first.seconds) : String(first.reps);
    const { figure } = sayLoad(first.loading.total, atHand, unit);
    const loaded = first.loading.total > 0;
    const one = loaded
      ? `${figure}${named ? '' : ` ${atHand}`} × ${amount}`
      : `${amount}${first.seconds ? '' : ' reps'}`;
    named ||= loaded;
    return (count > 1 ? `${one}, ${count} sets` : one).replaceAll(' ', '\u00a0');
  });
  return all.join(' · ');
}

function Line({ line, unit, compact }: { line: SheetLine; unit: MassUnit; compact: boolean }): ReactElement {
  if (line.kind === 'sets') return <SetLine group={line.group} unit={unit} compact={compact} />;
  if (line.kind === 'free') {
    const { shown } = workAndWarmups(line.groups);
    const { call, role } = shown[0]!.first;
    return (
      <Row what={SET_ROLE_TAGS[role]} load={asked(shown, unit)} plates={null} mark={null}>
        <span className="text-quiet">{sayFree(call).join(', ')}</span>
      </Row>
    );
  }
  const { call, line: words } = line.groups[0]!.first;
  return (
    <Row
      what={SET_ROLE_TAGS.warmup}
      load={asked(line.groups, unit)}
      plates={null}
      mark={call.choice && <Mark choice={call.choice} sideUnder={call.sideUnder} />}
    >
      {words}
    </Row>
  );
}

/** Alike sets with their call, and how firmly it stands. */
function SetLine({
  group: { first: set, count },
  unit,
  compact,
}: {
  group: SetGroup;
  unit: MassUnit;
  compact: boolean;
}): ReactElement {
  const amount = set.seconds ? seconds(set.seconds) : set.reps;
  const standing = compact || set.role === 'warmup' ? null : sayStanding(set.call);
  return (
    <Row
      what={SET_ROLE_TAGS[set.role]}
      load={
        <>
          {set.loading.total > 0 ? (
            <>
              <AtHand loading={set.loading} reader={unit} named /> × {amount}
            </>
          ) : (
            `${amount}${set.seconds ? '' : ' reps'}`
          )}
          {count > 1 && <span className="font-normal">, {count} sets</span>}{' '}
          <InOwnUnit loading={set.loading} reader={unit} />
        </>
      }
      strong={set.role === 'top' || set.role === 'attempt'}
      plates={compact || !isBarLift(set.liftId) ? null : loadingWords(set.loading)}
      mark={set.call.choice && <Mark choice={set.call.choice} sideUnder={set.call.sideUnder} />}
    >
      {set.line}
      {standing && <i> ({standing})</i>}
    </Row>
  );
}

function Row({
  what,
  load,
  plates,
  mark,
  strong = false,
  children,
}: {
  what: string;
  load: ReactNode;
  plates: string | null;
  mark: ReactNode;
  strong?: boolean;
  children: ReactNode;
}): ReactElement {
  return (
    <tr className="border-b border-rule align-baseline">
      <td className="label w-16 py-1 pr-2 whitespace-nowrap">{what}</td>
      <td className={clsx('figures py-1 pr-3 text-lg leading-tight', strong && 'font-semibold')}>
        {load}
        {plates && <span className="block font-sans text-sm font-normal text-quiet">{plates}</span>}
      </td>
      <td className="w-1/2 py-1">
        <span className="flex items-start gap-2">
          {mark}
          <span>{children}</span>
        </span>
      </td>
    </tr>
  );
}

function Mark({
  choice,
  sideUnder,
}: {
  choice: GripChoice;
  sideUnder?: Side | null | undefined;
}): ReactElement {
  return <GripMark choice={choice} {...(sideUnder && { sideUnder })} size={18} />;
}

/** The lift that the rows below it are of. */
function Lift({ name }: { name: string }): ReactElement {
  return (
    <tr>
      <th scope="rowgroup" colSpan={3} className="border-b border-ink pt-2 pb-0.5 text-left">
        {name}
      </th>
    </tr>
  );
}

function Sentences({ title, of }: { title: string; of: readonly string[] }): ReactElement {
  return (
    <section>
      <h3 className="text-lg">{title}</h3>
      <ul className="list-disc pl-5 text-sm">
        {of.map((sentence) => (
          <li key={sentence}>{sentence}</li>
        ))}
      </ul>
    </section>
  );
}
