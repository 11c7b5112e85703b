/** What an owner can take out of the installation and delete. */
export interface ClubExportView {
  /** A club of its own, which its owner may delete; the demo’s is nobody’s. */
  readonly own: boolean;
  /** Name of the demo club, where it is here beside. */
  readonly demo: string | null;
}

export interface BroughtLifterView {
  readonly lifterId: string;
}
