import { CHALK_NAMES, LOAD_MEANING_NAMES, HOLD_KINDS_BY_ID } from '@iron-clasp/core';
import type {
  CallsView,
  LifterView,
  SessionHead,
  SheetView,
  TriedSet,
  WhatIfRequest,
} from '@iron-clasp/contract';
import { differenceInCalendarDays, parseISO } from 'date-fns';
import { useRef, useState, type ReactElement } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { AuditOffer } from './audit-offer.tsx';
import { useIsCoach } from '../../data/session/use-is-coach.ts';
import { FIELD_NAMES } from '../../data/lifters/field-names.ts';
import { Button } from '../../ui/button.tsx';
import { Caution, Empty, Failed, Loading } from '../../ui/states.tsx';
import { useKeys } from '../../ui/use-keys.ts';
import { sayEvent } from '../../ui/words.ts';
import { ReasonsDrawer, type Subject } from './reasons-drawer.tsx';
import {
  byLift,
  groupSets,
  sheetLines,
  type SetGroup,
  type SheetLine,
} from '../../data/training/set-groups.ts';
import { DecideHold } from './decide-hold.tsx';
import { FreeRow, HoldRow, SetRow, WarmupRow } from './set-rows.tsx';
import { useOpenSheet } from '../../data/lifters/use-open-sheet.ts';
import { SessionBar } from './session-bar.tsx';
import { WhatIf } from './what-if.tsx';
import { useCalls, useMoveSession, useWhatIf } from '../../data/training/calls.ts';
import { useMistakes } from '../../data/log/log.ts';
import { Mistakes } from '../../ui/mistakes.tsx';

/** A session as a sheet of called sets, and its hold: the one that is named, else the next. */
export function Calls(): ReactElement {
  const { nextSessionId, today, lifter, season } = useOpenSheet();
  const { sessionId = nextSessionId } = useParams();
  const coach = useIsCoach();
  const calls = useCalls(sessionId);
  const navigate = useNavigate();
  const turn = (by: -1 | 1): void => {
    const at = season.sessions.findIndex((each) => each.id === sessionId);
    const to = at < 0 ? undefined : season.sessions[at + by];
    if (to) void navigate(`/lifters/${lifter.id}/calls/${to.id}`);
  };
  // Here, and not with the session: a key pressed while one loads counts too.
  useKeys({ '[': () => turn(-1), ']': () => turn(1) });
  const meet = season.marks.find((mark) => mark.kind === 'meet' && mark.from >= today);
  const meetIn = meet ? differenceInCalendarDays(parseISO(meet.from), parseISO(today)) : null;
  if (!sessionId) {
    return (
      <>
        <Empty title="No session planned">
          <p>
            Once a session is written for {lifter.name}, its calls stand here: grip, straps and chalk for each
            set.
          </p>
          {coach && (
            <p className="mt-2">
              Next:{' '}
              <Link to={`/lifters/${lifter.id}/program`} className="underline underline-offset-4">
                write a session
              </Link>
              .
            </p>
          )}
        </Empty>
        {!season.sessions.some((session) => session.done) && (
          <AuditOffer lifterId={lifter.id} name={lifter.name} logged={0} heldDaysAgo={null} meetIn={meetIn} />
        )}
      </>
    );
  }
  if (calls.isPending) return <Loading what="the calls" lines={9} />;
  if (calls.error && !calls.data) return <Failed error={calls.error} retry={() => void calls.refetch()} />;
  return (
    <Session
      // What was selected or tried belongs to one session.
      key={sessionId}
      view={calls.data!}
      today={today}
      lifter={lifter}
      season={season.sessions}
      meet={meet?.label ?? null}
      meetIn={meetIn}
      stale={calls.error}
    />
  );
}

function Session({
  view,
  today,
  lifter,
  season,
  meet,
  meetIn,
  stale,
}: {
  view: CallsView;
  today: string;
  lifter: LifterView;
  season: SheetView['season']['sessions'];
  meet: string | null;
  meetIn: number | null;
  stale: Error | null;
}): ReactElement {
  const [subject, show] = useState<Subject | null>(null);
  /** The drawer opens with the form that decides otherwise. */
  const [deciding, setDeciding] = useState(false);
  const setSubject = (next: Subject | null): void => {
    show(next);
    setDeciding(false);
  };
  const navigate = useNavigate();
  const rows = useRef<HTMLDivElement>(null);
  const coach = useIsCoach();
  const mistakes = useMistakes(lifter.id);
  const groups = groupSets(view.sets);
  const [asked, setAsked] = useState<WhatIfRequest | null>(null);
  const toggleWhatIf = (): void => setAsked((before) => (before ? null : {}));
  const anything = asked !== null && Object.keys(asked).length > 0;
  const whatIf = useWhatIf(view.session.id, anything ? asked : null);
  const trying = anything ? whatIf.data : undefined;
  const tried = new Map(trying?.sets.map((set) => [set.id, set]));
  const at = season.findIndex((each) => each.id === view.session.id);
  const openSession = (id: string): void => void navigate(`/lifters/${lifter.id}/calls/${id}`);
  useKeys({
    f: () => void navigate(`/floor/${view.session.id}`),
    w: () => coach && toggleWhatIf(),
    d: () => {
      if (!coach) return;
      const row = document.activeElement?.closest<HTMLElement>('[data-row]');
      if (row?.getAttribute('aria-expanded') === 'false') row.click();
      if (row ?? subject) setDeciding(true);
    },
    a: () => coach && rows.current?.querySelector<HTMLElement>('[data-accept]:not(:disabled)')?.click(),
    Escape: () => setSubject(null),
    ArrowDown: (event) => step(rows.current, event, 1),
    ArrowUp: (event) => step(rows.current, event, -1),
  });

  return (
    <div className="xl:flex xl:items-start xl:gap-8">
      <div className="@container min-w-0 grow">
        {coach && <Unanswered lifter={lifter} />}
        <AuditOffer
          lifterId={lifter.id}
          name={lifter.name}
          logged={view.evidence.effective}
          heldDaysAgo={view.heldDaysAgo}
          meetIn={meetIn}
        />
        <SessionBar
          head={view.session}
          season={{ sessions: season, at, today, onOpen: openSession }}
          trying={asked !== null}
          onTry={toggleWhatIf}
        />
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
        {view.session.event && (
          <p className="mb-2 border-l-4 border-forge pl-3">{sayEvent(view.session.event)}</p>
        )}
        <OwnRules head={view.session} />
        {view.session.hands.stop && <Caution stop>{view.session.hands.stop}</Caution>}
        {anything && whatIf.error && <Failed error={whatIf.error} />}
        {stale && <Failed error={stale} />}
        <div ref={rows}>
          {byLift(groups).map(({ liftName, sets }) => (
            <section key={liftName} aria-label={liftName} className="mb-4">
              <h2 className="border-b-2 border-ink pb-1 text-xl">
                {liftName}
                {LOAD_MEANING_NAMES[sets[0]!.first.loadMeans] && (
                  <span className="ml-2 font-sans text-sm font-normal text-quiet">
                    {LOAD_MEANING_NAMES[sets[0]!.first.loadMeans]}
                  </span>
                )}
              </h2>
              <ul>
                {sheetLines(sets, ({ first }) => !tried.get(first.id)?.changed).map((line) => (
                  <SheetLineRow
                    key={idOf(line)}
                    line={line}
                    subject={subject}
                    tried={tried}
                    onOpen={setSubject}
                  />
                ))}
              </ul>
            </section>
          ))}
          {view.sets.length === 0 && <p className="my-4 text-quiet">No sets are written for this session.</p>}
          {view.holds.map(({ kind, hold, next, decision }) =>
            hold ? (
              <HoldRow
                key={kind}
                hold={hold}
                next={next}
                done={view.holdsDone.filter((each) => each.kind === kind)}
                open={subject?.id === kind}
                onOpen={() => setSubject({ id: kind, kind: 'hold', hold: next ?? hold })}
              >
                {coach && !view.holdsDone.some((each) => each.kind === kind) && (
                  <DecideHold
                    hold={hold}
                    decision={decision}
                    lifterId={lifter.id}
                    sessionId={view.session.id}
                  />
                )}
              </HoldRow>
            ) : (
              <p key={kind} className="mb-4 text-quiet">
                {HOLD_KINDS_BY_ID[kind].name}: say under Profile what {lifter.name} weighs, and its load is
                found.
              </p>
            ),
          )}
        </div>
        {coach && <Mistakes found={mistakes.data?.mistakes ?? []} />}
        <p className="mt-4 text-sm text-quiet">
          {view.evidence.observations === 0
            ? 'Nothing is logged yet: every figure here is the trade’s working default.'
            : `Behind these figures: ${view.evidence.observations} logged holds and bare-handed sets, ${view.evidence.slipped} of them slips; the later ones say more of today.`}
        </p>
      </div>
      <ReasonsDrawer
        subject={subject}
        view={view}
        deciding={deciding}
        onDeciding={setDeciding}
        onClose={() => setSubject(null)}
      />
    </div>
  );
}

const idOf = (line: SheetLine): string =>
  line.kind === 'sets' ? line.group.first.id : line.groups[0]!.first.id;

/** One line of a lift; a folded one unfolds into its sets. */
function SheetLineRow({
  line,
  subject,
  tried,
  onOpen,
}: {
  line: SheetLine;
  subject: Subject | null;
  tried: ReadonlyMap<string, TriedSet>;
  onOpen: (subject: Subject) => void;
}): ReactElement {
  const [unfolded, setUnfolded] = useState(false);
  const one = (group: SetGroup): ReactElement => (
    <SetRow
      group={group}
      open={subject?.id === group.first.id}
      tried={tried.get(group.first.id)}
      onOpen={() => onOpen({ id: group.first.id, kind: 'set', set: group.first, ids: group.ids })}
    />
  );
  if (line.kind === 'sets') return <li>{one(line.group)}</li>;
  const Folded = line.kind === 'warmups' ? WarmupRow : FreeRow;
  return (
    <li>
      <Folded groups={line.groups} open={unfolded} onOpen={() => setUnfolded(!unfolded)} />
      {unfolded && (
        <ul className="border-l-4 border-rule pl-2">
          {line.groups.map((group) => (
            <li key={group.first.id}>{one(group)}</li>
          ))}
        </ul>
      )}
    </li>
  );
}

/** What this session keeps of its own, whatever the house allows, and the way back. */
function OwnRules({ head }: { head: SessionHead }): ReactElement | null {
  const coach = useIsCoach();
  const move = useMoveSession(head.id);
  const { chalk, barDiameter } = head.own;
  const words = [
    ...(chalk ? [CHALK_NAMES[chalk]] : []),
    ...(barDiameter ? [`a bar of ${barDiameter} mm`] : []),
  ];
  if (words.length === 0) return null;
  return (
    <p className="mb-2 flex flex-wrap items-center gap-3 border-l-4 border-forge pl-3">
      This session’s own rule: {words.join(', ')}.
      {coach && (
        <Button
          disabled={move.isPending}
          onClick={() => move.mutate({ chalk: null, barDiameter: null, version: head.version })}
        >
          Undo
        </Button>
      )}
    </p>
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
