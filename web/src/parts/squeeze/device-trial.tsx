import { analyseTrace, InvalidInputError, type ContractionProtocol, type Side } from '@iron-clasp/core';
import type { SentTrace } from '@iron-clasp/contract';
import { DEVICE_PORT } from '@iron-clasp/contract';
import { BatteryMedium, Plug } from 'lucide-react';
import { useEffect, useMemo, useRef, useState, type ReactElement } from 'react';
import type { DeviceInfo, DynamometerDevice } from '../../data/device/dynamometer-device.ts';
import { WebSocketDynamometer } from '../../data/device/web-socket-dynamometer.ts';
import { Button } from '../../ui/button.tsx';
import { Field } from '../../ui/field.tsx';
import { Caution } from '../../ui/states.tsx';
import { LiveSamples, LiveTrace } from './live-trace.tsx';

/** Share of the peak below which the hand has let go, and for how long, s, before the trial ends by itself. */
const LET_GO = 0.15;
const LET_GO_FOR = 0.6;
/** kgf that counts as a squeeze at all. */
const A_SQUEEZE = 5;

interface DeviceTrialProps {
  readonly hand: Side;
  /** For a repeated-contraction test: its protocol. */
  readonly contractions: ContractionProtocol | null;
  readonly onTrace: (trace: SentTrace, peak: number) => void;
}

/** Connects a dynamometer, tares it, and takes one squeeze live. */
export function DeviceTrial({ hand, contractions, onTrace }: DeviceTrialProps): ReactElement {
  const [port, setPort] = useState(String(DEVICE_PORT));
  const [info, setInfo] = useState<DeviceInfo | null>(null);
  const [battery, setBattery] = useState<number | null>(null);
  const [fault, setFault] = useState<string | null>(null);
  const [state, setState] = useState<'idle' | 'connecting' | 'measuring'>('idle');
  const [readOut, setReadOut] = useState({ now: 0, peak: 0, seconds: 0 });
  const device = useRef<DynamometerDevice | null>(null);
  const samples = useMemo(() => new LiveSamples(), []);
  const measuring = useRef(false);
  const lowSince = useRef<number | null>(null);

  // The device speaks to whoever listened first: what a trace is for changes from trial to trial.
  const take = useRef(onTrace);
  useEffect(() => {
    take.current = onTrace;
  });

  useEffect(() => () => device.current?.close(), []);

  const finish = (): void => {
    if (!measuring.current) return;
    measuring.current = false;
    device.current?.stop();
    setState('idle');
    const trace = { times: [...samples.times], forces: [...samples.forces] };
    try {
      // Read here too, so that a bad trace is seen before it is sent.
      const peak = contractions ? samples.peak : analyseTrace(trace)?.peak;
      if (peak === undefined) setFault('No squeeze was seen. Start again, and squeeze after the signal.');
      else take.current(trace, peak);
    } catch (error) {
      setFault(
        error instanceof InvalidInputError ? error.message : 'The trace could not be read. Squeeze again.',
      );
    }
  };

  const connect = (): void => {
    const at = Number(port);
    if (!Number.isInteger(at) || at < 1 || at > 65535) {
      setFault('The port is a whole number from 1 to 65535; the dynamometer’s program shows it.');
      return;
    }
    setFault(null);
    setState('connecting');
    const made = WebSocketDynamometer.at(at);
    device.current = made;
    made.listen({
      sample: (seconds, force) => {
        if (!measuring.current) return;
        samples.add(seconds, force);
        const { peak } = samples;
        if (contractions) {
          if (seconds >= 1 + contractions.count * (contractions.on + contractions.off)) finish();
          return;
        }
        const low = peak > A_SQUEEZE && force < LET_GO * peak;
        lowSince.current = low ? (lowSince.current ?? seconds) : null;
        if (lowSince.current !== null && seconds - lowSince.current > LET_GO_FOR) finish();
      },
      battery: setBattery,
      lost: () => {
        const had = measuring.current;
        measuring.current = false;
        setInfo(null);
        setState('idle');
        setFault(
          had
            ? 'The connection was lost in the middle of the squeeze. Nothing of it was kept; connect and squeeze again. The trials before it are safe.'
            : 'The connection was lost. Connect again; the trials so far are safe.',
        );
      },
    });
    made.connect().then(
      (found) => {
        setInfo(found);
        setState('idle');
      },
      (error: unknown) => {
        setFault((error as Error).message);
        setState('idle');
      },
    );
  };

  const begin = (): void => {
    samples.clear();
    lowSince.current = null;
    setFault(null);
    measuring.current = true;
    setState('measuring');
    device.current?.start(hand, contractions ? 'contractions' : 'peak');
  };

  useEffect(() => {
    if (state !== 'measuring') return;
    // Figures change ten times a second: more cannot be read. The drawing has its own pace.
    const timer = setInterval(
      () => setReadOut({ now: samples.last, peak: samples.peak, seconds: samples.times.at(-1) ?? 0 }),
      100,
    );
    return () => clearInterval(timer);
  }, [state, samples]);

  return (
    <div className="grid gap-3 flat:gap-1">
      {info === null ? (
        <div className="flex flex-wrap items-end gap-3">
          <Field
            label="Port of the dynamometer’s program"
            inputMode="numeric"
            value={port}
            onChange={(event) => setPort(event.target.value)}
            className="w-56"
          />
          <Button look="action" className="min-h-12 px-5" disabled={state === 'connecting'} onClick={connect}>
            <Plug size={18} aria-hidden className="mr-1 inline" />
            {state === 'connecting' ? 'Connecting …' : 'Connect'}
          </Button>
        </div>
      ) : (
        <>
          <p className="flex flex-wrap items-center gap-x-4 gap-y-1 text-quiet">
            <span className="flat:hidden">
              {info.name}, {info.rate} samples a second
            </span>
            {battery !== null && (
              <span className="flex items-center gap-1">
                <BatteryMedium size={18} aria-hidden /> battery {battery} %
              </span>
            )}
            <Button look="quiet" disabled={state === 'measuring'} onClick={() => device.current?.tare()}>
              Tare, with nothing in the hand
            </Button>
          </p>
          <LiveTrace samples={samples} max={info.max} />
          <div className="flex flex-wrap items-center gap-4 flat:flex-nowrap">
            {state === 'measuring' ? (
              <Button className="min-h-14 px-6 text-xl" onClick={finish}>
                End the squeeze
              </Button>
            ) : (
              <Button look="action" className="min-h-14 px-6 text-xl" onClick={begin}>
                {contractions ? `Start, ${hand} hand` : `Squeeze, ${hand} hand`}
              </Button>
            )}
            <p className="figures text-2xl flat:text-lg" aria-live="off">
              {readOut.now.toFixed(1)} <span className="text-quiet">now</span> · {readOut.peak.toFixed(1)}{' '}
              <span className="text-quiet">peak, kgf</span>
            </p>
            {state === 'measuring' && contractions && (
              <p className="figures text-2xl" role="timer">
                {phase(readOut.seconds, contractions)}
              </p>
            )}
          </div>
        </>
      )}
      {fault && (
        <div role="alert">
          <Caution>{fault}</Caution>
        </div>
      )}
    </div>
  );
}

/** What to do now in a repeated-contraction test. */
function phase(seconds: number, { count, on, off }: ContractionProtocol): string {
  const since = seconds - 1;
  if (since < 0) return 'ready';
  const number = Math.min(count, Math.floor(since / (on + off)) + 1);
  return since % (on + off) < on ? `squeeze ${number} of ${count}` : `rest after ${number}`;
}
