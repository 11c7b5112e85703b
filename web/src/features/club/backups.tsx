import type { BackupView } from '@iron-clasp/contract';
import { format, parseISO } from 'date-fns';
import { CircleAlert, CircleCheck, Download, LoaderCircle } from 'lucide-react';
import type { ReactElement } from 'react';
import { ago } from '../../data/clock.ts';
import { useBackUp, useBackups } from '../../data/people/backups.ts';
import { Button } from '../../ui/button.tsx';
import { Empty, Failed, Loading } from '../../ui/states.tsx';

/** Backups of everything that is kept, each proved by restoring it. */
export function Backups(): ReactElement {
  const found = useBackups();
  const make = useBackUp();
  const backups = found.data?.backups ?? [];
  const proved = backups.find((each) => each.state === 'proved');
  const running = backups.some((each) => each.state === 'running');
  return (
    <section aria-label="Backups" className="mt-3 max-w-4xl">
      {found.isPending && <Loading what="the backups" lines={6} />}
      {found.error?.code === 'demo-club' ? (
        <Empty title="The demo is not backed up">
          <p>{found.error.message}</p>
        </Empty>
      ) : (
        found.error && !found.data && <Failed error={found.error} retry={() => void found.refetch()} />
      )}
      {found.data && (
        <>
          <div className="flex flex-wrap items-center gap-x-6 gap-y-2 border-b-2 border-ink pb-3">
            <p className="grow text-xl">
              {proved ? `Last proved backup: ${ago(proved.startedAt)}.` : 'Nothing has been backed up yet.'}
            </p>
            <Button
              look="action"
              disabled={running || make.isPending || found.data.folder === null}
              onClick={() => make.mutate()}
            >
              {running ? 'Backing up …' : 'Back up now'}
            </Button>
          </div>
          <p className="py-2 text-quiet">
            {found.data.folder === null
              ? 'This server was started without a folder for backups: start it with IRON_CLASP_BACKUPS=FOLDER.'
              : `Made every night and kept for ${found.data.keepDays} days in ${found.data.folder}. A disk can fail: download one now and then and keep it elsewhere.`}{' '}
            To go back to one, stop Iron Clasp and run <code>npm run restore -- FILE</code>; what was there
            before is kept.
          </p>
          {make.error && <Failed error={make.error} />}
          {backups.length === 0 && found.data.folder !== null && (
            <Empty title="No backup yet">
              <p>The first is made tonight, or now.</p>
            </Empty>
          )}
          <ul>
            {backups.map((backup) => (
              <Row key={backup.id} backup={backup} />
            ))}
          </ul>
        </>
      )}
    </section>
  );
}

const STATES = {
  proved: { Icon: CircleCheck, tone: 'text-verdigris' },
  failed: { Icon: CircleAlert, tone: 'text-oxblood' },
  running: { Icon: LoaderCircle, tone: 'text-quiet' },
} as const;

function Row({ backup }: { backup: BackupView }): ReactElement {
  const { Icon, tone } = STATES[backup.state];
  return (
    <li className="grid grid-cols-[1.5rem_minmax(0,1fr)_auto] items-center gap-x-3 border-b border-rule py-1.5">
      <Icon size={20} aria-hidden className={tone} />
      <span className="min-w-0">
        <b>{format(parseISO(backup.startedAt), 'EEE d MMM, HH:mm')}</b>{' '}
        <span className="text-quiet">
          {backup.askedBy === null ? 'of the night' : `by ${backup.askedBy}`}
        </span>
        <span className={backup.state === 'failed' ? 'block text-oxblood' : 'block text-sm text-quiet'}>
          {said(backup)}
        </span>
      </span>
      {backup.state === 'proved' && backup.file !== null && (
        <a
          href={`/api/backups/${backup.id}/file`}
          download={backup.file}
          className="flex min-h-10 items-center gap-1.5 px-2 underline underline-offset-4"
        >
          <Download size={16} aria-hidden /> Download
        </a>
      )}
    </li>
  );
}

function said({ state, why, rows, tables, bytes }: BackupView): string {
  if (state === 'running') return 'being made and proved';
  if (state === 'failed') return `Failed: ${why ?? 'nobody knows why'}`;
  const size = bytes === null ? '' : `, ${(bytes / 1e6).toFixed(1)} MB`;
  return `restored and counted: ${rows?.toLocaleString('en')} rows in ${tables} tables${size}`;
}
