import type { SentTrial } from '@iron-clasp/contract';
import { useState, type ReactElement } from 'react';
import type { FloorView } from '@iron-clasp/contract';
import { DeviceTrial } from '../../parts/squeeze/device-trial.tsx';
import { protocolWords, testOrder, type DoneTrial } from '../../parts/squeeze/test-order.ts';
import { Rest, TypedTrial } from '../../parts/squeeze/typed-trial.tsx';
import { Button } from '../../ui/button.tsx';
import { Choices } from '../../ui/choices.tsx';
import { Caution } from '../../ui/states.tsx';
import { Middle } from './middle.tsx';
import { SECOND } from './panel-sizes.ts';

interface SqueezeLaneProps {
  readonly protocol: FloorView['squeeze']['protocol'];
  /** Trials of this test so far: the lane remembers them over a reload. */
  readonly told: readonly DoneTrial[];
  readonly onTold: (told: readonly DoneTrial[]) => void;
  readonly onKeep: (trials: readonly SentTrial[]) => void;
  readonly onClose: () => void;
}

/** The squeeze test of the day as a lane: one trial of one hand large, its rest, and the score typed in or live. */
export function SqueezeLane({ protocol, told, onTold, onKeep, onClose }: SqueezeLaneProps): ReactElement {
  const [live, setLive] = useState(false);
  const asked = testOrder(protocol);
  const next = asked[told.length];
  const add = (sent: SentTrial, peak: number): void => onTold([...told, { sent, peak, at: Date.now() }]);
  return (
    <section aria-label="Squeeze test" className="flex min-h-0 grow flex-col">
      <div className="flex shrink-0 items-center gap-3 border-b border-rule px-3 py-1">
        <h2 className="mr-auto text-xl">Squeeze test</h2>
        <span role="status" className="figures text-lg text-quiet">
          {told.length} of {asked.length}
        </span>
        <Button className="min-h-12 px-4" onClick={onClose}>
          To the lane
        </Button>
      </div>
      {/* A phone held across has no height for one below the other. */}
      <div className="flex min-h-0 grow flex-col flat:flex-row">
        <Middle className="gap-2 px-3 py-1">
          {next ? (
            <>
              <div className="flex flex-wrap items-baseline justify-center gap-x-3">
                <span className="figures text-4xl leading-none font-semibold capitalize spacious:text-7xl">
                  {next.hand}
                </span>
                <span className="text-xl text-quiet">
                  trial {next.trial} of {protocol.trials}
                </span>
                <Rest hand={next.hand} done={told} rest={protocol.rest} />
              </div>
              {live ? (
                <div className="w-full max-w-2xl">
                  <DeviceTrial
                    hand={next.hand}
                    contractions={null}
                    // The score too: what waits is read on this device, where a trace says less than its peak.
                    onTrace={(trace, peak) => add({ hand: next.hand, trace, force: peak }, peak)}
                  />
                </div>
              ) : (
                <TypedTrial
                  key={told.length}
                  hand={next.hand}
                  onForce={(force) => add({ hand: next.hand, force }, force)}
                />
              )}
              <p className="hidden text-quiet spacious:block">{protocolWords(protocol)}</p>
            </>
          ) : (
            <p className="text-3xl font-semibold">All trials are done</p>
          )}
          {told.length > 0 && (
            <ol aria-label="Trials so far" className="flex flex-wrap justify-center gap-x-5">
              {told.map(({ sent, peak }, i) => (
                <li key={i} className="figures text-xl">
                  <span className="text-quiet">{sent.hand}</span> {peak.toFixed(1)}
                </li>
              ))}
            </ol>
          )}
        </Middle>
        <div className="grid w-full max-w-2xl shrink-0 gap-2 self-center px-3 py-2 flat:w-1/2">
          {next && told.length === 0 && (
            <Choices
              large
              legend="Scores come"
              value={live ? 'live' : 'typed'}
              onChange={(source) => setLive(source === 'live')}
              options={[
                ['typed', 'typed in'],
                ['live', 'live from a dynamometer'],
              ]}
            />
          )}
          {next && <Caution>Stop on sharp pain, numbness or dizziness. Breathe all the time.</Caution>}
          <div className="grid auto-cols-fr grid-flow-col gap-2">
            <Button
              look={next ? 'plain' : 'action'}
              className={`text-xl ${SECOND}`}
              disabled={told.length === 0}
              onClick={() => onKeep(told.map(({ sent }) => sent))}
            >
              {next ? 'Keep what there is' : 'Save'}
            </Button>
            <Button
              className={`text-xl ${SECOND}`}
              disabled={told.length === 0}
              onClick={() => onTold(told.slice(0, -1))}
            >
              Undo trial
            </Button>
          </div>
        </div>
      </div>
    </section>
  );
}
