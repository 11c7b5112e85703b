import type { CalledSet, LoggedSetView } from '@iron-clasp/contract';
import type { SetCall } from '@iron-clasp/core';

/** The call of a set, as the server makes it. */
export const setCall = (choice: SetCall['choice'], more: Partial<SetCall> = {}): SetCall => ({
  choice,
  grip: choice === 'straps' ? 'doubleOverhand' : choice,
  chalk: { kind: 'block', where: [] },
  probability: 0.97,
  threshold: 0.95,
  verdict: 'called',
  cues: [],
  cautions: [],
  reasons: [],
  overridden: false,
  alternatives: { grips: [], schools: [] },
  ...more,
});
/** A set of deadlifts called with hook. */
export const calledSet = (id: string, load: number, done: LoggedSetView | null = null): CalledSet => ({
  ...{ id, liftId: 'deadlift.conventional', liftName: 'Deadlift', role: 'top', planned: load, reps: 1 },
  style: 'reset',
  loadMeans: 'total',
  ...{
    purpose: null,
    handle: null,
    eventBar: null,
    rest: null,
    seconds: null,
    line: '',
    fault: null,
    lighter: null,
    override: null,
    overrides: [],
    done,
  },
  loading: { total: load, perSide: [{ mass: 20, unit: 'kg' }] },
  call: setCall('hook'),
});
