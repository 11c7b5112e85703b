import { CHALK_RULE_NAMES } from '@iron-clasp/core';
import { MoveSessionRequest, type SessionHead, type SheetView } from '@iron-clasp/contract';
import { ChevronLeft, ChevronRight, Printer, Shuffle, Timer } from 'lucide-react';
import { useState, type ReactElement } from 'react';
import { Link } from 'react-router';
import { useIsCoach, useMayLog } from '../../data/session/use-is-coach.ts';
import { useMoveSession } from '../../data/training/calls.ts';
import { Button } from '../../ui/button.tsx';
import { Checkbox } from '../../ui/checkbox.tsx';
import { nearDay } from '../../ui/figures.ts';
import { Field } from '../../ui/field.tsx';
import { useRequestForm } from '../../ui/request-form.ts';
import { useKeys } from '../../ui/use-keys.ts';
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
  const [noting, setNoting] = useState(false);
  useKeys({ n: () => coach && setNoting(true) });
  return (
    <div className="flex flex-wrap items-center gap-x-3 gap-y-1 pt-2 pb-1">
      <div className="flex min-w-0 items-center gap-2">
        <Step season={season} by={-1} />
        <p className="figures text-2xl font-semibold leading-tight">
          {head.title}, {nearDay(head.on, season.today)}
        </p>
        <Step season={season} by={1} />
      </div>
      {coach ? (
        <div className="flex min-w-0 grow basis-72 items-center gap-2 text-sm">
          <Select
            aria-label="Venue of the session"
            className="min-w-0 max-w-60"
            value={head.venue.id}
            disabled={move.isPending}
            options={head.venues.map(
              (venue) => [venue.id, `${venue.name}, ${CHALK_RULE_NAMES[venue.chalk]}`] as const,
            )}
            onChange={(venueId) => move.mutate({ venueId, version: head.version })}
          />
          <Select
            aria-label="Bar of the session"
            className="min-w-0 max-w-40"
            value={head.bar.id}
            disabled={move.isPending}
            options={(head.bars.some((bar) => bar.id === head.bar.id)
              ? head.bars
              : [...head.bars, head.bar]
            ).map((bar) => [bar.id, bar.name] as const)}
            onChange={(barId) => move.mutate({ barId, version: head.version })}
          />
        </div>
      ) : (
        <p className="grow text-quiet">
          at {head.venue.name}, {CHALK_RULE_NAMES[head.venue.chalk]}; {head.bar.name}, {head.bar.diameter} mm
        </p>
      )}
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
      {coach && (
        <div className="flex w-full min-w-0 flex-wrap items-center gap-x-4 text-sm text-quiet">
          <span>{head.bar.diameter} mm</span>
          <Checkbox
            className="min-h-7!"
            checked={head.sweat}
            onChange={(sweat) => move.mutate({ sweat, version: head.version })}
          >
            heat and sweat
          </Checkbox>
          <button
            type="button"
            aria-expanded={noting}
            onClick={() => setNoting(!noting)}
            className="underline decoration-rule underline-offset-4 hover:text-ink"
          >
            {head.note ? 'edit the note' : 'note to the lifter'}
          </button>
          {head.venue.note && (
            <p className="min-w-0 grow basis-60 truncate" title={head.venue.note}>
              {head.venue.note}
            </p>
          )}
        </div>
      )}
      {noting && <NoteForm head={head} onDone={() => setNoting(false)} />}
      {head.note && !noting && (
        <p className="w-full border-l-4 border-forge pl-3">
          {head.note}
          {coach && <span className="text-sm text-quiet"> · as {head.lifterName} reads it</span>}
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

/** What the coach tells the lifter of the session; it stands on the sheet, the card and the lifter's own day. */
function NoteForm({ head, onDone }: { head: SessionHead; onDone: () => void }): ReactElement {
  const move = useMoveSession(head.id);
  const { typed, set, fault, onSubmit, failed, sending } = useRequestForm({
    request: MoveSessionRequest,
    start: { note: head.note },
    bodyOf: ({ note }: { note: string }): MoveSessionRequest => ({ note, version: head.version }),
    send: (body) => move.mutateAsync(body),
    onSaved: onDone,
  });
  return (
    <form
      onSubmit={onSubmit}
      noValidate
      aria-label="Note to the lifter"
      className="flex w-full flex-wrap items-end gap-2"
      onKeyDown={(event) => event.key === 'Escape' && onDone()}
    >
      <div className="min-w-60 grow">
        <Field
          label={`Note to ${head.lifterName}`}
          value={typed.note}
          maxLength={1000}
          autoFocus
          error={fault('note')}
          onChange={(event) => set({ note: event.target.value })}
        />
      </div>
      <Button type="submit" look="action" disabled={sending}>
        Save
      </Button>
      <Button onClick={onDone}>Cancel</Button>
      {failed && <Failed error={failed} />}
    </form>
  );
}
