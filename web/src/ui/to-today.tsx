import clsx from 'clsx';
import { ArrowLeft } from 'lucide-react';
import type { ReactElement } from 'react';
import { Link } from 'react-router';

/**
 * The way home from a page of its own.
 * @param props.always also where the rack stands beside it, which has that way too.
 */
export function ToToday({ always = false }: { always?: boolean }): ReactElement {
  return (
    <Link to="/" className={clsx('inline-flex items-center gap-1 py-2', !always && 'mb-2 lg:hidden')}>
      <ArrowLeft size={18} aria-hidden /> Today
    </Link>
  );
}
