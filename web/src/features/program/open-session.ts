import type { PlanSource } from '@iron-clasp/contract';

/** What is copied, with the words it is named by. */
export interface Copied {
  readonly kind: 'session' | 'week';
  readonly from: PlanSource;
  readonly title: string;
  /** The day it stands on, or its Monday; null for a plan of the library. */
  readonly on: string | null;
}

/** What the editor's place beneath the grid is opened for. */
export type OpenSession =
  | { readonly kind: 'new'; readonly on: string }
  | { readonly kind: 'change' | 'editCopy'; readonly sessionId: string }
  | { readonly kind: 'copy'; readonly what: Copied }
  | { readonly kind: 'library' };
