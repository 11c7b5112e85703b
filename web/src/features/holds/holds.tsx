import { HOLD_KINDS_BY_ID, KIT_NEED_NAMES, type HoldKindId } from '@iron-clasp/core';
import { MOST_HOLDS, type HoldKindView, type HoldsView } from '@iron-clasp/contract';
import { useState, type ReactElement } from 'react';
import { Link } from 'react-router';
import { useIsCoach } from '../../data/session/use-is-coach.ts';
import { weeksOf } from '../../ui/charts/lanes-geometry.ts';
import { Button } from '../../ui/button.tsx';
import { shortDay } from '../../ui/figures.ts';
import { Select } from '../../ui/select.tsx';
import { Empty, Failed, Loading } from '../../ui/states.tsx';
import { useOpenSheet } from '../../data/lifters/use-open-sheet.ts';
import { Blocks } from './block-editor.tsx';
import { GripWeek } from './grip-week.tsx';
import { Lanes } from './lanes.tsx';
import { NextHold } from './next-hold.tsx';
import { useHolds, usePlanHold, useSaveBlock } from '../../data/holds/holds.ts';

/** The lifter's hold work: what comes next and why, the lanes over the weeks, blocks, and the balance of the week. */
export function Holds(): ReactElement {
  const { lifter } = useOpenSheet();
  const holds = useHolds(lifter.id);
  if (holds.isPending) return <Loading what="the holds" lines={9} />;
  if (!holds.data) return <Failed error={holds.error} retry={() => void holds.refetch()} />;
  return <Drawn view={holds.data} lifterId={lifter.id} />;
}

function Drawn({ view, lifterId }: { view: HoldsView; lifterId: string }): ReactElement {
  const coach = useIsCoach();
  const move = useSaveBlock(lifterId);
  const next = view.kinds
    .flatMap((each) => (each.next ? [{ of: each, next: each.next }] : []))
    .sort((a, b) => a.next.on.localeCompare(b.next.on));
  return (
    <div className="grid gap-6 py-4">
      <section aria-label="Next holds">
        <h2 className="border-b-2 border-ink pb-1 text-2xl">Next holds</h2>
        {next.length === 0 ? (
          <Empty title="No hold is planned">
            Put one after a session’s lifts below, or place a block. The engine finds where to start.
          </Empty>
        ) : (
          <ul>
            {next.map((each) => (
              <NextHold
                key={`${each.of.kind} ${each.next.sessionId} ${each.next.decision?.id ?? ''}`}
                lifterId={lifterId}
                of={each.of}
                kinds={view.sessions.find(({ id }) => id === each.next.sessionId)?.holds ?? []}
                next={each.next}
                today={view.today}
              />
            ))}
          </ul>
        )}
        <NeedsBodyMass kinds={view.kinds} lifterId={lifterId} />
      </section>
      <section aria-label="Hold work over the weeks" className="min-w-0">
        <h2 className="mb-1 text-2xl">Planned and done</h2>
        <Lanes
          view={view}
          {...(coach && {
            onMove: (block, monday) =>
              move.mutate({
                id: block.id,
                body: {
                  kind: block.kind,
                  startsOn: monday,
                  weeks: Math.min(5, Math.max(2, weeksOf(block.from, block.to))),
                  sessionsAWeek: block.sessionsAWeek,
                  version: block.version,
                },
              }),
          })}
        />
        {move.error && <Failed error={move.error} />}
        <p className="mt-1 text-sm text-quiet">
          <b className="text-verdigris">●</b> held <b className="ml-3 text-oxblood">×</b> slipped{' '}
          <b className="ml-3 text-ink">○</b> planned
          {coach && '; blocks are dragged, or moved with the arrow keys'}
        </p>
      </section>
      <div className="grid gap-x-10 gap-y-6 xl:grid-cols-2">
        {coach && (
          <div className="grid content-start gap-6">
            <Blocks view={view} lifterId={lifterId} />
            <PlanHold view={view} lifterId={lifterId} />
          </div>
        )}
        <GripWeek view={view} lifterId={lifterId} />
      </div>
    </div>
  );
}

/** A hang is not guessed at: it asks what hangs. */
function NeedsBodyMass({
  kinds,
  lifterId,
}: {
  kinds: readonly HoldKindView[];
  lifterId: string;
}): ReactElement | null {
  if (!kinds.some((each) => each.wantsBodyMass)) return null;
  return (
    <p className="py-2 text-quiet">
      Hangs need the body mass:{' '}
      <Link to={`/lifters/${lifterId}/profile`} className="underline underline-offset-4">
        say it in the profile
      </Link>
      .
    </p>
  );
}

function PlanHold({ view, lifterId }: { view: HoldsView; lifterId: string }): ReactElement | null {
  const plan = usePlanHold(lifterId);
  const [sessionId, setSessionId] = useState('');
  const [kind, setKind] = useState<HoldKindId>('frontRackHold');
  const free = view.sessions.filter(({ holds }) => !holds.includes(kind) && holds.length < MOST_HOLDS);
  const session = free.find((each) => each.id === sessionId) ?? free[0];
  if (view.sessions.length === 0) return null;
  const { missing } = view.kinds.find((each) => each.kind === kind)!;
  return (
    <section aria-label="Plan a hold">
      <h2 className="border-b-2 border-ink pb-1 text-xl">Plan a hold</h2>
      <div className="mt-2 grid gap-3 sm:grid-cols-2">
        <Select
          label="After the lifts of"
          value={session?.id ?? ''}
          onChange={setSessionId}
          options={
            free.length > 0
              ? free.map((each) => [each.id, `${shortDay(each.on)}, ${each.title}`] as const)
              : [['', 'every coming session has this hold']]
          }
        />
        <Select
          label="Hold"
          value={kind}
          onChange={setKind}
          options={view.kinds.map((each) => [each.kind, HOLD_KINDS_BY_ID[each.kind].name] as const)}
        />
      </div>
      <p className="mt-1 text-sm text-quiet">
        {HOLD_KINDS_BY_ID[kind].aim}; {HOLD_KINDS_BY_ID[kind].reason}.
        {missing.length > 0 && (
          <b className="text-ochre">
            {' '}
            Missing at the usual venue: {missing.map((need) => KIT_NEED_NAMES[need]).join(', ')}.
          </b>
        )}
      </p>
      <Button
        className="mt-2"
        disabled={plan.isPending || missing.length > 0 || !session}
        onClick={() =>
          session &&
          plan.mutate({ sessionId: session.id, kinds: [...session.holds, kind], version: session.version })
        }
      >
        Add the hold
      </Button>
      {plan.error && <Failed error={plan.error} />}
    </section>
  );
}
