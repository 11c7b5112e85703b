import { SLIP_SIGN_NAMES, SLIP_SIGNS, type SlipSign } from '@iron-clasp/core';
import clsx from 'clsx';
import { useState, type ReactElement } from 'react';
import { Button } from '../../ui/button.tsx';
import { Toggles } from '../../ui/toggles.tsx';
import { SECOND } from './panel-sizes.ts';

/** What the coach saw when the grip slipped: a tap a sign, the rest only for whoever wants to say more. */
export function Seen({
  liftName,
  onSay,
  onMore,
  onClose,
}: {
  liftName: string;
  onSay: (signs: readonly SlipSign[]) => void;
  onMore: () => void;
  onClose: () => void;
}): ReactElement {
  const [signs, setSigns] = useState<readonly SlipSign[]>([]);
  return (
    <section aria-label="What was seen" className="mx-auto flex min-h-0 w-full max-w-2xl grow flex-col">
      <div className="grid min-h-0 grow content-start gap-3 overflow-y-auto px-4 py-3">
        <h2 className="text-2xl">{liftName}: it slipped</h2>
        <Toggles
          legend="What was seen"
          values={signs}
          options={SLIP_SIGNS.map((sign) => [sign, SLIP_SIGN_NAMES[sign]] as const)}
          onChange={setSigns}
        />
      </div>
      <div className="grid shrink-0 grid-cols-3 gap-2 px-3 py-2">
        <Button className={SECOND} onClick={onClose}>
          Cancel
        </Button>
        <Button className={SECOND} onClick={onMore}>
          Something else
        </Button>
        <Button
          look="action"
          className={clsx('text-xl', SECOND)}
          disabled={signs.length === 0}
          onClick={() => onSay(signs)}
        >
          Save
        </Button>
      </div>
    </section>
  );
}
