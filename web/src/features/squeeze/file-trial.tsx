import {
  analyseTrace,
  FORCE_UNITS,
  InvalidInputError,
  LONGEST_TRACE_FILE,
  TIME_UNITS,
  type ForceUnit,
  type TimeUnit,
} from '@iron-clasp/core';
import type { SentTrace } from '@iron-clasp/contract';
import { useEffect, useRef, useState, type ReactElement } from 'react';
import { typedNumber } from '../../ui/figures.ts';
import { Button } from '../../ui/button.tsx';
import { Field } from '../../ui/field.tsx';
import { Select } from '../../ui/select.tsx';
import { Caution } from '../../ui/states.tsx';
import type { TraceFileAnswer, TraceFileQuestion } from './read-trace.worker.ts';
import { FileField } from '../../ui/file-field.tsx';

interface FileTrialProps {
  /** A repeated-contraction test is read by the server as a whole. */
  readonly whole: boolean;
  readonly onTrace: (trace: SentTrace, peak: number) => void;
}

/** One squeeze from a trace file: read in a worker, so that a long file holds nothing up. */
export function FileTrial({ whole, onTrace }: FileTrialProps): ReactElement {
  const [force, setForce] = useState<ForceUnit | ''>('');
  const [time, setTime] = useState<TimeUnit | ''>('');
  const [rate, setRate] = useState('');
  const [file, setFile] = useState<File | null>(null);
  const [busy, setBusy] = useState(false);
  const [fault, setFault] = useState<string | null>(null);
  const [read, setRead] = useState<{ trace: SentTrace; peak: number; notes: readonly string[] } | null>(null);
  const worker = useRef<Worker | null>(null);
  useEffect(() => () => worker.current?.terminate(), []);

  const stop = (): void => {
    worker.current?.terminate();
    worker.current = null;
    setBusy(false);
  };
  const readFile = (chosen: File): void => {
    stop();
    setRead(null);
    setFault(null);
    if (chosen.size > LONGEST_TRACE_FILE) {
      setFault('The file is larger than 40 MB: more than a million samples. Cut the trace into trials.');
      return;
    }
    setBusy(true);
    const at = new Worker(new URL('./read-trace.worker.ts', import.meta.url), { type: 'module' });
    worker.current = at;
    at.addEventListener('message', ({ data }: MessageEvent<TraceFileAnswer>) => {
      stop();
      if (data.fault !== undefined) setFault(data.fault);
      else take(data.read.trace, data.read.notes);
    });
    const options = {
      ...(force && { force }),
      ...(time && { time }),
      ...(rate.trim() && { rate: typedNumber(rate) }),
    };
    at.postMessage({ file: chosen, options } satisfies TraceFileQuestion);
  };
  const take = (
    trace: { times: ArrayLike<number>; forces: ArrayLike<number> },
    notes: readonly string[],
  ): void => {
    const times = Array.from(trace.times);
    const forces = Array.from(trace.forces);
    try {
      const peak = whole
        ? Math.max(...forces.filter((each) => !Number.isNaN(each)).slice(0, 100_000))
        : analyseTrace(trace)?.peak;
      if (peak === undefined)
        setFault('No squeeze is to be seen in this file: the force never leaves its rest.');
      else
        setRead({
          trace: { times, forces: forces.map((each) => (Number.isNaN(each) ? null : each)) },
          peak,
          notes: [`${times.length} samples.`, ...notes],
        });
    } catch (error) {
      setFault(error instanceof InvalidInputError ? error.message : 'The file could not be read.');
    }
  };

  return (
    <div className="grid gap-3">
      <FileField
        label="Force trace, CSV: a column of times and one of forces"
        accept=".csv,.txt,.tsv,text/csv,text/plain"
        chosen={file?.name}
        onChange={(chosen) => {
          setFile(chosen);
          readFile(chosen);
        }}
      />
      <div className="flex flex-wrap items-end gap-3">
        <Select
          label="Unit of force"
          value={force}
          onChange={(value) => setForce(value)}
          options={[
            ['', 'as the file says'],
            ...Object.keys(FORCE_UNITS).map((unit) => [unit as ForceUnit, unit] as const),
          ]}
        />
        <Select
          label="Unit of time"
          value={time}
          onChange={(value) => setTime(value)}
          options={[
            ['', 'as the file says'],
            ...Object.keys(TIME_UNITS).map((unit) => [unit as TimeUnit, unit] as const),
          ]}
        />
        <Field
          label="Samples a second, without times"
          inputMode="decimal"
          value={rate}
          onChange={(event) => setRate(event.target.value)}
          className="w-52"
        />
        {file && (
          <Button disabled={busy} onClick={() => readFile(file)}>
            Read it again
          </Button>
        )}
        {busy && (
          <span role="status">
            Reading … <Button onClick={stop}>Cancel</Button>
          </span>
        )}
      </div>
      {fault && (
        <div role="alert">
          <Caution>{fault}</Caution>
        </div>
      )}
      {read && (
        <div className="flex flex-wrap items-center gap-4">
          <p>
            <span className="figures text-2xl font-semibold">{read.peak.toFixed(1)} kgf</span>{' '}
            <span className="text-quiet">{read.notes.join(' ')}</span>
          </p>
          <Button look="action" className="min-h-12 px-5" onClick={() => onTrace(read.trace, read.peak)}>
            Take this squeeze
          </Button>
        </div>
      )}
    </div>
  );
}
