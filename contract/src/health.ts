import type { LoggedSetView } from './log.ts';

export interface HealthView {
  readonly status: 'ok' | 'unavailable';
  readonly database: 'up' | 'down';
}

/** Every error answer has this shape. */
export interface ErrorView {
  readonly error: {
    readonly code: string;
    /** What happened, what was kept, what to do: written for a person. */
    readonly message: string;
    /** For input that was refused: which field, and why. */
    readonly fields?: readonly { readonly path: string; readonly message: string }[];
    /** What is there already, where two devices logged the same set. */
    readonly other?: LoggedSetView;
    readonly requestId?: string;
  };
}
