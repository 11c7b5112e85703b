import type { LifterView } from '@iron-clasp/contract';
import { sayHands, STANCE_NAMES } from '@iron-clasp/core';
import clsx from 'clsx';
import { ArrowLeft } from 'lucide-react';
import type { ReactElement } from 'react';
import { Link, NavLink, Outlet, useLocation, useMatch, useNavigate, useParams } from 'react-router';
import { useIsCoach } from '../../data/session/use-is-coach.ts';
import { useUnit } from '../../data/session/use-unit.ts';
import { SeasonStrip } from '../../ui/charts/season-strip.tsx';
import { HandsMark } from '../../ui/marks/hands-mark.tsx';
import { formatMass } from '../../ui/figures.ts';
import { Caution, Failed, Loading } from '../../ui/states.tsx';
import { saySport } from '../../ui/words.ts';
import { NewBest } from './new-best.tsx';
import { useSheet } from '../../data/lifters/lifters.ts';

/** The open lifter: who they are, the season strip, and one of the sheet's pages below. */
export function Sheet(): ReactElement {
  const { lifterId = '' } = useParams();
  const sheet = useSheet(lifterId);
  const coach = useIsCoach();
  const navigate = useNavigate();
  const onCalls = useMatch('/lifters/:lifterId/calls/*') !== null;
  const onSession = useMatch('/lifters/:lifterId/calls/:sessionId');
  return (
    <div className="px-4 pb-12 pt-4 md:px-8">
      {coach && (
        <Link to="/" className="mb-2 inline-flex items-center gap-1 py-2 lg:hidden">
          <ArrowLeft size={18} aria-hidden /> Rack
        </Link>
      )}
      {sheet.isPending && <Loading what="the sheet" lines={7} />}
      {sheet.error && <Failed error={sheet.error} retry={() => void sheet.refetch()} />}
      {sheet.data && (
        <>
          <Head lifter={sheet.data.lifter} />
          {coach && <Conflicts lifter={sheet.data.lifter} />}
          {coach && <NewBest sheet={sheet.data} />}
          <SeasonStrip
            sheet={sheet.data}
            open={onCalls ? (onSession?.params.sessionId ?? sheet.data.nextSessionId) : null}
            onOpen={(id) => void navigate(`/lifters/${sheet.data.lifter.id}/calls/${id}`)}
          />
          <nav aria-label="The sheet" className="mt-1 flex flex-wrap gap-x-6 border-b border-rule">
            <Page to="calls">Calls</Page>
            {coach && <Page to="program">Program</Page>}
            <Page to="ramp">Ramp</Page>
            <Page to="holds">Holds</Page>
            <Page to="curve">Curve</Page>
            <Page to="hands">Hands</Page>
            <Page to="squeeze" also="grippers">
              Squeeze
            </Page>
            <Page to="compare">Compare</Page>
            <Page to="log">Log</Page>
            {coach && <Page to="profile">Profile</Page>}
          </nav>
          <Outlet context={sheet.data} key={lifterId} />
        </>
      )}
    </div>
  );
}

/** What in the profile does not go together, with the mend and where to make it. */
function Conflicts({ lifter }: { lifter: LifterView }): ReactElement | null {
  if (lifter.conflicts.length === 0) return null;
  return (
    <ul aria-label="What does not go together" className="mb-3 grid gap-1">
      {lifter.conflicts.map((conflict) => (
        <li key={conflict.id}>
          <Caution>
            {conflict.text}{' '}
            <Link to={`/lifters/${lifter.id}/profile`} className="underline underline-offset-4">
              {conflict.mend}
            </Link>
          </Caution>
        </li>
      ))}
    </ul>
  );
}

function Head({ lifter }: { lifter: LifterView }): ReactElement {
  const unit = useUnit();
  const facts = [
    saySport(lifter),
    lifter.school.name,
    `deadlift ${formatMass(lifter.deadliftMax, unit)}`,
    STANCE_NAMES[lifter.stance],
    ...(lifter.largeThighs ? ['large thighs'] : []),
    lifter.trainingMonths < 24
      ? `${lifter.trainingMonths} months of training`
      : `${Math.floor(lifter.trainingMonths / 12)} years of training`,
    ...(lifter.hookStage === 'none' ? [] : [`hook: ${lifter.hookStage}`]),
  ];
  return (
    <header className="mb-3 flex flex-wrap items-end gap-x-6 gap-y-2 md:flex-nowrap">
      <div className="min-w-0 grow">
        <h1 className="text-4xl">{lifter.name}</h1>
        <p className="text-quiet">{facts.join(' · ')}</p>
      </div>
      <div className="flex shrink-0 items-center gap-3">
        <HandsMark hands={lifter.hands} looked={lifter.hands.on !== null} size={34} />
        <p className="max-w-48 text-sm leading-snug">{sayHands(lifter.hands, lifter.hands.on !== null)}</p>
      </div>
    </header>
  );
}

function Page({ to, also, children }: { to: string; also?: string; children: string }): ReactElement {
  const onOther = useLocation().pathname.endsWith(`/${also}`);
  return (
    <NavLink
      to={to}
      className={({ isActive }) =>
        clsx(
          'figures -mb-px border-b-[3px] py-2 text-xl',
          isActive || onOther ? 'border-forge font-semibold' : 'border-transparent text-quiet hover:text-ink',
        )
      }
    >
      {children}
    </NavLink>
  );
}
