import {
  HOLD_KINDS_BY_ID,
  GRIP_NAMES,
  HOLD_CHANGE_NAMES,
  HOLD_ENDING_NAMES,
  SET_ROLE_TAGS,
} from '@iron-clasp/core';
import type { SessionEndView } from '@iron-clasp/contract';
import { ArrowLeft } from 'lucide-react';
import { useState, type ReactElement } from 'react';
import { Link, useParams, useSearchParams } from 'react-router';
import { useIsCoach } from '../../data/session/use-is-coach.ts';
import { useWaitingOf } from '../../offline/use-outbox.ts';
import { useUnit } from '../../data/session/use-unit.ts';
import { Button } from '../../ui/button.tsx';
import { formatMass, roughMass, shortDay } from '../../ui/figures.ts';
import { Caution, Failed, Loading } from '../../ui/states.tsx';
import { clockNow } from '../../data/clock.ts';
import { useEnd, useFinish, useReopen } from '../../data/training/floor.ts';
import { TextArea } from '../../ui/text-area.tsx';
import { usePageOf } from '../../ui/page-of.ts';

/** How the session went: against plan, what slipped and likely why, what comes next, and a word to the lifter. */
export function SessionEnd(): ReactElement {
  const { sessionId = '' } = useParams();
  const end = useEnd(sessionId);
  usePageOf(end.data?.session.lifterName);
  const here = useWaitingOf(sessionId).length;
  const [search] = useSearchParams();
  const lanes = search.get('floor') ?? sessionId;
  return (
    <main className="mx-auto max-w-3xl px-4 py-4">
      <Link to={`/floor/${lanes}`} className="inline-flex min-h-16 items-center gap-2">
        <ArrowLeft size={22} aria-hidden /> Floor
      </Link>
      {here > 0 && (
        <Caution>
          {here} {here === 1 ? 'entry waits' : 'entries wait'} for the server and {here === 1 ? 'is' : 'are'}{' '}
          not counted here yet.
        </Caution>
      )}
      {end.isPending && <Loading what="the session’s end" lines={8} />}
      {end.error && !end.data && <Failed error={end.error} retry={() => void end.refetch()} />}
      {end.data && (
        <Ended
          key={end.data.finishedAt ?? 'open'}
          view={end.data}
          others={lanes.split(',').filter((each) => each !== sessionId)}
        />
      )}
    </main>
  );
}

function Ended({
  view,
  others,
}: {
  view: SessionEndView;
  /** Sessions that are on the floor beside this one. */
  others: readonly string[];
}): ReactElement {
  const unit = useUnit();
  const coach = useIsCoach();
  const { session } = view;
  const finish = useFinish(session.id);
  const reopen = useReopen(session.id);
  const [note, setNote] = useState(view.note);
  return (
    <>
      <h1 className="text-4xl">{session.lifterName}</h1>
      <p className="text-quiet">
        {session.title}, {shortDay(session.on)}, {session.venue.name}
        {view.finishedAt && ' · ended'}
      </p>
      <p className="figures mt-3 text-3xl font-semibold">
        {view.done} of {view.planned} sets
        {view.holds.length > 0 && `, ${view.holds.length} ${view.holds.length === 1 ? 'hold' : 'holds'}`}
        {view.slips.length > 0 && `, ${view.slips.length} ${view.slips.length === 1 ? 'slip' : 'slips'}`}
      </p>
      <div className="mt-4 grid gap-6">
        {view.slips.length > 0 && (
          <section aria-label="Slips">
            <h2 className="border-b-2 border-oxblood pb-1 text-xl">Slips, and likely why</h2>
            <ul>
              {view.slips.map((slip, i) => (
                <li key={i} className="border-b border-rule py-1.5">
                  {slip.liftName}, {SET_ROLE_TAGS[slip.role]} {formatMass(slip.load, unit)} × {slip.reps},{' '}
                  {GRIP_NAMES[slip.grip]}: slipped at {slip.slippedAtRep}
                </li>
              ))}
            </ul>
            <ol className="mt-2 grid gap-2">
              {view.causes.slice(0, 3).map((cause) => (
                <li key={cause.id} className="border-l-4 border-rule pl-3">
                  <b>{cause.cause}</b> {cause.remedies.join(' ')}
                  <span className="block text-sm text-quiet">
                    {cause.clues.map((clue) => clue.text).join('; ')}
                  </span>
                </li>
              ))}
            </ol>
          </section>
        )}
        {view.audit && (
          <section aria-label="What the audit found">
            <h2 className="border-b-2 border-verdigris pb-1 text-xl">What the hands hold for 10 s</h2>
            <ul>
              {view.audit.map(({ grip, before, after }) => (
                <li key={grip} className="border-b border-rule py-1.5">
                  {GRIP_NAMES[grip]}{' '}
                  <b className="figures text-xl">
                    {roughMass(after.low, unit)} to {roughMass(after.high, unit)}
                  </b>
                  <span className="text-quiet">
                    , before the audit {roughMass(before.low, unit)} to {roughMass(before.high, unit)}
                  </span>
                </li>
              ))}
            </ul>
            <p className="mt-1 text-quiet">
              Four times in five the hand lies between. The calls of every session rest on this from now on.
            </p>
          </section>
        )}
        {view.holds.length > 0 && (
          <section aria-label="Holds">
            <h2 className="border-b-2 border-verdigris pb-1 text-xl">Held against plan</h2>
            <ul>
              {view.holds.map((hold) => (
                <li key={hold.id} className="figures border-b border-rule py-1.5 text-lg">
                  {HOLD_KINDS_BY_ID[hold.kind].name} {formatMass(hold.load, unit)}: {hold.seconds.toFixed(1)}{' '}
                  s of {hold.target}, {HOLD_ENDING_NAMES[hold.ended]}
                </li>
              ))}
            </ul>
          </section>
        )}
        {view.nextHolds.length > 0 && (
          <section aria-label="Next time">
            <h2 className="border-b-2 border-ink pb-1 text-xl">Next time</h2>
            {view.nextHolds.map((next) => (
              <p key={next.kind} className="py-1.5">
                {HOLD_KINDS_BY_ID[next.kind].name}{' '}
                {next.barred ? (
                  `not now: ${next.barred.text}`
                ) : (
                  <>
                    <b className="figures text-xl">{formatMass(next.load, unit)}</b>, {next.sets} ×{' '}
                    {next.seconds} s, {HOLD_CHANGE_NAMES[next.change]}. {next.why[0]?.text}
                  </>
                )}
              </p>
            ))}
          </section>
        )}
        {view.otherwise.length > 0 && (
          <section aria-label="Otherwise than planned">
            <h2 className="border-b-2 border-ink pb-1 text-xl">Otherwise than planned</h2>
            <ul>
              {[...new Set(view.otherwise)].map((line) => (
                <li key={line} className="border-b border-rule py-1.5">
                  {line}
                </li>
              ))}
            </ul>
          </section>
        )}
        <section aria-label="Note to the lifter">
          <TextArea
            label={coach ? 'A word to the lifter' : 'Note'}
            rows={3}
            maxLength={1000}
            value={note}
            onChange={(event) => setNote(event.target.value)}
          />
          {(finish.error ?? reopen.error) && <Failed error={finish.error ?? reopen.error} />}
          <div className="mt-3 flex flex-wrap gap-3">
            <Button
              look="action"
              className="min-h-20 px-8 text-2xl"
              disabled={finish.isPending}
              onClick={() => finish.mutate({ note, finishedAt: view.finishedAt ?? clockNow().toISOString() })}
            >
              {view.finishedAt ? 'Save the note' : 'End the session'}
            </Button>
            {view.finishedAt && others.length > 0 && (
              <Link
                to={`/floor/${others.join(',')}`}
                className="inline-flex min-h-20 items-center rounded-sm border border-edge bg-raised px-6 text-xl font-medium hover:border-ink"
              >
                {others.length === 1 ? 'To the other lane' : `To the other ${others.length} lanes`}
              </Link>
            )}
            {view.finishedAt && (
              <Button
                className="min-h-20 px-6 text-xl"
                disabled={reopen.isPending}
                onClick={() => reopen.mutate()}
              >
                Reopen
              </Button>
            )}
          </div>
        </section>
      </div>
    </>
  );
}
