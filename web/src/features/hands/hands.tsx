import { handWords, SIDES, stopToday, type HandsToday, type Side, SET_ROLE_TAGS } from '@iron-clasp/core';
import type { HandsCheckView, HandsHistoryView } from '@iron-clasp/contract';
import { useRef, useState, type ReactElement } from 'react';
import { useUnit } from '../../data/session/use-unit.ts';
import { ZONE_NAMES, type HandZone } from '../../ui/marks/hand-zones.ts';
import { Button } from '../../ui/button.tsx';
import { Checkbox } from '../../ui/checkbox.tsx';
import { Choices } from '../../ui/choices.tsx';
import { formatMass, nearDay, shortDay } from '../../ui/figures.ts';
import { Caution, Failed, Loading } from '../../ui/states.tsx';
import { useOpenSheet } from '../../data/lifters/use-open-sheet.ts';
import { HandDrawing } from '../../ui/marks/hand-drawing.tsx';
import { ZoneTable } from './zone-table.tsx';
import { HandsHistory } from './hands-history.tsx';
import { sameHands, withUnwell, ZONE_OPTIONS, zoneOption } from '../../ui/marks/zone-state.ts';
import { clockNow } from '../../data/clock.ts';
import { useHands, useHandsCheck } from '../../data/hands/hands.ts';

/** The lifter's hands: today's check, and those before it. */
export function Hands(): ReactElement {
  const { lifter, today } = useOpenSheet();
  const hands = useHands(lifter.id);
  if (hands.isPending) return <Loading what="the hands" lines={8} />;
  if (hands.error && !hands.data) return <Failed error={hands.error} retry={() => void hands.refetch()} />;
  return (
    <>
      <HandsCheck view={hands.data!} lifterId={lifter.id} today={today} />
      <HandsHistory view={hands.data!} lifterId={lifter.id} />
    </>
  );
}

/** Checks listed; all are in the drawing below. */
const LISTED = 6;

interface HandsCheckProps {
  readonly view: HandsHistoryView;
  readonly lifterId: string;
  readonly today: string;
}

function HandsCheck({ view, lifterId, today }: HandsCheckProps): ReactElement {
  const [hands, setHands] = useState<HandsToday>(view.now);
  const [at, setAt] = useState<{ side: Side; zone: HandZone }>({ side: 'left', zone: 'palm' });
  const check = useHandsCheck(lifterId);
  const id = useRef(crypto.randomUUID());
  const keep = (checked: HandsToday): void =>
    check.mutate(
      { id: id.current, body: { hands: checked, checkedAt: clockNow().toISOString() } },
      {
        onSuccess: (kept) => {
          // The next check is another one.
          id.current = crypto.randomUUID();
          setHands(kept.hands);
        },
      },
    );
  const option = zoneOption(hands[at.side], at.zone);
  const touched = !sameHands(hands, view.now);
  return (
    <div className="grid gap-x-10 gap-y-6 py-4 xl:grid-cols-[minmax(0,34rem)_minmax(0,1fr)]">
      <section aria-label="Hands check">
        <p className={view.stale ? 'text-ochre' : 'text-quiet'}>
          {view.checkedOn
            ? `Last looked at ${nearDay(view.checkedOn, today)}${view.stale ? ': more than a week ago, look again' : ''}.`
            : 'Never looked at yet: taken as sound until somebody does.'}
        </p>
        <div className="mt-3 grid grid-cols-2 gap-4">
          {SIDES.map((side) => (
            <div key={side}>
              <h2 className="label">{side}</h2>
              <HandDrawing
                side={side}
                hand={hands[side]}
                selected={at.side === side ? at.zone : null}
                onSelect={(zone) => setAt({ side, zone })}
              />
            </div>
          ))}
        </div>
        <div className="mt-4 border-t-2 border-ink pt-3">
          <Choices
            large
            legend={`${at.side} ${ZONE_NAMES[at.zone]}`}
            value={option.id}
            options={ZONE_OPTIONS[at.zone].map((each) => [each.id, each.words] as const)}
            onChange={(chosen) => {
              const { change } = ZONE_OPTIONS[at.zone].find((each) => each.id === chosen)!;
              setHands({ ...hands, [at.side]: { ...hands[at.side], ...change } });
            }}
          />
        </div>
        <div className="mt-3">
          <Checkbox
            checked={hands.unwell === true}
            onChange={(unwell) => setHands(withUnwell(hands, unwell))}
          >
            Unwell, dizzy or faint: nothing is lifted
          </Checkbox>
        </div>
        {stopToday(hands) && <Caution stop>{stopToday(hands)}</Caution>}
        {check.error && <Failed error={check.error} retry={() => keep(hands)} />}
        <div className="mt-4 flex flex-wrap gap-2">
          <Button look="action" className="min-h-12" disabled={check.isPending} onClick={() => keep(hands)}>
            Save
          </Button>
          <Button className="min-h-12" disabled={check.isPending || touched} onClick={() => keep(view.now)}>
            {view.checkedOn === null ? 'Both are sound' : 'Same as last time'}
          </Button>
          {touched && (
            <Button look="quiet" onClick={() => setHands(view.now)}>
              Undo changes
            </Button>
          )}
        </div>
      </section>
      <div>
        {check.data && <Kept result={check.data} />}
        <ZoneTable hands={hands} at={at} onSelect={(side, zone) => setAt({ side, zone })} />
        <section aria-label="Earlier checks" className="mt-6">
          <h2 className="border-b-2 border-ink pb-1 text-xl">Checks before</h2>
          {view.checks.length === 0 ? (
            <p className="py-2 text-quiet">None yet.</p>
          ) : (
            <ul>
              {view.checks.slice(0, LISTED).map((each) => (
                <li key={each.id} className="grid grid-cols-[7rem_1fr] gap-x-3 border-b border-rule py-1.5">
                  <span className="figures">{shortDay(each.on)}</span>
                  <span>
                    {each.hands.unwell && 'unwell; '}
                    {SIDES.map((side) => `${side} ${handWords(each.hands[side]).join(', ') || 'sound'}`).join(
                      '; ',
                    )}
                    {each.by && <span className="text-quiet"> · {each.by}</span>}
                  </span>
                </li>
              ))}
            </ul>
          )}
        </section>
      </div>
    </div>
  );
}

function Kept({ result }: { result: HandsCheckView }): ReactElement {
  const unit = useUnit();
  const lines = new Map(
    result.changed.map((each) => [`${each.liftName} ${each.role} ${each.load} ${each.after}`, each]),
  );
  return (
    <section aria-label="What the check changed" role="status" className="mb-6">
      <h2 className="border-b-2 border-forge pb-1 text-xl">
        {lines.size === 0
          ? 'Kept: no call changed'
          : `Kept: ${lines.size} ${lines.size === 1 ? 'line' : 'lines'} called anew`}
      </h2>
      <ul>
        {[...lines].map(([key, each]) => (
          <li key={key} className="border-b border-rule py-1.5">
            <b>
              {each.liftName}, {SET_ROLE_TAGS[each.role]} {formatMass(each.load, unit)}
            </b>
            <span className="block">
              {each.after} <span className="text-quiet">instead of {each.before}</span>
            </span>
          </li>
        ))}
      </ul>
      {lines.size > 0 && (
        <Caution>Pain that stays, numbness or a joint that swells: a clinician looks at it.</Caution>
      )}
    </section>
  );
}
