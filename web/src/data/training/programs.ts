import { useQuery, type UseQueryResult } from '@tanstack/react-query';
import type {
  CallsView,
  ProgramMarksView,
  ProgramView,
  SessionPlanView,
  SessionPreviewRequest,
  SessionPreviewView,
  SessionRequest,
  WeeksView,
} from '@iron-clasp/contract';
import { useEffect, useState } from 'react';
import { type ApiError, ask } from '../client.ts';
import { keys } from '../keys.ts';
import { useLifterTry, type Write } from '../write.ts';

/** Four weeks of the program, from that of a day on; what was shown stands until the next ones are there. */
export function useProgram(lifterId: string, day: string): UseQueryResult<ProgramView, ApiError> {
  return useQuery({
    queryKey: keys.lifter(lifterId, 'program', day),
    queryFn: () => ask<ProgramView>('GET', `/lifters/${lifterId}/weeks/${day}`),
    placeholderData: (before) => before,
  });
}

/** The grips of a week's sessions, fetched beside what is written: the grid does not wait for them. */
export function useWeekMarks(lifterId: string, monday: string): UseQueryResult<ProgramMarksView, ApiError> {
  return useQuery({
    queryKey: keys.lifter(lifterId, 'program', 'marks', monday),
    queryFn: () => ask<ProgramMarksView>('GET', `/lifters/${lifterId}/weeks/${monday}/marks`),
    placeholderData: (before) => before,
  });
}

/** A session as it is written; read afresh each time an editor opens. */
export function usePlan(sessionId: string | null): UseQueryResult<SessionPlanView, ApiError> {
  return useQuery({
    queryKey: keys.training(sessionId ?? '', 'plan'),
    queryFn: () => ask<SessionPlanView>('GET', `/sessions/${sessionId}/plan`),
    enabled: sessionId !== null,
    gcTime: 0,
    refetchOnWindowFocus: false,
  });
}

/** Keys rest this long, ms, before what was written is asked about. */
const PAUSE = 500;

/**
 * How lines that are being written would be called; the last answer stands until the next one is there.
 * @param body null while nothing can be asked yet.
 */
export function useLinePreview(
  lifterId: string,
  body: SessionPreviewRequest | null,
): SessionPreviewView | undefined {
  const written = JSON.stringify(body);
  const [asked, setAsked] = useState(written);
  useEffect(() => {
    const timer = setTimeout(() => setAsked(written), PAUSE);
    return () => clearTimeout(timer);
  }, [written]);
  const { data } = useQuery({
    queryKey: keys.lifter(lifterId, 'preview', asked),
    queryFn: () =>
      ask<SessionPreviewView>('POST', `/lifters/${lifterId}/session-preview`, JSON.parse(asked) as object),
    enabled: asked !== 'null',
    placeholderData: (before) => before,
    // What cannot be called yet is said at its line as it is.
    retry: false,
    gcTime: 0,
  });
  return data;
}

export interface SessionToSave {
  readonly id: string;
  readonly body: SessionRequest;
}

/** Writes sessions one after another; the first refusal stops, and what was written before it stays. */
export function useSaveSessions(lifterId: string): Write<void, readonly SessionToSave[]> {
  return useLifterTry(lifterId, async (sessions) => {
    for (const { id, body } of sessions)
      await ask<SessionPlanView>('PUT', `/lifters/${lifterId}/sessions/${id}`, body);
  });
}

/** What can be done to a lifter's week as a whole, and to a session from outside its editor. */
export type WeekChange =
  | { readonly kind: 'repeat'; readonly day: string; readonly weeks: number }
  | { readonly kind: 'move'; readonly day: string; readonly to: string }
  | { readonly kind: 'clear'; readonly day: string };

export function useChangeWeek(lifterId: string): Write<WeeksView, WeekChange> {
  return useLifterTry(lifterId, (change) => {
    const week = `/lifters/${lifterId}/weeks/${change.day}`;
    if (change.kind === 'clear') return ask<WeeksView>('DELETE', week);
    return change.kind === 'repeat'
      ? ask<WeeksView>('POST', `${week}/repeat`, { weeks: change.weeks })
      : ask<WeeksView>('POST', `${week}/move`, { to: change.to });
  });
}

export interface SessionAt {
  readonly id: string;
  readonly version: number;
}

/** Another day for a session. */
export function useMoveDay(lifterId: string): Write<CallsView, SessionAt & { readonly heldOn: string }> {
  return useLifterTry(lifterId, ({ id, version, heldOn }) =>
    ask<CallsView>('PATCH', `/sessions/${id}`, { heldOn, version }),
  );
}

export function useRemoveSession(lifterId: string): Write<void, SessionAt> {
  return useLifterTry(lifterId, ({ id, version }) =>
    ask<void>('DELETE', `/sessions/${id}?version=${version}`),
  );
}

export function useRestoreSession(lifterId: string): Write<SessionPlanView, string> {
  return useLifterTry(lifterId, (id) => ask<SessionPlanView>('PUT', `/sessions/${id}/restored`));
}
