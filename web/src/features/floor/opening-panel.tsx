import { sayHands, SIDES, stopToday, type HandsToday, type Side } from '@iron-clasp/core';
import type { FloorView } from '@iron-clasp/contract';
import clsx from 'clsx';
import { useState, type ReactElement } from 'react';
import { outbox } from '../../offline/own-outbox.ts';
import { useWaiting } from '../../offline/use-outbox.ts';
import { useIsCoach } from '../../data/session/use-is-coach.ts';
import { HandDrawing } from '../../ui/marks/hand-drawing.tsx';
import { sameHands, ZONE_OPTIONS, zoneOption } from '../../ui/marks/zone-state.ts';
import { ZONE_NAMES, type HandZone } from '../../ui/marks/hand-zones.ts';
import { Button } from '../../ui/button.tsx';
import { Choices } from '../../ui/choices.tsx';
import { Caution } from '../../ui/states.tsx';
import { declinedNow, handsNow, testNow } from './opening.ts';
import { clockNow } from '../../data/clock.ts';

interface OpeningProps {
  readonly view: FloorView;
  readonly accountId: string;
  /** The hands are still to be looked at, before the first set. */
  readonly unseen: boolean;
  /** Nothing is done yet: a test belongs before the work. */
  readonly first: boolean;
  readonly onSqueeze: () => void;
}

const LINE =
  'flex shrink-0 flex-wrap items-center gap-x-2 gap-y-1 border-b border-rule bg-raised px-3 py-1.5 leading-tight';

/** What opens a session: a look at the hands, told here where they changed, and a squeeze test for whoever wants one. */
export function Opening({ view, accountId, unseen, first, onSqueeze }: OpeningProps): ReactElement | null {
  const coach = useIsCoach();
  const [open, setOpen] = useState(false);
  const { session } = view.calls;
  const waiting = useWaiting();
  const hands = handsNow(view, waiting);
  const test = testNow(view, waiting);
  const declined = declinedNow(view, waiting);
  const common = { sessionId: session.id, lifterId: session.lifterId, accountId };
  const keepHands = (checked: HandsToday): void => {
    outbox.say({
      ...common,
      id: crypto.randomUUID(),
      kind: 'hands',
      body: { hands: checked, checkedAt: clockNow().toISOString() },
    });
    setOpen(false);
  };
  const squeeze = (
    <Button className="min-h-13 px-2 leading-tight sm:px-3" onClick={onSqueeze}>
      Squeeze test
    </Button>
  );
  if (!unseen && !test && !first && !open) return null;
  return (
    <section
      aria-label="Opening the session"
      className={clsx('flex flex-col', open ? 'min-h-0' : 'shrink-0')}
    >
      {unseen && !open && (
        <div className={LINE}>
          <p className="min-w-40 grow">{sayHands(hands, view.handsOn !== null)}</p>
          <span className="grid grow grid-cols-3 gap-2 sm:flex sm:grow-0">
            <Button className="min-h-13 px-2 leading-tight sm:px-3" onClick={() => keepHands(hands)}>
              {view.handsOn === null ? 'Both are sound' : 'Same as last time'}
            </Button>
            <Button className="min-h-13 px-2 leading-tight sm:px-3" onClick={() => setOpen(true)}>
              {view.handsOn === null ? 'Not sound' : 'They changed'}
            </Button>
            {first && !test && squeeze}
          </span>
        </div>
      )}
      {open && (
        <TellHands
          start={hands}
          looked={view.handsOn !== null}
          onKeep={keepHands}
          onClose={() => setOpen(false)}
        />
      )}
      {!unseen && first && !test && !open && (
        <div className={LINE}>
          <p className="grow text-quiet">Before the work, if you test today</p>
          {squeeze}
        </div>
      )}
      {test && (
        <div className={LINE} role="status">
          <p className="min-w-40 grow">
            Squeeze:{' '}
            {SIDES.flatMap((side) => {
              const hand = test.reading.hands[side];
              return hand
                ? [`${side} ${hand.best.toFixed(1)}${hand.verdict === 'unknown' ? '' : `, ${hand.verdict}`}`]
                : [];
            }).join('; ')}
            {test.waiting && <span className="text-ochre"> · waiting</span>}
            {test.reading.easierHolds && (
              <span className="block">
                {declined ? 'Holds stay as prescribed: declined.' : test.reading.easierHolds.reason.text}
              </span>
            )}
          </p>
          {test.reading.easierHolds && coach && (
            <Button
              className="min-h-13 px-4"
              onClick={() =>
                outbox.say({
                  ...common,
                  id: crypto.randomUUID(),
                  kind: 'easing',
                  testId: test.id,
                  body: { declined: !declined },
                })
              }
            >
              {declined ? 'Take the easier hold' : 'Decline'}
            </Button>
          )}
        </div>
      )}
    </section>
  );
}

/** Both hands to tap, with what each zone can be; one tap a change. */
function TellHands({
  start,
  looked,
  onKeep,
  onClose,
}: {
  start: HandsToday;
  /** Has anybody looked at them before? */
  looked: boolean;
  onKeep: (hands: HandsToday) => void;
  onClose: () => void;
}): ReactElement {
  const [hands, setHands] = useState(start);
  const [at, setAt] = useState<{ side: Side; zone: HandZone }>({ side: 'left', zone: 'palm' });
  const zones: readonly HandZone[] = [
    'nerves',
    'pain',
    'wrist',
    'elbow',
    'biceps',
    'thumbJoint',
    'nail',
    'finger',
    'thumb',
    'palm',
  ];
  return (
    <div className="flex min-h-0 flex-col border-b border-rule bg-raised">
      <div className="grid min-h-0 grow gap-3 overflow-y-auto px-4 py-2">
        <div className="grid max-w-md grid-cols-2 gap-4">
          {SIDES.map((side) => (
            <div key={side}>
              <p className="capitalize">{side}</p>
              <HandDrawing
                side={side}
                hand={hands[side]}
                selected={at.side === side ? at.zone : null}
                onSelect={(zone) => setAt({ side, zone })}
              />
            </div>
          ))}
        </div>
        <Choices
          large
          legend="Hand"
          value={at.side}
          options={SIDES.map((side) => [side, side] as const)}
          onChange={(side) => setAt({ ...at, side })}
        />
        <Choices
          large
          legend="Where"
          value={at.zone}
          options={zones.map((zone) => [zone, ZONE_NAMES[zone]] as const)}
          onChange={(zone) => setAt({ ...at, zone })}
        />
        <Choices
          large
          legend={`${at.side} ${ZONE_NAMES[at.zone]}`}
          value={zoneOption(hands[at.side], at.zone).id}
          options={ZONE_OPTIONS[at.zone].map((each) => [each.id, each.words] as const)}
          onChange={(chosen) => {
            const { change } = ZONE_OPTIONS[at.zone].find((each) => each.id === chosen)!;
            setHands({ ...hands, [at.side]: { ...hands[at.side], ...change } });
          }}
        />
        {stopToday(hands) && <Caution stop>{stopToday(hands)}</Caution>}
      </div>
      <div className="grid shrink-0 grid-cols-2 gap-2 px-3 py-2">
        <Button look="action" className="min-h-13 text-lg" onClick={() => onKeep(hands)}>
          {!sameHands(hands, start) ? 'Save' : looked ? 'Nothing changed' : 'Both are sound'}
        </Button>
        <Button className="min-h-13 text-lg" onClick={onClose}>
          Close
        </Button>
      </div>
    </div>
  );
}
