import clsx from 'clsx';
import { useState, type ReactElement } from 'react';
import { Button } from '../../ui/button.tsx';
import { Select } from '../../ui/select.tsx';
import type { DoneHold } from './lane.ts';
import { SECOND } from './panel-sizes.ts';
import { Scale } from './scale.tsx';

interface HoldSaidProps {
  readonly last: DoneHold;
  /** Holes of the rack, mm above the floor; empty where the hold starts from none. */
  readonly pinHeights: readonly number[];
  readonly onSay: (said: DoneHold) => void;
  readonly onClose: () => void;
}

/** What is said after a hold: how sure it was, what hurt, and from which pins it came. */
export function HoldSaid({ last, pinHeights, onSay, onClose }: HoldSaidProps): ReactElement {
  const [confidence, setConfidence] = useState(last.confidence ?? undefined);
  const [pain, setPain] = useState(last.pain ?? undefined);
  const [pin, setPin] = useState(last.pin === null ? '' : String(last.pin));
  const holes = pinHeights.map((height, i) => [String(height), `hole ${i + 1}, ${height} mm`] as const);
  const known = pin === '' || holes.some(([height]) => height === pin);
  return (
    <section aria-label="How the hold was" className="mx-auto flex min-h-0 w-full max-w-2xl grow flex-col">
      <div className="grid min-h-0 grow content-start gap-4 overflow-y-auto px-4 py-3">
        <h2 className="text-2xl">How the last hold was</h2>
        <Scale label="How sure it was" from={1} to={5} value={confidence} onChange={setConfidence} />
        <Scale label="Pain" from={0} to={10} value={pain} onChange={setPain} />
        {holes.length > 0 && (
          <Select
            label="Pins"
            value={pin}
            options={[['', 'not noted'], ...(known ? [] : [[pin, `${pin} mm`] as const]), ...holes]}
            onChange={setPin}
          />
        )}
      </div>
      <div className="grid shrink-0 grid-cols-2 gap-2 px-3 py-2">
        <Button className={SECOND} onClick={onClose}>
          Cancel
        </Button>
        <Button
          look="action"
          className={clsx('text-xl', SECOND)}
          onClick={() =>
            onSay({
              ...last,
              confidence: confidence ?? null,
              pain: pain ?? null,
              pin: pin === '' ? null : Number(pin),
            })
          }
        >
          Save
        </Button>
      </div>
    </section>
  );
}
