import clsx from 'clsx';
import type { ComponentProps, ReactElement } from 'react';

type Look = 'action' | 'plain' | 'quiet';

const LOOKS: Record<Look, string> = {
  action: 'bg-forge text-on-forge border border-forge hover:brightness-110',
  plain: 'border border-edge bg-raised text-ink hover:border-ink',
  quiet: 'text-ink underline decoration-rule underline-offset-4 hover:decoration-ink',
};

export function Button({
  look = 'plain',
  className,
  ...rest
}: ComponentProps<'button'> & { look?: Look }): ReactElement {
  return (
    <button
      type="button"
      className={clsx('rounded-sm px-3 py-1.5 font-medium disabled:opacity-60', LOOKS[look], className)}
      {...rest}
    />
  );
}
