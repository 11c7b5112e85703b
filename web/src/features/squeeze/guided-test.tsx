import { SIDES, type Side } from '@iron-clasp/core';
import type {
  SentTrace,
  SentTrial,
  SqueezeProtocolView,
  SqueezeSource,
  SqueezeTestRequest,
} from '@iron-clasp/contract';
import { useRef, useState, type ReactElement } from 'react';
import { Button } from '../../ui/button.tsx';
import { Choices } from '../../ui/choices.tsx';
import { Field } from '../../ui/field.tsx';
import { Select } from '../../ui/select.tsx';
import { Caution, Failed } from '../../ui/states.tsx';
import { FileTrial } from './file-trial.tsx';
import { DeviceTrial } from '../../parts/squeeze/device-trial.tsx';
import { protocolWords, testOrder, type DoneTrial } from '../../parts/squeeze/test-order.ts';
import { Rest, TypedTrial } from '../../parts/squeeze/typed-trial.tsx';
import { momentOn } from '../../data/clock.ts';
import { useToday } from '../../data/session/use-today.ts';
import { DateField } from '../../ui/date-field.tsx';
import { useKeepTest } from '../../data/squeeze/squeeze.ts';

interface GuidedTestProps {
  readonly lifterId: string;
  readonly protocols: readonly SqueezeProtocolView[];
  readonly onClose: () => void;
}

/** A test trial by trial: which hand, how long it rests, and the figure typed in, from a file, or live. */
export function GuidedTest({ lifterId, protocols, onClose }: GuidedTestProps): ReactElement {
  const [chosen, setChosen] = useState(0);
  const [source, setSource] = useState<SqueezeSource>('hand');
  const [done, setDone] = useState<readonly DoneTrial[]>([]);
  const [hand, setHand] = useState<Side>('left');
  const [note, setNote] = useState('');
  const today = useToday();
  const [day, setDay] = useState('');
  const keep = useKeepTest(lifterId);
  const id = useRef(crypto.randomUUID());
  const { protocol, contractions, id: protocolId } = protocols[chosen]!;
  const asked = testOrder(protocol);
  const next = contractions ? { hand, trial: 1 } : asked[done.length];
  const begun = done.length > 0;

  const body = (more: Partial<SqueezeTestRequest>): SqueezeTestRequest => ({
    ...(protocolId && { protocolId }),
    protocol,
    trials: done.map((each) => each.sent),
    source,
    testedAt: momentOn(day, today),
    ...(note.trim() && { note: note.trim() }),
    ...more,
  });
  const send = (more: Partial<SqueezeTestRequest> = {}): void =>
    keep.mutate({ id: id.current, body: body(more) }, { onSuccess: onClose });
  const add = (sent: SentTrial, peak: number): void => setDone([...done, { sent, peak, at: Date.now() }]);
  const onTrace = (trace: SentTrace, peak: number): void => {
    if (contractions) send({ trials: [], contractions: { hand, protocol: contractions, trace } });
    else add({ hand: next!.hand, trace }, peak);
  };

  return (
    <section aria-label="Squeeze test" className="grid gap-4 border-y-2 border-ink py-4">
      <div className="flex flex-wrap items-end gap-x-6 gap-y-3">
        <Select
          label="Protocol"
          value={String(chosen)}
          onChange={(value) => !begun && setChosen(Number(value))}
          options={protocols.map((each, i) => [String(i), each.name] as const)}
        />
        <Choices
          legend="Figures come"
          value={contractions && source === 'hand' ? 'device' : source}
          onChange={setSource}
          options={[
            ...(contractions ? [] : [['hand', 'typed in'] as const]),
            ['device', 'live from a dynamometer'],
            ['file', 'from a trace file'],
          ]}
        />
        {source === 'hand' && !contractions && (
          <DateField label="Day, if it was not today" value={day} onChange={setDay} />
        )}
        {contractions && (
          <Choices
            legend="Hand"
            value={hand}
            onChange={setHand}
            options={SIDES.map((side) => [side, side] as const)}
          />
        )}
      </div>
      <p className="text-quiet">
        {contractions
          ? `${contractions.count} squeezes of ${contractions.on} s with ${contractions.off} s between, all out from the first.`
          : `${protocolWords(protocol)}.`}{' '}
        Only tests done the same way are compared.
      </p>
      {begun && (
        <ol aria-label="Trials so far" className="flex flex-wrap gap-x-6 gap-y-1">
          {done.map((each, i) => (
            <li key={i} className="figures text-xl">
              <span className="text-quiet">{each.sent.hand}</span> {each.peak.toFixed(1)}
            </li>
          ))}
        </ol>
      )}
      {next ? (
        <div className="grid gap-3">
          <h2 className="text-3xl first-letter:uppercase">
            {contractions
              ? `${hand} hand, all the way`
              : `${next.hand} hand, trial ${next.trial} of ${protocol.trials}`}
          </h2>
          {!contractions && <Rest hand={next.hand} done={done} rest={protocol.rest} />}
          {contractions && source !== 'file' ? (
            <DeviceTrial key="contractions" hand={hand} contractions={contractions} onTrace={onTrace} />
          ) : source === 'hand' ? (
            <TypedTrial
              key={done.length}
              hand={next.hand}
              onForce={(force) => add({ hand: next.hand, force }, force)}
            />
          ) : source === 'device' ? (
            <DeviceTrial hand={next.hand} contractions={null} onTrace={onTrace} />
          ) : (
            <FileTrial key={done.length} whole={contractions !== null} onTrace={onTrace} />
          )}
        </div>
      ) : (
        <p className="text-xl">All trials are done.</p>
      )}
      <Caution>Stop on sharp pain, numbness or dizziness. Breathe: no holding of breath.</Caution>
      {keep.error && <Failed error={keep.error} retry={() => send()} />}
      <Field
        label="Note"
        value={note}
        maxLength={500}
        onChange={(event) => setNote(event.target.value)}
        className="max-w-xl"
      />
      <div className="flex flex-wrap gap-2">
        {!contractions && (
          <Button
            look="action"
            className="min-h-12 px-5"
            disabled={!begun || keep.isPending}
            onClick={() => send()}
          >
            {next ? 'Keep what there is' : 'Save'}
          </Button>
        )}
        <Button className="min-h-12 px-5" disabled={!begun} onClick={() => setDone(done.slice(0, -1))}>
          Undo the last trial
        </Button>
        <Button look="quiet" onClick={onClose}>
          {begun ? 'Throw it away' : 'Close'}
        </Button>
      </div>
    </section>
  );
}
