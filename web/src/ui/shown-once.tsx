import { useState, type ReactElement } from 'react';
import { Button } from './button.tsx';

/** The one time a secret is shown, to be copied. */
export function ShownOnce({
  words,
  label,
  value,
}: {
  words: string;
  label: string;
  value: string;
}): ReactElement {
  const [copied, setCopied] = useState(false);
  return (
    <div role="status" className="mt-3 border-l-4 border-verdigris bg-raised px-4 py-3">
      <p>{words}</p>
      <p className="mt-1 flex flex-wrap items-center gap-2">
        <input
          readOnly
          aria-label={label}
          value={value}
          onFocus={(event) => event.target.select()}
          className="control min-w-0 grow"
        />
        <Button onClick={() => void navigator.clipboard?.writeText(value).then(() => setCopied(true))}>
          {copied ? 'Copied' : 'Copy'}
        </Button>
      </p>
    </div>
  );
}
