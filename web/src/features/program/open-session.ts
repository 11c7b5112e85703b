/** What the editor of a session is opened for. */
export type OpenSession =
  | { readonly kind: 'new'; readonly on: string }
  | { readonly kind: 'change' | 'copy'; readonly sessionId: string };
