import { CHALK_RULE_NAMES } from '@iron-clasp/core';
import type { SessionHead, SheetView } from '@iron-clasp/contract';
import { ChevronLeft, ChevronRight, Printer, Shuffle, Timer } from 'lucide-react';
import type { ReactElement } from 'react';
import { Link } from 'react-router';
import { useIsCoach, useMayLog } from '../../data/session/use-is-coach.ts';
import { useMoveSession } from '../../data/training/calls.ts';
import { Button } from '../../ui/button.tsx';
import { Checkbox } from '../../ui/checkbox.tsx';
import { nearDay } from '../../ui/figures.ts';
import { Select } from '../../ui/select.tsx';
import { Failed } from '../../ui/states.tsx';

/** The sessions of the season around the one that is open. */
interface Season {
  readonly sessions: SheetView['season']['sessions'];
  /** Place of the open one; −1 where it lies outside the season. */
  readonly at: number;
  readonly today: string;
  readonly onOpen: (sessionId: string) => void;
}

/** The session before or after, a step away. */
function Step({ season, by }: { season: Season; by: -1 | 1 }): ReactElement {
  const { sessions, at, today, onOpen } = season;
  const session = at < 0 ? undefined : sessions[at + by];
  const words = by < 0 ? 'Session before' : 'Session after';
  const Icon = by < 0 ? ChevronLeft : ChevronRight;
  return (
    <Button
      aria-label={session ? `${words}: ${session.title}, ${nearDay(session.on, today)}` : words}
      disabled={!session}
      className="grid size-9 shrink-0 place-items-center p-0"
      onClick={() => session && onOpen(session.id)}
    >
      <Icon size={18} aria-hidden />
    </Button>
  );
}

/** Which session it is, where and with what, and what can be done with it: one line, and a quiet one below. */
export function SessionBar({
  head,
  season,
  trying,
  onTry,
}: {
  head: SessionHead;
  season: Season;
  trying: boolean;
  onTry: () => void;
}): ReactElement {
  const move = useMoveSession(head.id);
  const [coach, logs] = [useIsCoach(), useMayLog()];
  return (
    <div className="flex flex-wrap items-center gap-x-4 gap-y-1 py-2">
      <div className="mr-auto flex min-w-0 items-center gap-2">
        <Step season={season} by={-1} />
        <p className="figures text-2xl font-semibold leading-tight">
          {head.title}, {nearDay(head.on, season.today)}
        </p>
        <Step season={season} by={1} />
      </div>
      <div className="flex gap-2">
        {coach && (
          <Button aria-expanded={trying} onClick={onTry} className="inline-flex items-center gap-2">
            <Shuffle size={16} aria-hidden /> What if
          </Button>
        )}
        <Link
          to={`/cards/${head.id}`}
          className="inline-flex items-center gap-2 rounded-sm border border-edge bg-raised px-3 py-1.5 font-medium hover:border-ink"
        >
          <Printer size={16} aria-hidden /> Card
        </Link>
        <Link
          to={logs ? `/floor/${head.id}` : `/live/${head.id}`}
          className="inline-flex items-center gap-2 rounded-sm border border-forge bg-forge px-4 py-1.5 font-semibold text-on-forge hover:brightness-110"
        >
          <Timer size={18} aria-hidden /> {logs ? 'To the floor' : 'Follow'}
        </Link>
      </div>
      {coach ? (
        <div className="flex w-full min-w-0 flex-wrap items-center gap-x-3 gap-y-1 text-sm text-quiet">
          <Select
            aria-label="Venue of the session"
            value={head.venue.id}
            disabled={move.isPending}
            options={head.venues.map(
              (venue) => [venue.id, `${venue.name}, ${CHALK_RULE_NAMES[venue.chalk]}`] as const,
            )}
            onChange={(venueId) => move.mutate({ venueId, version: head.version })}
          />
          <Select
            aria-label="Bar of the session"
            value={head.bar.id}
            disabled={move.isPending}
            options={(head.bars.some((bar) => bar.id === head.bar.id)
              ? head.bars
              : [...head.bars, head.bar]
            ).map((bar) => [bar.id, bar.name] as const)}
            onChange={(barId) => move.mutate({ barId, version: head.version })}
          />
          <span className="max-md:hidden">{head.bar.diameter} mm</span>
          <Select
            aria-label="Another session"
            className="w-40 max-w-full max-md:hidden"
            value=""
            placeholder="Another session"
            options={season.sessions.map(
              (each) =>
                [
                  each.id,
                  `${nearDay(each.on, season.today)}: ${each.title}${each.done ? ', done' : ''}`,
                ] as const,
            )}
            onChange={season.onOpen}
          />
          <Checkbox checked={head.sweat} onChange={(sweat) => move.mutate({ sweat, version: head.version })}>
            heat and sweat
          </Checkbox>
          {head.venue.note && (
            <p className="min-w-0 grow basis-60 truncate" title={head.venue.note}>
              {head.venue.note}
            </p>
          )}
        </div>
      ) : (
        <p className="w-full text-quiet">
          at {head.venue.name}, {CHALK_RULE_NAMES[head.venue.chalk]}; {head.bar.name}, {head.bar.diameter} mm
        </p>
      )}
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
