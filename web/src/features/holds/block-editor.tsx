import { HOLD_KINDS, HOLD_KINDS_BY_ID, type BlockMoment, type HoldKindId } from '@iron-clasp/core';
import { HoldBlockRequest, type HoldBlockView, type HoldsView } from '@iron-clasp/contract';
import { useRef, useState, type ReactElement } from 'react';
import { Controller } from 'react-hook-form';
import { weeksOf } from '../../ui/charts/lanes-geometry.ts';
import { Button } from '../../ui/button.tsx';
import { FormEnd } from '../../ui/form-end.tsx';
import { useBlockEffect } from '../../data/club/attention.ts';
import { useIsStaff } from '../../data/session/use-is-coach.ts';
import { useUnit } from '../../data/session/use-unit.ts';
import { roughMass, share, shortDay } from '../../ui/figures.ts';
import { useRequestForm } from '../../ui/request-form.ts';
import { Select } from '../../ui/select.tsx';
import { Failed } from '../../ui/states.tsx';
import { useRemoveBlock, useSaveBlock } from '../../data/holds/holds.ts';

interface BlocksProps {
  readonly view: HoldsView;
  readonly lifterId: string;
}

/** Hold blocks: what the engine proposes, those there are, and one of the coach's own. */
export function Blocks({ view, lifterId }: BlocksProps): ReactElement {
  const { proposal } = view;
  const save = useSaveBlock(lifterId);
  const remove = useRemoveBlock(lifterId);
  const [open, setOpen] = useState(false);
  const staff = useIsStaff();
  const coming = view.blocks.filter((block) => block.to >= view.today);
  return (
    <section aria-label="Hold blocks" className="min-w-0">
      <h2 className="border-b-2 border-ink pb-1 text-xl">Hold blocks</h2>
      <div className="border-b border-rule py-2">
        <p>
          {proposal.propose ? (
            <b>
              Proposed: {proposal.weeks} weeks from {shortDay(proposal.startsOn!)} to{' '}
              {shortDay(proposal.endsOn!)}, {proposal.sessionsAWeek}{' '}
              {proposal.sessionsAWeek === 1 ? 'session' : 'sessions'} a week
            </b>
          ) : (
            <b>No block is proposed</b>
          )}
          <span className="block text-sm text-quiet">{proposal.why.map((why) => why.text).join(' ')}</span>
        </p>
        {proposal.propose && (
          <div className="mt-1 flex flex-wrap gap-2">
            {proposal.kinds.map((kind) => (
              <Button
                key={kind}
                disabled={save.isPending}
                onClick={() =>
                  save.mutate({
                    id: crypto.randomUUID(),
                    body: {
                      kind,
                      startsOn: proposal.startsOn!,
                      weeks: proposal.weeks!,
                      sessionsAWeek: proposal.sessionsAWeek!,
                      version: 0,
                    },
                  })
                }
              >
                Place it: {HOLD_KINDS_BY_ID[kind].name.toLowerCase()}
              </Button>
            ))}
          </div>
        )}
      </div>
      {(save.error ?? remove.error) && <Failed error={save.error ?? remove.error} />}
      <ul>
        {coming.map((block) => (
          <li
            key={block.id}
            className="flex flex-wrap items-baseline justify-between gap-2 border-b border-rule py-2"
          >
            <span>
              <b>{block.label}</b>{' '}
              <span className="text-quiet">
                {shortDay(block.from)} to {shortDay(block.to)}, {weeksOf(block.from, block.to)} weeks,{' '}
                {holdsIn(view, block)} holds to come
              </span>
            </span>
            <Button look="quiet" disabled={remove.isPending} onClick={() => remove.mutate(block.id)}>
              Remove<span className="sr-only"> {block.label}</span>
            </Button>
          </li>
        ))}
      </ul>
      <Reports blocks={view.blocks} />
      {staff && <BlockEffect />}
      {open ? (
        <NewBlock view={view} lifterId={lifterId} onClose={() => setOpen(false)} />
      ) : (
        <Button className="mt-3" onClick={() => setOpen(true)}>
          A block of our own
        </Button>
      )}
    </section>
  );
}

const WHEN: Readonly<Record<BlockMoment['when'], string>> = {
  before: 'before it',
  after: 'at its end',
  fourWeeksLater: 'four weeks later',
};

/** What blocks did over all lifters of the club: how much a block to come may be expected to move. */
function BlockEffect(): ReactElement | null {
  const effect = useBlockEffect();
  if (!effect.data) return null;
  const { perWeek, blocks } = effect.data;
  return (
    <p className="mt-2 text-sm text-quiet">
      {blocks.length === 0
        ? 'No block of the club has ended yet. Usually'
        : `Over ${blocks.length} ${blocks.length === 1 ? 'block' : 'blocks'} of the club that ended,`}{' '}
      a week in a block moves the load held by {share(perWeek.low, 1)} to {share(perWeek.high, 1)} more than a
      week without.
    </p>
  );
}

/** What the latest blocks did: the load held 10 s with its doubt, slips and confidence, before and after. */
function Reports({ blocks }: { blocks: readonly HoldBlockView[] }): ReactElement | null {
  const unit = useUnit();
  const told = blocks.flatMap((block) => (block.report ? [{ block, report: block.report }] : [])).reverse();
  if (told.length === 0) return null;
  return (
    <section aria-label="What blocks did" className="mt-3">
      <h3 className="text-lg">What blocks did</h3>
      <ul>
        {told.map(({ block, report }) => (
          <li key={block.id} className="border-b border-rule py-2">
            <b>{block.label}</b>, {shortDay(block.from)} to {shortDay(block.to)}: {report.text}
            <ul className="text-sm text-quiet">
              {report.moments.map(({ when, tenSeconds, heavy, slipped, confidence }) => (
                <li key={when}>
                  {WHEN[when]}: 10 s with{' '}
                  <b className="figures text-ink">{roughMass(tenSeconds.value, unit)}</b> (
                  {roughMass(tenSeconds.low, unit)} to {roughMass(tenSeconds.high, unit)}), {slipped} of{' '}
                  {heavy} heavy sets slipped
                  {confidence !== null && `, confidence ${confidence.toFixed(1)} of 5`}
                </li>
              ))}
            </ul>
          </li>
        ))}
      </ul>
    </section>
  );
}

const holdsIn = (view: HoldsView, block: HoldBlockView): number =>
  view.planned.filter((each) => each.kind === block.kind && each.on >= block.from && each.on <= block.to)
    .length;

function NewBlock({ view, lifterId, onClose }: BlocksProps & { onClose: () => void }): ReactElement {
  const save = useSaveBlock(lifterId);
  const id = useRef(crypto.randomUUID());
  const ahead = view.weeks.filter((week) => week >= view.week.from);
  const { form, fault, onSubmit, failed, sending } = useRequestForm({
    request: HoldBlockRequest,
    start: {
      kind: 'frontRackHold' as HoldKindId,
      startsOn: ahead[1] ?? ahead[0]!,
      weeks: '4',
      sessionsAWeek: '1',
    },
    bodyOf: ({ kind, startsOn, weeks, sessionsAWeek }): HoldBlockRequest => ({
      ...{ kind, startsOn, version: 0 },
      ...{ weeks: Number(weeks), sessionsAWeek: Number(sessionsAWeek) },
    }),
    send: (body) => save.mutateAsync({ id: id.current, body }),
    onSaved: onClose,
  });
  const select = (
    name: 'kind' | 'startsOn' | 'weeks' | 'sessionsAWeek',
    label: string,
    options: readonly (readonly [string, string])[],
  ): ReactElement => (
    <Controller
      control={form.control}
      name={name}
      render={({ field: { value, onChange } }) => (
        <Select label={label} value={value} error={fault(name)} options={options} onChange={onChange} />
      )}
    />
  );
  return (
    <form
      aria-label="A block of our own"
      noValidate
      className="mt-3 grid gap-3 sm:grid-cols-2"
      onSubmit={onSubmit}
    >
      {select(
        'kind',
        'Hold',
        HOLD_KINDS.map((each) => [each, HOLD_KINDS_BY_ID[each].name]),
      )}
      {select(
        'startsOn',
        'First week',
        ahead.map((week) => [week, `from ${shortDay(week)}`]),
      )}
      {select(
        'weeks',
        'Weeks',
        ['2', '3', '4', '5'].map((each) => [each, each]),
      )}
      {select(
        'sessionsAWeek',
        'Sessions a week',
        ['1', '2', '3'].map((each) => [each, each]),
      )}
      <FormEnd
        failed={failed}
        sending={sending}
        action="Place the block"
        onCancel={onClose}
        leave="Close"
        className="sm:col-span-2"
      />
    </form>
  );
}
