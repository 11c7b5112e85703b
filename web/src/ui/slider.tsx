import { Slider as Radix } from 'radix-ui';
import { useId, type ReactElement } from 'react';

interface SliderProps {
  readonly label: string;
  readonly value: number;
  readonly min: number;
  readonly max: number;
  readonly step?: number;
  /** The value as it is said, where it is more than its number. */
  readonly words?: string | undefined;
  readonly onChange: (value: number) => void;
}

/** A value along a line, by finger, mouse or arrow keys. */
export function Slider({ label, value, min, max, step = 1, words, onChange }: SliderProps): ReactElement {
  const id = useId();
  return (
    <div className="grid gap-1">
      <span className="flex items-baseline justify-between gap-3">
        <span id={id} className="label">
          {label}
        </span>
        {words && (
          <span aria-hidden className="figures">
            {words}
          </span>
        )}
      </span>
      <Radix.Root
        value={[value]}
        min={min}
        max={max}
        step={step}
        onValueChange={([now]) => onChange(now!)}
        className="relative flex min-h-8 cursor-pointer touch-none items-center"
      >
        <Radix.Track className="relative h-1 grow rounded-sm bg-rule">
          <Radix.Range className="absolute h-full rounded-sm bg-forge" />
        </Radix.Track>
        <Radix.Thumb
          aria-labelledby={id}
          aria-valuetext={words}
          className="block size-6 rounded-full border-2 border-forge bg-raised"
        />
      </Radix.Root>
    </div>
  );
}
