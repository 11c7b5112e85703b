import { GRIP_NAMES, LIFTS, STRAP_NAMES, type Lift, GRIP_KIND_NAMES } from '@iron-clasp/core';
import { useState, type ReactElement } from 'react';
import { GripMark } from '../../ui/marks/grip-mark.tsx';

function strapWords({ straps, strapFit }: Lift): string {
  if (!straps.allowed) return straps.reason;
  return strapFit
    ? `${STRAP_NAMES[strapFit.type]}, ${strapFit.turns} ${strapFit.turns === 1 ? 'turn' : 'turns'}`
    : 'allowed';
}

function timeWords({ timed, secondsPerRep, continuous }: Lift): string {
  if (timed) return `its own time, ${secondsPerRep} s as a rule`;
  return `${secondsPerRep} s a repetition${continuous ? ', the hand never unloaded' : ''}`;
}

/** The catalogue: how each lift works the hands, and what grips, straps and chalk it admits. */
export function Lifts(): ReactElement {
  const [filter, setFilter] = useState('');
  const wanted = filter.trim().toLowerCase();
  const found = LIFTS.filter((lift) =>
    [lift.name, lift.family, lift.kind ? GRIP_KIND_NAMES[lift.kind] : '']
      .join(' ')
      .toLowerCase()
      .includes(wanted),
  );
  return (
    <>
      <label className="mt-4 block max-w-sm">
        <span className="label">Find a lift, exercise or kind of hand work</span>
        <input
          type="search"
          value={filter}
          onChange={(event) => setFilter(event.target.value)}
          className="mt-1 w-full rounded-sm border border-edge bg-raised px-2.5 py-1.5"
        />
      </label>
      <p role="status" className="mt-2 text-quiet">
        {found.length === 0 ? `Nothing here is called “${filter}”.` : `${found.length} of ${LIFTS.length}`}
      </p>
      <ul className="mt-2">
        {found.map((lift) => (
          <li
            key={lift.id}
            className="grid gap-x-6 gap-y-1 border-b border-rule py-2 md:grid-cols-[14rem_1fr_1fr]"
          >
            <div>
              <h2 className="text-xl">{lift.name}</h2>
              <p className="text-sm text-quiet">
                {lift.kind
                  ? `${GRIP_KIND_NAMES[lift.kind]}${lift.wrist.length ? `, wrist ${lift.wrist.join(', ')}` : ''}`
                  : 'no hand work'}
              </p>
            </div>
            <div>
              {lift.admits.length > 0 ? (
                <p className="flex flex-wrap items-center gap-x-4 gap-y-1">
                  {lift.admits.map((grip) => (
                    <span key={grip} className="inline-flex items-center gap-1.5">
                      <GripMark choice={grip} size={18} />
                      {GRIP_NAMES[grip]}
                    </span>
                  ))}
                </p>
              ) : (
                <p className="text-quiet">no grip to call</p>
              )}
              <p className="text-sm">
                <span className="label">straps</span> {strapWords(lift)}
              </p>
            </div>
            <div className="text-sm">
              <p>
                {timeWords(lift)}
                {lift.dynamicFactor === 1 ? '' : `, load × ${lift.dynamicFactor}`}
                {lift.chalk ? ', chalk' : ''}
              </p>
              {lift.cues.map((cue) => (
                <p key={cue} className="text-quiet">
                  {cue}
                </p>
              ))}
            </div>
          </li>
        ))}
      </ul>
    </>
  );
}
