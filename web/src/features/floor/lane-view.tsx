import { SET_ROLE_TAGS, stopToday, HOLD_KINDS_BY_ID } from '@iron-clasp/core';
import type { CalledSet, FloorView } from '@iron-clasp/contract';
import { useEffect, useState, type ReactElement } from 'react';
import { Link, useParams } from 'react-router';
import { useAccount } from '../../data/session/account.ts';
import { useWaiting } from '../../offline/use-outbox.ts';
import { useIsCoach } from '../../data/session/use-is-coach.ts';
import { useUnit } from '../../data/session/use-unit.ts';
import { minutes, shortDay } from '../../ui/figures.ts';
import { useKeys } from '../../ui/use-keys.ts';
import { AllSets } from './all-sets.tsx';
import { clocks } from '../../offline/clocks.ts';
import { HoldSaid } from './hold-said.tsx';
import { GripperLane } from './gripper-lane.tsx';
import { HoldPanel } from './hold-panel.tsx';
import {
  agreedCall,
  mindedNow,
  holdKey,
  laneOf,
  warmupsAhead,
  proposalsOf,
  type DoneEntry,
  type DoneHold,
} from './lane.ts';
import { standing, withOpening, heldLast, isDone, handsWaiting, loadOf, bodyOf } from './lane-entries.ts';
import { endOf, Foot, ToSheet } from './lane-foot.tsx';
import { asksWhatWasSeen, Done, Last, SessionOver, Stopped } from './lane-parts.tsx';
import { useLaneMemory } from './lane-memory.ts';
import { Opening } from './opening-panel.tsx';
import { OtherLift } from './other-lift.tsx';
import { Otherwise } from './otherwise.tsx';
import { Proposals } from './proposals.tsx';
import { Refused } from './refused.tsx';
import { Seen } from './seen.tsx';
import { SetPanel } from './set-panel.tsx';
import { SqueezeLane } from './squeeze-lane.tsx';
import { useCallsAgain } from './use-calls-again.ts';
import { useLaneActs } from './use-lane-acts.ts';
import { useRest } from './use-clock.ts';
import { NO_SET, useTellStands } from './use-tell-stands.ts';
import { clubDay, momentOn } from '../../data/clock.ts';
import { useSession } from '../../data/session/session.ts';
import { usePageOf } from '../../ui/page-of.ts';

/** What lies over the lane: nothing, the list of sets, a set that went differently, or an entry that gets details. */
type Over =
  | { readonly kind: 'list' | 'otherLift' | 'grippers' | 'squeeze' }
  | { readonly kind: 'different'; readonly set: CalledSet }
  | { readonly kind: 'details' | 'seen'; readonly set: CalledSet; readonly entry: DoneEntry }
  | { readonly kind: 'hold'; readonly hold: DoneHold };

/** One lane: the current set or hold large, the next below, what was done, and one key to undo it. */
export function LaneView({ view: known }: { view: FloorView }): ReactElement {
  const unit = useUnit();
  const coach = useIsCoach();
  const accountId = useAccount()!.id;
  const { sessionIds = known.calls.session.id } = useParams();
  const waiting = useWaiting();
  const view = withOpening(known, waiting);
  const { session, holds } = view.calls;
  usePageOf(session.lifterName);
  const [memory, change] = useLaneMemory(session.id);
  const [over, setOver] = useState<Over | null>(null);
  const lane = laneOf(view, waiting, memory);
  const zone = useSession().data?.club.timeZone;
  const today = zone === undefined ? session.on : clubDay(zone);
  const elsewhen = session.on !== today;
  const moment = (): string => momentOn(session.on, today, lane.count.done);
  const acts = useLaneActs({ view, lane, memory, change, moment, onDone: () => setOver(null) });
  const now = lane.current;
  const calls = useCallsAgain(view, known, lane, now?.kind === 'set' ? acts.called(now.set) : null);
  const proposals = proposalsOf(lane, calls, memory);
  const rest = useRest(memory.rest);
  const refused = waiting.filter((entry) => entry.sessionId === session.id && entry.refused);
  const unseen = view.handsOn !== session.on && lane.count.done === 0 && !handsWaiting(waiting, session.id);

  const unknown = lane.sets.filter(({ set, done }) => !done && !memory.agreed[set.id]);
  useEffect(() => {
    if (unknown.length > 0)
      acts.act({ kind: 'stand', agreed: Object.fromEntries(unknown.map(({ set }) => [set.id, set.call])) });
  });

  const stop = stopToday(view.hands);
  const canUndo = memory.actions.length > 0 || lane.count.done > 0;
  useKeys({
    u: () => canUndo && clocks.of(session.id).state !== 'running' && acts.takeBack(),
    Escape: () => setOver(null),
  });
  const call =
    now?.kind === 'set'
      ? mindedNow(agreedCall(now.set, memory), calls[lane.sets.findIndex(({ set }) => set === now.set)])
      : null;
  const load = now?.kind === 'set' ? loadOf(now.set, call!, view) : 0;
  useTellStands(session.id, now?.kind === 'set' ? standing(now.set, call!, load) : NO_SET);
  const warmups = warmupsAhead(lane, memory);
  const open = holds.filter(({ hold }) => hold && !hold.barred);
  const asked = proposals.length > 0 || refused.length > 0 || unseen;
  const done = <Done holds={lane.holds} view={view} />;
  return (
    <main className="flex min-h-0 grow flex-col">
      <header className="relative z-10 flex shrink-0 items-center gap-2 border-b border-rule px-2">
        <ToSheet lifterId={session.lifterId} />
        <h1 className="min-w-0 truncate text-2xl flat:text-xl">{session.lifterName}</h1>
        {elsewhen && (
          <p className="shrink-0 text-ochre">
            {session.on < today && <span className="max-sm:sr-only">logged for </span>}
            {shortDay(session.on)}
          </p>
        )}
        {now?.kind === 'set' && over === null && (
          <p className="hidden text-quiet flat:block">
            {now.set.liftName}, {SET_ROLE_TAGS[now.set.role]}
          </p>
        )}
        <p className="figures ml-auto shrink-0 text-right text-lg leading-tight text-quiet">
          <span role="status">
            {now?.kind === 'hold'
              ? `hold ${now.done + 1} of ${now.hold.sets}`
              : `${lane.count.done} of ${lane.count.of} done`}
            {waiting.length > 0 && <span className="text-ochre"> · {waiting.length} waiting</span>}
          </span>
          {rest !== null && now !== null && (
            <span role="timer" className={rest === 0 ? 'block font-semibold text-forge' : 'block text-ink'}>
              {rest === 0 ? 'Rest is over' : `rest ${minutes(rest)}`}
            </span>
          )}
        </p>
      </header>

      <Opening
        view={known}
        accountId={accountId}
        unseen={unseen && !view.hands.unwell && over?.kind !== 'squeeze'}
        first={lane.count.done === 0 && now?.kind === 'set' && !stop && over === null}
        onSqueeze={() => setOver({ kind: 'squeeze' })}
      />
      {refused.map((entry) => (
        <Refused key={entry.id} entry={entry} unit={unit} />
      ))}
      {proposals.length > 0 && over === null && !stop && (
        <Proposals
          proposals={proposals}
          equipment={view.equipment}
          onTake={() => acts.act({ kind: 'decide', proposals, take: true })}
          onKeep={() => acts.act({ kind: 'decide', proposals, take: false })}
        />
      )}

      {over?.kind === 'list' ? (
        <AllSets
          lane={lane}
          kinds={open.map(({ kind }) => kind)}
          memory={memory}
          onGo={(at) => {
            acts.act({ kind: 'go', at });
            setOver(null);
          }}
          onMore={(set, entry) => setOver({ kind: 'details', set, entry })}
          onAgain={acts.again}
          onOtherLift={() => setOver({ kind: 'otherLift' })}
          onGrippers={() => setOver({ kind: 'grippers' })}
          sweat={coach ? { on: session.sweat, toggle: () => acts.sweat(!session.sweat) } : undefined}
          onClose={() => setOver(null)}
        />
      ) : over?.kind === 'grippers' && !stop ? (
        <GripperLane session={session} accountId={accountId} moment={moment} onClose={() => setOver(null)} />
      ) : over?.kind === 'squeeze' && !stop ? (
        <SqueezeLane
          protocol={view.squeeze.protocol}
          told={memory.squeeze}
          onTold={(squeeze) => change((now) => ({ ...now, squeeze }))}
          onKeep={acts.keepTest}
          onClose={() => setOver(null)}
        />
      ) : over?.kind === 'otherLift' ? (
        <OtherLift
          sessionId={session.id}
          onAdded={(id) => {
            acts.act({ kind: 'go', at: id });
            setOver(null);
          }}
          onClose={() => setOver({ kind: 'list' })}
        />
      ) : over?.kind === 'different' ? (
        <Otherwise
          key={over.set.id}
          set={over.set}
          start={acts.called(over.set)}
          slipped={false}
          onLog={(body) => acts.logSet(over.set, body)}
          onSkip={() => {
            acts.act({ kind: 'skip', at: over.set.id });
            setOver(null);
          }}
          onClose={() => setOver(null)}
        />
      ) : over?.kind === 'seen' ? (
        <Seen
          liftName={over.set.liftName}
          onSay={(signs) => acts.put(over.set, over.entry, { ...bodyOf(over.entry), signs: [...signs] })}
          onMore={() => setOver({ ...over, kind: 'details' })}
          onClose={() => setOver(null)}
        />
      ) : over?.kind === 'hold' ? (
        <HoldSaid
          key={over.hold.id}
          last={over.hold}
          pinHeights={HOLD_KINDS_BY_ID[over.hold.kind].pins ? session.pinHeights : []}
          onSay={(said) => acts.putHold(over.hold, said)}
          onClose={() => setOver(null)}
        />
      ) : over?.kind === 'details' ? (
        <Otherwise
          key={over.entry.id}
          set={over.set}
          start={{ plannedSetId: over.set.id, ...bodyOf(over.entry) }}
          slipped={over.entry.slippedAtRep !== null}
          onLog={({ plannedSetId: _set, ...body }) => acts.put(over.set, over.entry, body)}
          onClose={() => setOver(null)}
        />
      ) : view.finished ? (
        <SessionOver sessionId={session.id} />
      ) : now === null ? (
        <section className="grid min-h-0 grow content-center justify-items-center gap-4 overflow-y-auto p-6 text-center">
          <h2 className="text-4xl">All done</h2>
          {done}
          <Link
            to={endOf(session.id, sessionIds)}
            className="inline-flex min-h-20 items-center rounded-sm bg-forge px-8 text-2xl font-semibold text-on-forge"
          >
            How it went
          </Link>
        </section>
      ) : stop ? (
        <Stopped
          text={stop}
          end={endOf(session.id, sessionIds)}
          unwell={view.hands.unwell === true}
          onWell={() => acts.tellUnwell(false)}
        />
      ) : now.kind === 'set' ? (
        <SetPanel
          sessionId={session.id}
          set={now.set}
          call={call!}
          load={load}
          equipment={view.equipment}
          next={lane.next}
          done={done}
          crowded={asked}
          onDone={() => acts.logSet(now.set, acts.called(now.set))}
          warmups={warmups}
          onWarmups={() => acts.logWarmups(warmups)}
          onSlip={(rep) => acts.logSet(now.set, { ...acts.called(now.set), slippedAtRep: rep })}
          onTimed={(seconds, ended) =>
            acts.logSet(now.set, {
              ...acts.called(now.set),
              seconds,
              ...(ended === 'slipped' && { slippedAtRep: 1 }),
            })
          }
          onOtherwise={() => setOver({ kind: 'different', set: now.set })}
          onLeaveOut={() => acts.act({ kind: 'skip', at: now.set.id })}
        />
      ) : (
        <HoldPanel
          view={view}
          key={now.hold.kind}
          hold={now.hold}
          holds={lane.holds}
          done={done}
          alone={!coach}
          onLog={(body) => acts.logHold({ ...body, doneAt: moment() })}
          onCorrect={acts.putHold}
        />
      )}

      <footer className="relative z-10 grid shrink-0 border-t border-rule bg-ground px-2 py-1 typing:hidden flat:flex flat:flex-row-reverse flat:gap-2">
        {over === null && (
          <Last
            crowded={asked}
            sets={lane.sets}
            hold={heldLast(memory, lane)}
            onSaid={(logged) => setOver({ kind: 'hold', hold: logged })}
            onDetails={(set, entry) =>
              setOver({ kind: asksWhatWasSeen(entry) ? 'seen' : 'details', set, entry })
            }
          />
        )}
        <Foot
          sessionId={session.id}
          canUndo={canUndo}
          unwell={view.hands.unwell === true}
          onUnwell={() => acts.tellUnwell(true)}
          canHold={open.length > 0 && now?.kind !== 'hold'}
          onUndo={acts.takeBack}
          onList={() => setOver(over?.kind === 'list' ? null : { kind: 'list' })}
          onHold={() => {
            setOver(null);
            const first = open.find((each) => !isDone(each.kind, lane)) ?? open[0];
            if (first) acts.act({ kind: 'go', at: holdKey(first.kind) });
          }}
        />
      </footer>
    </main>
  );
}
