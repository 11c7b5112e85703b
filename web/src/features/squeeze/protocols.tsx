import {
  COMMON_CONTRACTION_TEST,
  HAND_ORDERS,
  POSTURES,
  type SqueezeProtocol,
  HAND_ORDER_NAMES,
} from '@iron-clasp/core';
import { SqueezeProtocolRequest, type SqueezeProtocolView } from '@iron-clasp/contract';
import { useRef, useState, type ReactElement } from 'react';
import { Controller } from 'react-hook-form';
import { useRequestForm } from '../../ui/request-form.ts';
import { FormEnd } from '../../ui/form-end.tsx';
import { Button } from '../../ui/button.tsx';
import { Field } from '../../ui/field.tsx';
import { typedNumber } from '../../ui/figures.ts';
import { Select } from '../../ui/select.tsx';
import { protocolWords } from '../../parts/squeeze/test-order.ts';
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
  const { form, field, fault, onSubmit, failed, sending } = useRequestForm({
    request: SqueezeProtocolRequest,
    start: {
      name: start?.name ?? '',
      handle: String(from.handle),
      elbow: String(from.elbow),
      trials: String(from.trials),
      rest: String(from.rest),
      posture: from.posture,
      handOrder: from.handOrder,
      repeated: Boolean(start?.contractions),
      archived: false,
    },
    bodyOf: ({
      name,
      handle,
      elbow,
      trials,
      rest,
      posture,
      handOrder,
      repeated,
      archived,
    }): SqueezeProtocolRequest => ({
      name,
      protocol: {
        ...{ handle: typedNumber(handle), elbow: typedNumber(elbow), trials: typedNumber(trials) },
        ...{ rest: typedNumber(rest), posture, handOrder },
      },
      ...(repeated && { contractions: start?.contractions ?? COMMON_CONTRACTION_TEST }),
      ...(archived && { archived }),
      version: start?.version ?? 0,
    }),
    send: (body) => save.mutateAsync({ id: id.current, body }),
    onSaved: onClose,
  });
  const number = (
    name: 'handle' | 'elbow' | 'trials' | 'rest',
    label: string,
    unit?: string,
  ): ReactElement => (
    <Field label={label} {...(unit && { unit })} inputMode="decimal" {...field(name, `protocol.${name}`)} />
  );
  return (
    <form aria-label="Protocol" noValidate className="my-3 grid gap-3" onSubmit={onSubmit}>
      <Field label="Name" maxLength={80} {...field('name')} />
      <div className="grid grid-cols-2 gap-3 sm:grid-cols-3">
        {number('handle', 'Handle setting')}
        {number('elbow', 'Elbow, 180 straight', '°')}
        <Controller
          control={form.control}
          name="posture"
          render={({ field: { value, onChange } }) => (
            <Select
              label="Posture"
              value={value}
              error={fault('protocol.posture')}
              onChange={onChange}
              options={POSTURES.map((each) => [each, each] as const)}
            />
          )}
        />
        <Controller
          control={form.control}
          name="handOrder"
          render={({ field: { value, onChange } }) => (
            <Select
              label="Hands"
              value={value}
              error={fault('protocol.handOrder')}
              onChange={onChange}
              options={HAND_ORDERS.map((each) => [each, HAND_ORDER_NAMES[each]] as const)}
            />
          )}
        />
        {number('trials', 'Trials a hand')}
        {number('rest', 'Rest', 's')}
      </div>
      <Controller
        control={form.control}
        name="repeated"
        render={({ field: { value, onChange } }) => (
          <Checkbox checked={value} onChange={onChange}>
            Repeated contractions: {COMMON_CONTRACTION_TEST.count} × {COMMON_CONTRACTION_TEST.on} s on,{' '}
            {COMMON_CONTRACTION_TEST.off} s off
          </Checkbox>
        )}
      />
      <FormEnd failed={failed} sending={sending} onCancel={onClose} leave="Close">
        {start && (
          <Button
            look="quiet"
            className="ml-auto"
            onClick={() => {
              form.setValue('archived', true);
              onSubmit();
            }}
          >
            Archive the protocol
          </Button>
        )}
      </FormEnd>
    </form>
  );
}
