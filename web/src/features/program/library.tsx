import type { LibraryPlan } from '@iron-clasp/contract';
import { findLift, HOLD_KINDS_BY_ID } from '@iron-clasp/core';
import { Pencil, Trash2 } from 'lucide-react';
import { useState, type ReactElement } from 'react';
import { useLibrary, useRemovePlan, useRestorePlan } from '../../data/training/library.ts';
import { Button } from '../../ui/button.tsx';
import { Field } from '../../ui/field.tsx';
import { Empty, Failed, Loading } from '../../ui/states.tsx';
import { useToast } from '../../ui/toast.tsx';
import { CopyPanel } from './copy-panel.tsx';
import { dayName, PlanEditor } from './plan-editor.tsx';

interface LibraryProps {
  readonly lifterId: string;
  readonly today: string;
  readonly onDone: () => void;
}

/** From so many plans on a title is looked for. */
const LOOKED_FOR = 9;

/** The club's own sessions and weeks: one is chosen, and written for this lifter and whoever else is ticked. */
export function Library({ lifterId, today, onDone }: LibraryProps): ReactElement {
  const library = useLibrary();
  const [chosen, setChosen] = useState<LibraryPlan | null>(null);
  const [edited, setEdited] = useState<string | null>(null);
  const [find, setFind] = useState('');
  if (library.isPending) return <Loading what="the library" lines={4} />;
  if (library.error) return <Failed error={library.error} retry={() => void library.refetch()} />;
  if (chosen)
    return (
      <CopyPanel
        what={{ kind: chosen.kind, from: { planId: chosen.id }, title: chosen.title, on: null }}
        lifterId={lifterId}
        today={today}
        onDone={() => setChosen(null)}
      />
    );
  const { plans } = library.data;
  const changed = plans.find(({ id }) => id === edited);
  if (changed) return <PlanEditor key={changed.id} plan={changed} onDone={() => setEdited(null)} />;
  const shown = plans.filter((plan) => plan.title.toLowerCase().includes(find.trim().toLowerCase()));
  return (
    <section aria-label="Library">
      <div className="flex flex-wrap items-end gap-3 border-b-2 border-ink pb-1">
        <h2 className="mr-auto text-xl">From the library</h2>
        {plans.length >= LOOKED_FOR && (
          <Field label="Find a plan" value={find} onChange={(event) => setFind(event.target.value)} />
        )}
        <Button look="quiet" onClick={onDone}>
          Close
        </Button>
      </div>
      {plans.length === 0 && (
        <Empty title="Nothing is kept yet">
          <p>
            Copy a session, or a week at its head, and choose “Save to the library”: it stands here to start
            from, its loads as shares of a best.
          </p>
        </Empty>
      )}
      <ul>
        {shown.map((plan) => (
          <Plan
            key={plan.id}
            plan={plan}
            onChoose={() => setChosen(plan)}
            onEdit={() => setEdited(plan.id)}
          />
        ))}
      </ul>
      {plans.length > 0 && shown.length === 0 && <p className="py-2 text-quiet">No plan is called so.</p>}
    </section>
  );
}

interface PlanProps {
  readonly plan: LibraryPlan;
  readonly onChoose: () => void;
  readonly onEdit: () => void;
}

function Plan({ plan, onChoose, onEdit }: PlanProps): ReactElement {
  const remove = useRemovePlan();
  const restore = useRestorePlan();
  const say = useToast();
  const { id, version, title, kind, sessions } = plan;
  return (
    <li className="grid grid-cols-[minmax(0,1fr)_auto] gap-x-3 border-b border-rule py-2">
      <div className="min-w-0">
        <h3 className="text-lg leading-tight">{title}</h3>
        {sessions.map((session, i) => (
          <p key={i}>
            {kind === 'week' && (
              <b className="figures mr-2">
                {dayName(session.day, 'EEE')} <span className="font-normal">{session.title}</span>
              </b>
            )}
            <span className="figures text-quiet">{linesOf(session)}</span>
            {session.holds.length > 0 && (
              <span className="figures text-verdigris">
                {' '}
                · {session.holds.map((hold) => HOLD_KINDS_BY_ID[hold].name).join(' · ')}
              </span>
            )}
          </p>
        ))}
        {remove.error && <Failed error={remove.error} />}
      </div>
      <div className="flex items-start">
        <Button onClick={onChoose}>
          Use<span className="sr-only"> {title}</span>
        </Button>
        <button
          type="button"
          aria-label={`Edit ${title}`}
          title="Edit"
          className="p-2.5 text-quiet hover:text-forge"
          onClick={onEdit}
        >
          <Pencil size={16} aria-hidden />
        </button>
        <button
          type="button"
          aria-label={`Remove ${title} from the library`}
          title="Remove"
          className="p-2.5 text-quiet hover:text-forge"
          disabled={remove.isPending}
          onClick={() =>
            remove.mutate(
              { id, version },
              { onSuccess: () => say(`${title} is out of the library.`, () => restore.mutate(id)) },
            )
          }
        >
          <Trash2 size={16} aria-hidden />
        </button>
      </div>
    </li>
  );
}

/** The lines of a session in one, each lift named once. */
function linesOf({ lines }: LibraryPlan['sessions'][number]): string {
  return lines
    .map(({ liftId, text }, i) => {
      const name = liftId === lines[i - 1]?.liftId ? '' : `${findLift(liftId)?.name ?? liftId} `;
      return `${name}${text}`;
    })
    .join(' · ');
}
