import { SIDES, START_DEPTH_NAMES } from '@iron-clasp/core';
import type { FloorView, GrippersView } from '@iron-clasp/contract';
import { useState, type ReactElement } from 'react';
import { useGrippers } from '../../data/grippers/grippers.ts';
import { outbox } from '../../offline/own-outbox.ts';
import { useWaiting } from '../../offline/use-outbox.ts';
import { Button } from '../../ui/button.tsx';
import { percent } from '../../ui/figures.ts';
import { Caution, Failed, Loading } from '../../ui/states.tsx';
import { gripperSteps, type GripperStep } from './gripper-steps.ts';
import { Middle } from './middle.tsx';
import { FIRST, SECOND } from './panel-sizes.ts';

interface GripperLaneProps {
  readonly session: FloorView['calls']['session'];
  readonly accountId: string;
  /** The moment an attempt is dated to. */
  readonly moment: () => string;
  readonly onClose: () => void;
}

/** The gripper session of the day as a lane: one set of one hand large, told by one tap, undone by another. */
export function GripperLane(props: GripperLaneProps): ReactElement {
  const grippers = useGrippers(props.session.lifterId);
  if (grippers.isPending) return <Loading what="the grippers" lines={6} />;
  if (!grippers.data)
    return (
      <div className="p-4">
        <Failed error={grippers.error} retry={() => void grippers.refetch()} />
        <Button onClick={props.onClose}>Back to the lane</Button>
      </div>
    );
  // The plan as it stands when the lane opens: an attempt moves the ladder, but not the session under way.
  return <Steps {...props} view={grippers.data} />;
}

/** What was told of a step on this device: the id of its attempt, null where it was skipped. */
type Told = Readonly<Record<string, string | null>>;

function Steps({
  session,
  accountId,
  moment,
  onClose,
  view,
}: GripperLaneProps & { readonly view: GrippersView }): ReactElement {
  const [{ plans }] = useState(view);
  const [told, setTold] = useState<Told>({});
  const waiting = useWaiting().filter((entry) => entry.kind === 'gripper' && entry.sessionId === session.id);
  const steps = gripperSteps(plans);
  const now = steps.find(({ key }) => !(key in told));
  const behind = steps.filter(({ key }) => key in told);
  const last = behind.at(-1);
  const common = { sessionId: session.id, lifterId: session.lifterId, accountId, kind: 'gripper' as const };
  const tell = ({ key, side, work }: GripperStep, closed: boolean): void => {
    const id = crypto.randomUUID();
    outbox.say({
      ...{ ...common, id },
      body: { gripperId: work.gripper.id, hand: side, depth: 'open', closed, doneAt: moment() },
    });
    setTold({ ...told, [key]: id });
  };
  const takeBack = (): void => {
    if (!last) return;
    const { [last.key]: id, ...rest } = told;
    if (id) outbox.say({ ...common, id, body: null });
    setTold(rest);
  };
  return (
    <section aria-label="Grippers" className="flex min-h-0 grow flex-col">
      <div className="flex shrink-0 items-center gap-3 border-b border-rule px-3 py-1">
        <h2 className="mr-auto text-xl">Grippers</h2>
        <span role="status" className="figures text-lg text-quiet">
          {behind.length} of {steps.length}
          {waiting.length > 0 && <span className="text-ochre"> · {waiting.length} waiting</span>}
        </span>
        <Button className="min-h-12 px-4" onClick={onClose}>
          To the lane
        </Button>
      </div>
      {/* A phone held across has no height for one below the other. */}
      <div className="flex min-h-0 grow flex-col flat:flex-row">
        <Middle className="gap-2 px-3 flat:gap-1">
          {SIDES.map((side) => {
            const { barred } = plans[side];
            return (
              barred && (
                <div key={side} className="text-left">
                  <Caution stop>
                    {side}: {barred.text}
                  </Caution>
                </div>
              )
            );
          })}
          {now ? (
            <>
              <p className="text-xl text-quiet">
                {now.words} {now.set} of {now.work.sets}
              </p>
              <div className="flex flex-col items-center flat:flex-row flat:items-baseline flat:gap-x-3">
                <p className="figures text-5xl leading-none font-semibold capitalize spacious:text-7xl">
                  {now.side}
                </p>
                <p className="text-3xl font-semibold">{now.work.gripper.name}</p>
              </div>
              <p className="figures text-2xl">
                {now.work.reps} {now.work.reps === 1 ? 'close' : 'closes'}
                {now.work.seconds !== undefined && `, ${now.work.seconds} s each`}, {START_DEPTH_NAMES.open}
              </p>
              <p className="figures text-lg text-quiet">{percent(now.work.probability)} to close it</p>
              <p className="hidden max-w-xl leading-tight spacious:block">{now.work.reason.text}</p>
            </>
          ) : (
            <>
              <p className="text-3xl font-semibold">{steps.length > 0 ? 'All done' : 'No grippers today'}</p>
              {steps.length > 0 && (
                <p className="text-xl">
                  Opening after: band, {plans.right.opening.sets} × {plans.right.opening.reps}
                </p>
              )}
              {steps.length === 0 && <p className="max-w-xl text-quiet">{plans.right.why[0]?.text}</p>}
            </>
          )}
        </Middle>
        <div className="grid w-full max-w-2xl shrink-0 gap-2 self-center px-3 py-2 flat:w-1/2">
          {now && (
            <Button look="action" className={`text-2xl ${FIRST}`} onClick={() => tell(now, true)}>
              Closed
            </Button>
          )}
          <div className="grid auto-cols-fr grid-flow-col gap-2">
            {now && (
              <>
                <Button className={`text-xl ${SECOND}`} onClick={() => tell(now, false)}>
                  Not closed
                </Button>
                <Button className={`text-xl ${SECOND}`} onClick={() => setTold({ ...told, [now.key]: null })}>
                  Skip
                </Button>
              </>
            )}
            <Button className={`text-xl ${SECOND}`} disabled={!last} onClick={takeBack}>
              Undo set
            </Button>
          </div>
        </div>
      </div>
    </section>
  );
}
