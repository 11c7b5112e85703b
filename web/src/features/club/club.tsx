import { ATTENTION_STEP_NAMES } from '@iron-clasp/core';
import type { AttentionFinding } from '@iron-clasp/core';
import type { ClubView } from '@iron-clasp/contract';
import { CircleAlert, Info, OctagonX } from 'lucide-react';
import type { ReactElement } from 'react';
import { Link } from 'react-router';
import { useUnit } from '../../data/session/use-unit.ts';
import { TimeChart } from '../../ui/charts/time-chart.tsx';
import { Button } from '../../ui/button.tsx';
import { inUnit } from '../../ui/figures.ts';
import { Empty, Failed, Loading } from '../../ui/states.tsx';
import { SaveTable } from '../../ui/save-table.tsx';
import { ClubTrackRecord } from './club-track-record.tsx';
import { useClubCurves } from './use-club-curves.ts';
import { useClub } from '../../data/club/attention.ts';
import { Progress } from '../../ui/progress.tsx';

const LEVELS = {
  stop: { Icon: OctagonX, tone: 'text-oxblood', words: 'stop' },
  caution: { Icon: CircleAlert, tone: 'text-ochre', words: 'caution' },
  note: { Icon: Info, tone: 'text-quiet', words: 'note' },
} as const;

const stepTo = (lifterId: string, { step }: AttentionFinding): string =>
  step === 'log' ? `/lifters/${lifterId}/log?slipped=yes` : `/lifters/${lifterId}/${step}`;

/** The whole club: who needs the coach and why, each with one step to where it is mended. */
export function Club(): ReactElement {
  const club = useClub();
  return (
    <>
      {club.isPending && <Loading what="the club" lines={9} />}
      {club.error && !club.data && <Failed error={club.error} retry={() => void club.refetch()} />}
      {club.data && <Attention view={club.data} />}
      {club.data && <ClubTrackRecord />}
      {club.data && <Curves />}
    </>
  );
}

function Attention({ view }: { view: ClubView }): ReactElement {
  if (view.lifters.length + view.quiet.length === 0)
    return (
      <Empty title="Nobody on the rack yet">
        <Link to="/lifters/new" className="underline underline-offset-4">
          New lifter
        </Link>{' '}
        with name, sport and best deadlift.
      </Empty>
    );
  return (
    <section aria-label="Who needs attention" className="mt-3">
      <h2 className="flex items-baseline justify-between gap-3 border-b-2 border-ink pb-1 text-2xl">
        Who needs attention
        <SaveTable
          name="attention"
          table={{
            head: ['lifter', 'level', 'what', 'rule'],
            rows: view.lifters.flatMap((each) =>
              each.findings.map((found) => [each.name, found.level, found.text, found.ruleId]),
            ),
          }}
        />
      </h2>
      <ul>
        {view.lifters.map((lifter) => (
          <li
            key={lifter.id}
            className="grid gap-x-6 gap-y-1 border-b border-rule py-2 md:grid-cols-[13rem_minmax(0,1fr)]"
          >
            <Link
              to={`/lifters/${lifter.id}/calls`}
              className="text-lg font-semibold underline-offset-4 hover:underline"
            >
              {lifter.name}
            </Link>
            <ul className="grid gap-1">
              {lifter.findings.map((found) => {
                const { Icon, tone, words } = LEVELS[found.level];
                return (
                  <li key={found.ruleId} className="flex flex-wrap items-baseline gap-x-4">
                    <span
                      className={`flex items-baseline gap-2 ${tone} ${found.level === 'note' ? '' : 'font-semibold'}`}
                    >
                      <Icon size={16} aria-hidden className="translate-y-0.5" />
                      <span className="sr-only">{words}: </span>
                      {found.text}
                    </span>
                    <Link to={stepTo(lifter.id, found)} className="ml-auto underline underline-offset-4">
                      {ATTENTION_STEP_NAMES[found.step]}
                      <span className="sr-only"> of {lifter.name}</span>
                    </Link>
                  </li>
                );
              })}
            </ul>
          </li>
        ))}
      </ul>
      {view.quiet.length > 0 && (
        <p className="py-2 text-quiet">Nothing found: {view.quiet.map((each) => each.name).join(', ')}.</p>
      )}
    </section>
  );
}

/** All curves over all weeks: heavy, so it is asked for, says how far it is, and can be stopped. */
function Curves(): ReactElement {
  const unit = useUnit();
  const curves = useClubCurves();
  return (
    <section aria-label="All curves over all weeks" className="mt-8">
      <h2 className="border-b-2 border-ink pb-1 text-2xl">Ten-second load of each, over half a year</h2>
      <p className="py-1 text-sm text-quiet">
        Each lifter against their own past: load held ten seconds double overhand as often as not, fitted week
        by week from what was logged by then. No ranking: bodies, bars and lifts differ.
      </p>
      <div className="flex flex-wrap items-center gap-3">
        {curves.state === 'running' ? (
          <>
            <Progress label="Curves fitted" value={curves.done} max={curves.total} />
            <span role="status" className="figures text-lg">
              {curves.done} of {curves.total} lifters
            </span>
            <Button onClick={curves.cancel}>Cancel</Button>
          </>
        ) : (
          <Button onClick={curves.start}>
            {curves.state === 'idle' ? 'Fit all curves' : 'Fit them again'}
          </Button>
        )}
        {curves.state === 'cancelled' && (
          <p role="status">Cancelled after {curves.done} lifters; those stay below.</p>
        )}
        {curves.state === 'failed' && (
          <p role="alert" className="text-oxblood">
            The connection was lost after {curves.done} lifters. Start it again.
          </p>
        )}
      </div>
      <div className="mt-3 grid gap-x-8 gap-y-4 md:grid-cols-2 2xl:grid-cols-3">
        {curves.lifters.map((lifter) => (
          <section key={lifter.id} aria-label={lifter.name} className="min-w-0">
            <h3 className="text-lg">
              <Link to={`/lifters/${lifter.id}/curve`} className="underline-offset-4 hover:underline">
                {lifter.name}
              </Link>
            </h3>
            <TimeChart
              name={`ten second load ${lifter.name}`}
              label={`${lifter.name}: load held ten seconds as often as not, by week.`}
              unit={unit}
              height={150}
              series={[
                {
                  name: '10 s',
                  points: lifter.weeks
                    .filter((week) => week.behind > 0)
                    .map((week) => ({
                      on: week.on,
                      value: inUnit(week.tenSeconds.value, unit),
                      low: inUnit(week.tenSeconds.low, unit),
                      high: inUnit(week.tenSeconds.high, unit),
                    })),
                },
              ]}
            />
          </section>
        ))}
      </div>
    </section>
  );
}
