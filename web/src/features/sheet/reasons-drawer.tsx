import {
  HOLD_KINDS_BY_ID,
  GRIP_NAMES,
  sayCall,
  sayStanding,
  type HoldPrescription,
  type Reason,
  REASON_RANK_NAMES,
} from '@iron-clasp/core';
import type { CalledSet, CallsView } from '@iron-clasp/contract';
import { X } from 'lucide-react';
import { useEffect, useLayoutEffect, useRef, type ReactElement, type ReactNode, type RefObject } from 'react';
import { namedLoad } from '../../ui/at-hand.tsx';
import { useUnit } from '../../data/session/use-unit.ts';
import { GripMark } from '../../ui/marks/grip-mark.tsx';
import { useIsCoach } from '../../data/session/use-is-coach.ts';
import { Decide } from './decide.tsx';
import { formatMass, percent, seconds } from '../../ui/figures.ts';
import { Caution } from '../../ui/states.tsx';

/** What the drawer speaks about. */
export type Subject = { readonly id: string } & (
  | { readonly kind: 'set'; readonly set: CalledSet; readonly ids: readonly string[] }
  | { readonly kind: 'hold'; readonly hold: HoldPrescription }
);

/** The why of what is selected: rules that fired, other grips, other schools, cues and cautions. */
export function ReasonsDrawer({
  subject,
  view,
  deciding,
  onDeciding,
  onClose,
}: {
  subject: Subject | null;
  view: CallsView;
  /** Is the form open that decides otherwise? */
  deciding: boolean;
  onDeciding: (open: boolean) => void;
  onClose: () => void;
}): ReactElement | null {
  const head = useRef<HTMLHeadingElement>(null);
  const opener = useRef<Element | null>(null);
  const id = subject?.id;
  const atForm = useRef(deciding);
  useLayoutEffect(() => {
    atForm.current = deciding;
  }, [deciding]);
  useEffect(() => {
    if (!id) return;
    // The form has taken the focus already: the way back is the row all the same.
    opener.current = atForm.current
      ? document.querySelector('[data-row][aria-expanded="true"]')
      : document.activeElement;
    if (!atForm.current) head.current?.focus();
    return () => (opener.current instanceof HTMLElement ? opener.current.focus() : undefined);
  }, [id]);
  if (!subject) return null;
  // The sets are called anew after every change; speak about the set as it is now.
  const set =
    subject.kind === 'set' ? (view.sets.find((each) => each.id === subject.id) ?? subject.set) : null;
  return (
    <aside
      aria-label="Reasons"
      className="fixed inset-x-0 bottom-0 z-10 max-h-[70dvh] overflow-y-auto border-t-4 border-ink bg-raised p-5 xl:sticky xl:top-4 xl:max-h-[calc(100dvh-2rem)] xl:w-88 xl:shrink-0 xl:border-l-4 xl:border-t-0"
    >
      <button
        type="button"
        onClick={onClose}
        aria-label="Close the reasons"
        className="absolute right-3 top-3 p-2"
      >
        <X size={18} aria-hidden />
      </button>
      {set ? (
        <AboutSet
          set={set}
          ids={subject.kind === 'set' ? subject.ids : []}
          sessionId={view.session.id}
          headRef={head}
          deciding={deciding}
          onDeciding={onDeciding}
        />
      ) : (
        subject.kind === 'hold' && <AboutHold hold={subject.hold} headRef={head} />
      )}
    </aside>
  );
}

type HeadRef = RefObject<HTMLHeadingElement | null>;

function AboutSet({
  set,
  ids,
  sessionId,
  headRef,
  deciding,
  onDeciding,
}: {
  set: CalledSet;
  ids: readonly string[];
  sessionId: string;
  headRef: HeadRef;
  deciding: boolean;
  onDeciding: (open: boolean) => void;
}): ReactElement {
  const coach = useIsCoach();
  const unit = useUnit();
  const { call } = set;
  return (
    <>
      <h2 ref={headRef} tabIndex={-1} className="pr-8 text-2xl outline-none">
        {set.liftName} {namedLoad(set.loading, unit)} × {set.seconds ? seconds(set.seconds) : set.reps}
      </h2>
      <p className="mt-1 font-semibold">{sayCall(call)}</p>
      {sayStanding(call) && <p className="text-sm">{sayStanding(call)}</p>}
      {call.demand && (
        <p className="text-sm text-quiet">
          Asks the hands for {formatMass(Math.round(call.demand.load * 10) / 10, unit)} over{' '}
          {seconds(call.demand.seconds)}
          {set.seconds
            ? ''
            : `, ${set.reps === 1 ? 'one repetition' : `${set.reps} repetitions, set down between`}`}
          .
        </p>
      )}
      {coach && call.verdict !== 'free' && call.alternatives.grips.length > 0 && (
        <Part title="The coach decides">
          <Decide
            key={set.id}
            set={set}
            ids={ids}
            sessionId={sessionId}
            open={deciding}
            onOpen={onDeciding}
          />
        </Part>
      )}
      <Reasons reasons={call.reasons} />
      {call.cautions.length > 0 && (
        <Part title="Cautions">
          <div className="grid gap-1.5">
            {call.cautions.map((text) => (
              <Caution key={text}>{text}</Caution>
            ))}
          </div>
        </Part>
      )}
      {(call.cues.length > 0 || call.chalk.where.length > 0) && (
        <Part title="Set it up">
          <ul className="grid gap-1.5">
            {call.chalk.where.length > 0 && (
              <li>
                {call.chalk.kind === 'block' ? 'Block chalk, a thin coat' : 'Liquid chalk'}:{' '}
                {call.chalk.where.join(', ')}.
              </li>
            )}
            {call.cues.map((cue) => (
              <li key={cue}>{cue}</li>
            ))}
          </ul>
        </Part>
      )}
      {call.alternatives.grips.length > 0 && (
        <Part title="Other grips">
          <ul className="grid gap-2">
            {call.alternatives.grips.map((other) => (
              <li key={other.choice} className="grid grid-cols-[3.2rem_1fr] gap-x-3">
                <span className={other.permitted ? '' : 'opacity-40'}>
                  <GripMark choice={other.choice} size={22} />
                </span>
                <span>
                  <b>{GRIP_NAMES[other.choice]}</b>
                  {other.probability !== null && (
                    <span className="figures text-lg"> {percent(other.probability)}</span>
                  )}
                  <span className="block text-sm text-quiet">{other.why.text}</span>
                </span>
              </li>
            ))}
          </ul>
        </Part>
      )}
      {call.alternatives.schools.length > 0 && (
        <Part title="What other schools would call">
          <ul className="grid gap-2">
            {call.alternatives.schools.map((school) => (
              <li key={school.schoolId}>
                <span className="flex items-baseline justify-between gap-3">
                  <b>{school.schoolName}</b>
                  <span className={school.same ? 'text-quiet' : 'font-semibold text-forge'}>
                    {school.same ? 'the same' : school.choice ? GRIP_NAMES[school.choice] : 'leave it out'}
                  </span>
                </span>
                {!school.same && <span className="block text-sm text-quiet">{school.why}</span>}
              </li>
            ))}
          </ul>
        </Part>
      )}
    </>
  );
}

function AboutHold({ hold, headRef }: { hold: HoldPrescription; headRef: HeadRef }): ReactElement {
  const unit = useUnit();
  return (
    <>
      <h2 ref={headRef} tabIndex={-1} className="pr-8 text-2xl outline-none">
        {HOLD_KINDS_BY_ID[hold.kind].name} {formatMass(hold.load, unit)}, {hold.sets} × {hold.seconds} s
      </h2>
      <p className="text-sm text-quiet">{percent(hold.probability)} to reach the time on the last set.</p>
      <Reasons reasons={hold.why} />
      <Part title="Set it up">
        <p>{hold.pins}</p>
      </Part>
      <Part title="Cautions">
        <div className="grid gap-1.5">
          {hold.cautions.map((text) => (
            <Caution key={text}>{text}</Caution>
          ))}
        </div>
      </Part>
    </>
  );
}

function Reasons({ reasons }: { reasons: readonly Reason[] }): ReactElement {
  return (
    <Part title="Why">
      <ul className="grid gap-2.5">
        {reasons.map((reason) => (
          <li
            key={reason.text}
            data-rule={reason.ruleId}
            className={
              reason.rank === 'safety' ? 'border-l-4 border-oxblood pl-3' : 'border-l-4 border-rule pl-3'
            }
          >
            {reason.text}
            <span className="label block">{REASON_RANK_NAMES[reason.rank]}</span>
          </li>
        ))}
      </ul>
    </Part>
  );
}

function Part({ title, children }: { title: string; children: ReactNode }): ReactElement {
  return (
    <section className="mt-4 border-t border-rule pt-2">
      <h3 className="mb-2 text-lg">{title}</h3>
      {children}
    </section>
  );
}
