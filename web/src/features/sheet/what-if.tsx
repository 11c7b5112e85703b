import {
  CHALK_KINDS,
  SIDES,
  SOUND_HAND,
  type ChalkKind,
  type HandsToday,
  type HandToday,
  CHALK_RULE_NAMES,
} from '@iron-clasp/core';
import type { SessionHead, WhatIfRequest } from '@iron-clasp/contract';
import { useState, type ReactElement } from 'react';
import { Button } from '../../ui/button.tsx';
import { useMoveSession } from '../../data/training/calls.ts';
import { Failed } from '../../ui/states.tsx';
import { Select } from '../../ui/select.tsx';
import { Checkbox } from '../../ui/checkbox.tsx';

/** Hands that are worth trying. */
const HURTS: readonly { readonly words: string; readonly hand: Partial<HandToday> }[] = [
  { words: 'torn callus', hand: { palm: 'torn' } },
  { words: 'torn thumb', hand: { thumb: 'torn' } },
  { words: 'sprained finger', hand: { finger: 'sprained' } },
  { words: 'pain 5', hand: { pain: 5 } },
  { words: 'biceps pain 5', hand: { bicepsPain: 5 } },
];
/** Each on one side. */
const HURT_HANDS = SIDES.flatMap((side) => HURTS.map(({ words, hand }) => ({ side, words, hand })));

/** Bars worth trying, mm. */
const DIAMETERS = [25, 28.5, 32, 38, 50];

interface WhatIfProps {
  readonly head: SessionHead;
  readonly hands: HandsToday;
  readonly meet: string | null;
  readonly asked: WhatIfRequest;
  readonly tried: string | undefined;
  /** Calls that would differ. */
  readonly changed: number | undefined;
  readonly onAsk: (asked: WhatIfRequest) => void;
  readonly onClose: () => void;
}

/** Other circumstances, tried on the whole session without saving anything. */
export function WhatIf({
  head,
  hands,
  meet,
  asked,
  tried,
  changed,
  onAsk,
  onClose,
}: WhatIfProps): ReactElement {
  const [hurt, setHurt] = useState('');
  const change = (part: Partial<{ [Key in keyof WhatIfRequest]: WhatIfRequest[Key] | undefined }>): void => {
    const next = { ...asked, ...part };
    onAsk(Object.fromEntries(Object.entries(next).filter(([, value]) => value !== undefined)));
  };
  const tryHands = (value: string): void => {
    setHurt(value);
    const hurt = value === '' ? undefined : HURT_HANDS[Number(value)];
    change({
      hands: hurt && {
        left: hands.left,
        right: hands.right,
        [hurt.side]: { ...SOUND_HAND, ...hurt.hand },
      },
    });
  };
  const anything = Object.keys(asked).length > 0;
  const move = useMoveSession(head.id);
  // Hands are looked at, not decided.
  const { hands: _hands, meetRules, ...own } = asked;
  const keepable = meetRules === true || Object.keys(own).length > 0;
  const keep = (): void =>
    move.mutate(
      { ...own, ...(meetRules && { rehearsesMeet: true }), version: head.version },
      { onSuccess: onClose },
    );
  return (
    <section aria-label="What if" className="mb-4 border-y-2 border-dashed border-edge bg-raised px-4 py-3">
      <div className="flex flex-wrap items-end gap-x-4 gap-y-3">
        <Select
          label="What if at"
          value={asked.venueId ?? ''}
          options={[
            ['', head.venue.name],
            ...head.venues
              .filter((venue) => venue.id !== head.venue.id)
              .map((venue) => [venue.id, venue.name] as const),
          ]}
          onChange={(value) => change({ venueId: value || undefined })}
        />
        <Select
          label="chalk"
          value={asked.chalk ?? ''}
          options={[
            ['', 'as the house allows'],
            ...CHALK_KINDS.map((kind) => [kind, CHALK_RULE_NAMES[kind]] as const),
          ]}
          onChange={(value) => change({ chalk: (value || undefined) as ChalkKind | undefined })}
        />
        <Select
          label="bar"
          value={String(asked.barDiameter ?? '')}
          options={[
            ['', `as it is, ${head.bar.diameter} mm`],
            ...DIAMETERS.map((mm) => [String(mm), `${mm} mm`] as const),
          ]}
          onChange={(value) => change({ barDiameter: value ? Number(value) : undefined })}
        />
        <Select
          label="hands"
          value={hurt}
          options={[
            ['', 'as checked'],
            ...HURT_HANDS.map(({ side, words }, i) => [String(i), `${side}: ${words}`] as const),
          ]}
          onChange={tryHands}
        />
        {meet && (
          <Checkbox
            checked={asked.meetRules === true}
            onChange={(checked) => change({ meetRules: checked || undefined })}
          >
            rules of {meet}
          </Checkbox>
        )}
        {keepable && (
          <Button className="ml-auto" disabled={move.isPending} onClick={keep}>
            Keep it for this session
          </Button>
        )}
        <Button className={keepable ? '' : 'ml-auto'} onClick={onClose}>
          Back to the real calls
        </Button>
      </div>
      {move.error && <Failed error={move.error} />}
      <p role="status" className="mt-2 text-sm text-quiet">
        {anything && tried !== undefined
          ? `Tried ${tried}: ${changed === 0 ? 'no call would change' : `${changed} ${changed === 1 ? 'line' : 'lines'} would change`}. Nothing is saved.`
          : 'Choose what to try; the real calls stay beside it and nothing is saved.'}
      </p>
    </section>
  );
}
