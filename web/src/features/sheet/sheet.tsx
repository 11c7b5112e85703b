import type { ASKED_LATER, LifterView } from '@iron-clasp/contract';
import { sayHands, STANCE_NAMES } from '@iron-clasp/core';
import clsx from 'clsx';
import { ArrowLeft } from 'lucide-react';
import { useEffect, useRef, type ReactElement } from 'react';
import { Link, NavLink, Outlet, useLocation, useMatch, useNavigate, useParams } from 'react-router';
import { useIsCoach, useIsStaff } from '../../data/session/use-is-coach.ts';
import { useUnit } from '../../data/session/use-unit.ts';
import { SeasonStrip } from '../../ui/charts/season-strip.tsx';
import { HandsMark } from '../../ui/marks/hands-mark.tsx';
import { formatMass } from '../../ui/figures.ts';
import { Caution, Failed, Loading } from '../../ui/states.tsx';
import { saySport } from '../../ui/words.ts';
import { NewBest } from './new-best.tsx';
import { useSheet } from '../../data/lifters/lifters.ts';
import { usePageOf } from '../../ui/page-of.ts';

/** The open lifter: who they are, the season strip, and one of the sheet's pages below. */
export function Sheet(): ReactElement {
  const { lifterId = '' } = useParams();
  const sheet = useSheet(lifterId);
  usePageOf(sheet.data?.lifter.name);
  const [coach, staff] = [useIsCoach(), useIsStaff()];
  const navigate = useNavigate();
  const onCalls = useMatch('/lifters/:lifterId/calls/*') !== null;
  const onSession = useMatch('/lifters/:lifterId/calls/:sessionId');
  return (
    <div className="px-4 pb-12 pt-3 md:px-6">
      {!sheet.data && <Ways rack={staff} />}
      {sheet.isPending && <Loading what="the sheet" lines={7} />}
      {sheet.error && <Failed error={sheet.error} retry={() => void sheet.refetch()} />}
      {sheet.data && (
        <>
          <Head lifter={sheet.data.lifter} rack={staff} />
          {coach && <Conflicts lifter={sheet.data.lifter} />}
          {coach && <NewBest sheet={sheet.data} />}
          <SeasonStrip
            sheet={sheet.data}
            open={onCalls ? (onSession?.params.sessionId ?? sheet.data.nextSessionId) : null}
            onOpen={(id) => void navigate(`/lifters/${sheet.data.lifter.id}/calls/${id}`)}
          />
          <nav
            aria-label="The sheet"
            className="relative flex gap-x-5 overflow-x-auto border-b border-rule md:gap-x-6"
          >
            <Page to="calls">Calls</Page>
            {staff && <Page to="program">Program</Page>}
            <Page to="holds">Holds</Page>
            <Page to="curve" also={['ramp', 'compare', 'track-record']}>
              Curve
            </Page>
            <Page to="hands">Hands</Page>
            <Page to="squeeze" also={['grippers']}>
              Squeeze
            </Page>
            <Page to="log">Log</Page>
            {staff && <Page to="profile">Profile</Page>}
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

function Head({ lifter, rack }: { lifter: LifterView; rack: boolean }): ReactElement {
  const unit = useUnit();
  // What nobody has said yet is reckoned with, but not said to be so.
  const said = (field: (typeof ASKED_LATER)[number]): boolean => !lifter.unanswered.includes(field);
  const training =
    lifter.trainingMonths < 24
      ? `${lifter.trainingMonths} months of training`
      : `${Math.floor(lifter.trainingMonths / 12)} years of training`;
  const facts = [
    saySport(lifter),
    `school: ${lifter.school.name}`,
    `deadlift ${formatMass(lifter.deadliftMax, unit)}`,
    ...(said('stance') ? [STANCE_NAMES[lifter.stance]] : []),
    ...(lifter.largeThighs ? ['large thighs'] : []),
    ...(said('trainingSince') ? [training] : []),
    ...(lifter.hookStage === 'none' ? [] : [`hook: ${lifter.hookStage}`]),
  ];
  return (
    <header className="mb-1 flex flex-wrap items-center gap-x-4 gap-y-1 md:gap-x-5">
      <Ways rack={rack} />
      <h1 className="min-w-0 max-md:grow max-md:basis-0 max-md:truncate text-2xl md:text-4xl">
        {lifter.name}
      </h1>
      {/* On a phone the profile has them. */}
      <div className="min-w-0 grow basis-0 max-md:hidden">
        <p className="line-clamp-2 text-sm leading-snug text-quiet">{facts.join(' · ')}</p>
      </div>
      <div className="flex min-w-0 items-center gap-3">
        <HandsMark hands={lifter.hands} looked={lifter.hands.on !== null} size={30} />
        <p className="line-clamp-2 max-w-48 text-sm leading-snug max-md:sr-only">
          {sayHands(lifter.hands, lifter.hands.on !== null)}
        </p>
      </div>
    </header>
  );
}

/** The ways back from a sheet that fills the screen: a lifter's own always does. */
function Ways({ rack }: { rack: boolean }): ReactElement {
  return (
    <p className={clsx('flex items-center gap-3', rack && 'lg:hidden')}>
      <Link to="/" aria-label="Today" title="Today" className="grid size-9 place-items-center">
        <ArrowLeft size={20} aria-hidden />
      </Link>
      {rack && (
        <Link to="/lifters" className="py-1.5 underline decoration-rule underline-offset-4">
          Rack
        </Link>
      )}
    </p>
  );
}

function Page({
  to,
  also = [],
  children,
}: {
  to: string;
  also?: readonly string[];
  children: string;
}): ReactElement {
  const { pathname } = useLocation();
  const onOther = also.some((each) => pathname.endsWith(`/${each}`));
  const shown = onOther || pathname.split('/')[3] === to;
  const tab = useRef<HTMLAnchorElement>(null);
  useEffect(() => {
    const [link, row] = [tab.current, tab.current?.parentElement];
    // On a phone the row is longer than the screen: the page that is open stands in it.
    if (shown && link && row) row.scrollLeft = link.offsetLeft - (row.clientWidth - link.offsetWidth) / 2;
  }, [shown]);
  return (
    <NavLink
      ref={tab}
      to={to}
      className={({ isActive }) =>
        clsx(
          'figures shrink-0 border-b-[3px] py-1.5 text-xl',
          isActive || onOther ? 'border-forge font-semibold' : 'border-transparent text-quiet hover:text-ink',
        )
      }
    >
      {children}
    </NavLink>
  );
}
