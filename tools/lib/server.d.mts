import type { ChildProcess } from 'node:child_process';

export interface RunningServer {
  readonly url: string;
  readonly child: ChildProcess;
  readonly ended: Promise<{ readonly code: number | null; readonly signal: string | null }>;
  readonly stop: () => Promise<unknown>;
}

export function startServer(
  root: string,
  options: {
    readonly databaseUrl: string;
    readonly port: number;
    readonly env?: Readonly<Record<string, string>>;
    readonly onOutput?: (text: string) => void;
  },
): Promise<RunningServer>;
