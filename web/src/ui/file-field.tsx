import { FileUp } from 'lucide-react';
import { useId, type ReactElement } from 'react';

/** A file from this device: the button is ours, what chooses is the browser's. */
export function FileField({
  label,
  accept,
  chosen,
  onChange,
}: {
  label: string;
  accept: string;
  /** Name of the file that is chosen. */
  chosen: string | undefined;
  onChange: (file: File) => void;
}): ReactElement {
  const id = useId();
  return (
    <div className="grid gap-1">
      <span className="label">{label}</span>
      <label
        htmlFor={id}
        className="control flex cursor-pointer items-center gap-2 has-focus-visible:outline-2 has-focus-visible:outline-offset-2 has-focus-visible:outline-forge"
      >
        <FileUp size={18} aria-hidden />
        {chosen ?? 'Choose a file'}
        <input
          id={id}
          type="file"
          accept={accept}
          aria-label={label}
          className="sr-only"
          onChange={(event) => {
            const file = event.target.files?.[0];
            if (file) onChange(file);
            // The same file chosen again, after it was put right, is a choice too.
            event.target.value = '';
          }}
        />
      </label>
    </div>
  );
}
