import type { FloorView } from '@iron-clasp/contract';
import clsx from 'clsx';
import { ArrowLeft } from 'lucide-react';
import { useRef, type ReactElement, type TouchEvent } from 'react';
import { Link, useParams, useSearchParams } from 'react-router';
import { useUnsaved, useWaitingOf } from '../../offline/use-outbox.ts';
import { Caution, Failed, Loading } from '../../ui/states.tsx';
import { useKeys } from '../../ui/use-keys.ts';
import { useWide } from '../../ui/use-wide.ts';
import { minutes } from '../../ui/figures.ts';
import { laneOf } from './lane.ts';
import { useLaneMemory } from './lane-memory.ts';
import { LaneSounds } from './lane-sounds.ts';
import { LaneView } from './lane-view.tsx';
import { usePaintedClock, useRest } from './use-clock.ts';
import { MOST_LANES } from '../../data/club/day.ts';
import { useFloor } from '../../data/training/floor.ts';

/** A finger that goes this far sideways, px, wants the next lane. */
const SWIPE = 70;
/** From here on the other lanes stand beside the open one. */
const WIDE = 900;

/** The floor: a lane for each lifter of the session, one of them open and large. Always dark, for glare. */
export function Floor(): ReactElement {
  const { sessionIds = '' } = useParams();
  const ids = [...new Set(sessionIds.split(','))].slice(0, MOST_LANES);
  const [search, setSearch] = useSearchParams();
  const at = Math.min(Math.max(0, Number(search.get('lane') ?? 1) - 1 || 0), ids.length - 1);
  const wide = useWide(WIDE);
  const unsaved = useUnsaved();
  const from = useRef<{ x: number; y: number } | null>(null);
  const goTo = (lane: number): void => {
    if (lane >= 0 && lane < ids.length && lane !== at)
      setSearch(lane === 0 ? {} : { lane: String(lane + 1) }, { replace: true });
  };
  useKeys(Object.fromEntries(ids.map((_, i) => [String(i + 1), () => goTo(i)])));
  const swipe = (event: TouchEvent): void => {
    const start = from.current;
    const end = event.changedTouches[0];
    from.current = null;
    if (!start || !end) return;
    const [dx, dy] = [end.clientX - start.x, end.clientY - start.y];
    if (Math.abs(dx) > SWIPE && Math.abs(dx) > 2 * Math.abs(dy)) goTo(at + (dx < 0 ? 1 : -1));
  };
  const open = ids[at]!;
  return (
    <div
      className="flex h-dvh flex-col overflow-hidden"
      onTouchStart={(event) => {
        const touch = event.touches[0];
        from.current = touch ? { x: touch.clientX, y: touch.clientY } : null;
      }}
      onTouchEnd={swipe}
    >
      {ids.map((id) => (
        <LaneSounds key={id} id={id} />
      ))}
      {unsaved && (
        <div className="bg-raised px-4 py-2">
          <Caution stop>
            This device has no room left: what is logged lives only in this page until the server has it. Keep
            the page open, or free some space.
          </Caution>
        </div>
      )}
      {!wide && ids.length > 1 && (
        <nav
          aria-label="Lanes"
          className="grid shrink-0 auto-cols-fr grid-flow-col typing:hidden border-b border-rule"
        >
          {ids.map((id, i) => (
            <LaneTab key={id} id={id} number={i + 1} open={i === at} onOpen={() => goTo(i)} />
          ))}
        </nav>
      )}
      <div
        className={clsx(
          'min-h-0 grow',
          wide && ids.length > 1 ? 'grid grid-cols-[minmax(0,1fr)_20rem]' : 'flex flex-col',
        )}
      >
        <OpenLane key={open} id={open} />
        {wide && ids.length > 1 && (
          <nav aria-label="Lanes" className="overflow-y-auto border-l border-rule">
            {ids.map((id, i) => (
              <LaneTab key={id} id={id} number={i + 1} open={i === at} onOpen={() => goTo(i)} wide />
            ))}
          </nav>
        )}
      </div>
    </div>
  );
}

function OpenLane({ id }: { id: string }): ReactElement {
  const floor = useFloor(id);
  if (floor.data) return <LaneView view={floor.data} />;
  return (
    <main className="p-6">
      {floor.isPending ? (
        <Loading what="the floor" />
      ) : (
        <Failed error={floor.error} retry={() => void floor.refetch()} />
      )}
      <Link to="/" className="inline-flex min-h-16 items-center gap-2">
        <ArrowLeft size={22} aria-hidden /> Back
      </Link>
    </main>
  );
}

interface TabProps {
  readonly id: string;
  readonly number: number;
  readonly open: boolean;
  readonly wide?: boolean;
  readonly onOpen: () => void;
}

/** Another lane at a glance: who, how far, its clock and rest. */
function LaneTab({ id, number, open, wide = false, onOpen }: TabProps): ReactElement {
  const floor = useFloor(id);
  return (
    <button
      type="button"
      aria-current={open ? 'true' : undefined}
      onClick={onOpen}
      className={clsx(
        'text-left leading-tight',
        wide
          ? 'block min-h-16 w-full border-b border-rule px-3 py-2'
          : 'min-h-13 min-w-0 border-l border-rule px-2 first:border-l-0 flat:min-h-11',
        open ? 'bg-raised' : 'hover:bg-raised',
        open && (wide ? 'border-l-4 border-l-forge' : 'border-b-4 border-b-forge'),
      )}
    >
      <span className={clsx('figures mr-1.5 text-quiet', !wide && 'hidden sm:inline')}>{number}</span>
      {floor.data ? <TabWords view={floor.data} wide={wide} /> : <span className="text-quiet">…</span>}
    </button>
  );
}

function TabWords({ view, wide }: { view: FloorView; wide: boolean }): ReactElement {
  const { session } = view.calls;
  const waiting = useWaitingOf(session.id);
  const [memory] = useLaneMemory(session.id);
  const lane = laneOf(view, waiting, memory);
  const clock = usePaintedClock(session.id);
  const rest = useRest(memory.rest);
  const name = session.lifterName;
  return (
    <>
      <span className={wide ? 'text-lg font-semibold' : 'inline-block max-w-full truncate font-semibold'}>
        {wide ? name : name.split(' ')[0]}
      </span>
      <span className={clsx('figures block truncate text-quiet', wide && 'text-lg')}>
        {clock.running ? (
          <b className="text-verdigris">
            {clock.countIn > 0 ? `in ${clock.countIn}` : `${clock.seconds.toFixed(1)} s`}
          </b>
        ) : lane.current === null ? (
          'all done'
        ) : rest !== null && rest > 0 ? (
          `rest ${minutes(rest)}`
        ) : rest === 0 ? (
          <b className="text-forge">ready</b>
        ) : (
          `${lane.count.done} of ${lane.count.of}`
        )}
      </span>
    </>
  );
}
