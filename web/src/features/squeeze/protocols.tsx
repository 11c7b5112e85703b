import {
  COMMON_CONTRACTION_TEST,
  HAND_ORDERS,
  POSTURES,
  type SqueezeProtocol,
  HAND_ORDER_NAMES,
} from '@iron-clasp/core';
import type { SqueezeProtocolView } from '@iron-clasp/contract';
import { useRef, useState, type ReactElement } from 'react';
import { Button } from '../../ui/button.tsx';
import { Field } from '../../ui/field.tsx';
import { typedNumber } from '../../ui/figures.ts';
import { Select } from '../../ui/select.tsx';
import { Failed } from '../../ui/states.tsx';
import { protocolWords } from './test-order.ts';
import { useSaveProtocol } from '../../data/squeeze/squeeze.ts';
import { Checkbox } from '../../ui/checkbox.tsx';

interface ProtocolsProps {
  readonly lifterId: string;
  readonly protocols: readonly SqueezeProtocolView[];
}

/** The club's protocols: what is compared with what is decided here. */
export function Protocols({ lifterId, protocols }: ProtocolsProps): ReactElement {
  const [open, setOpen] = useState<string | null>(null);
  return (
    <section aria-label="Protocols">
      <h2 className="border-b-2 border-ink pb-1 text-xl">Protocols</h2>
      <ul>
        {protocols.map((each) => (
          <li key={each.id ?? 'working'} className="border-b border-rule py-2">
            {open === (each.id ?? 'working') && each.id ? (
              <ProtocolEditor lifterId={lifterId} start={each} onClose={() => setOpen(null)} />
            ) : (
              <div className="flex items-baseline justify-between gap-3">
                <p>
                  <b>{each.name}</b>
                  <span className="block text-sm text-quiet">
                    {each.contractions
                      ? `${each.contractions.count} × ${each.contractions.on} s on, ${each.contractions.off} s off; `
                      : ''}
                    {protocolWords(each.protocol)}
                  </span>
                </p>
                {each.id && (
                  <Button look="quiet" onClick={() => setOpen(each.id)}>
                    Edit
                  </Button>
                )}
              </div>
            )}
          </li>
        ))}
      </ul>
      {open === 'new' ? (
        <ProtocolEditor lifterId={lifterId} start={null} onClose={() => setOpen(null)} />
      ) : (
        <Button className="mt-3" onClick={() => setOpen('new')}>
          A protocol of our own
        </Button>
      )}
    </section>
  );
}

interface EditorProps {
  readonly lifterId: string;
  readonly start: SqueezeProtocolView | null;
  readonly onClose: () => void;
}

const START: SqueezeProtocol = {
  handle: 2,
  elbow: 90,
  posture: 'seated',
  handOrder: 'alternating',
  trials: 3,
  rest: 60,
};

function ProtocolEditor({ lifterId, start, onClose }: EditorProps): ReactElement {
  const save = useSaveProtocol(lifterId);
  const id = useRef(start?.id ?? crypto.randomUUID());
  const from = start?.protocol ?? START;
  const [name, setName] = useState(start?.name ?? '');
  const [figures, setFigures] = useState({
    handle: String(from.handle),
    elbow: String(from.elbow),
    trials: String(from.trials),
    rest: String(from.rest),
  });
  const [posture, setPosture] = useState(from.posture);
  const [handOrder, setHandOrder] = useState(from.handOrder);
  const [repeated, setRepeated] = useState(Boolean(start?.contractions));
  const fault = (field: string): string | undefined =>
    save.error?.fields.find((each) => each.path.endsWith(field))?.message;
  const number = (field: keyof typeof figures, label: string, unit?: string): ReactElement => (
    <Field
      label={label}
      {...(unit && { unit })}
      inputMode="decimal"
      value={figures[field]}
      error={fault(field)}
      onChange={(event) => setFigures({ ...figures, [field]: event.target.value })}
    />
  );
  const send = (archived = false): void =>
    save.mutate(
      {
        id: id.current,
        body: {
          name,
          protocol: {
            handle: typedNumber(figures.handle),
            elbow: typedNumber(figures.elbow),
            trials: typedNumber(figures.trials),
            rest: typedNumber(figures.rest),
            posture,
            handOrder,
          },
          ...(repeated && { contractions: start?.contractions ?? COMMON_CONTRACTION_TEST }),
          ...(archived && { archived }),
          version: start?.version ?? 0,
        },
      },
      { onSuccess: onClose },
    );
  return (
    <form
      aria-label="Protocol"
      noValidate
      className="my-3 grid gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        send();
      }}
    >
      <Field
        label="Name"
        value={name}
        maxLength={80}
        error={fault('name')}
        onChange={(event) => setName(event.target.value)}
      />
      <div className="grid grid-cols-2 gap-3 sm:grid-cols-3">
        {number('handle', 'Handle setting')}
        {number('elbow', 'Elbow, 180 straight', '°')}
        <Select
          label="Posture"
          value={posture}
          onChange={setPosture}
          options={POSTURES.map((each) => [each, each] as const)}
        />
        <Select
          label="Hands"
          value={handOrder}
          onChange={setHandOrder}
          options={HAND_ORDERS.map((each) => [each, HAND_ORDER_NAMES[each]] as const)}
        />
        {number('trials', 'Trials a hand')}
        {number('rest', 'Rest', 's')}
      </div>
      <Checkbox checked={repeated} onChange={(checked) => setRepeated(checked)}>
        Repeated contractions: {COMMON_CONTRACTION_TEST.count} × {COMMON_CONTRACTION_TEST.on} s on,{' '}
        {COMMON_CONTRACTION_TEST.off} s off
      </Checkbox>
      {save.error && save.error.fields.length === 0 && <Failed error={save.error} />}
      <div className="flex flex-wrap gap-2">
        <Button type="submit" look="action" disabled={save.isPending}>
          Save
        </Button>
        <Button look="quiet" onClick={onClose}>
          Close
        </Button>
        {start && (
          <Button look="quiet" className="ml-auto" onClick={() => send(true)}>
            Archive the protocol
          </Button>
        )}
      </div>
    </form>
  );
}
