/** How a backup ended: proved by restoring it, failed, or still being made. */
export type BackupState = 'running' | 'proved' | 'failed';

export interface BackupView {
  readonly id: string;
  readonly startedAt: string;
  readonly endedAt: string | null;
  readonly state: BackupState;
  /** What went wrong. */
  readonly why: string | null;
  readonly file: string | null;
  readonly bytes: number | null;
  /** Rows and tables that came back when it was restored. */
  readonly rows: number | null;
  readonly tables: number | null;
  /** Who asked for it; null for the night. */
  readonly askedBy: string | null;
}

export interface BackupsView {
  /** Where they are kept; null where the server was started without. */
  readonly folder: string | null;
  readonly keepDays: number;
  readonly backups: readonly BackupView[];
}
