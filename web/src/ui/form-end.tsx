import clsx from 'clsx';
import type { ReactElement, ReactNode } from 'react';
import { Button } from './button.tsx';
import type { Fault } from './request-form.ts';
import { Failed, NotSaved } from './states.tsx';

interface FormEndProps {
  /** What kept it from being sent, or from being taken, and whether it is on its way. */
  readonly failed: Error | null;
  readonly sending: boolean;
  /** The first fault, where its field may be out of sight. */
  readonly wrong?: Fault | undefined;
  /** The field is named before the message, which names none itself. */
  readonly named?: boolean;
  /** What sends it; `Save` where nothing else is said. */
  readonly action?: string;
  /** Nothing is there to be sent yet. */
  readonly idle?: boolean;
  readonly onCancel: () => void;
  /** How the form is left, once there is nothing to take back. */
  readonly leave?: string;
  readonly className?: string;
  /** Further keys, between the two or after them. */
  readonly between?: ReactNode;
  readonly children?: ReactNode;
}

/** The end of a form: what is wrong with it, the key that sends it and the one that leaves it. */
export function FormEnd({
  failed,
  sending,
  wrong,
  named = false,
  action = 'Save',
  idle = false,
  onCancel,
  leave = 'Cancel',
  className,
  between,
  children,
}: FormEndProps): ReactElement {
  return (
    <>
      {wrong && <NotSaved message={wrong.message} {...(named && { path: wrong.path })} />}
      {failed && <Failed error={failed} />}
      <div className={clsx('flex flex-wrap items-center gap-2', className)}>
        <Button type="submit" look="action" disabled={sending || idle}>
          {action}
        </Button>
        {between}
        <Button onClick={onCancel}>{leave}</Button>
        {children}
      </div>
    </>
  );
}
