import { useRef, type ReactElement } from 'react';
import { useNavigate } from 'react-router';
import { useIsCoach } from '../../data/session/use-is-coach.ts';
import { useStartAudit } from '../../data/training/floor.ts';
import { Button } from '../../ui/button.tsx';
import { Failed } from '../../ui/states.tsx';

/** Logged holds and bare sets, older ones weighing less, below which an audit says more than a week of training. */
const FEW = 4;
/** Days before a meet in which the hands rest: what an audit would tell comes too late. */
const RESTING = 2;

/** Where the log says little of the hands: a short audit, and the way to its floor. */
export function AuditOffer({
  lifterId,
  name,
  logged,
  meetIn,
}: {
  lifterId: string;
  name: string;
  /** What stands behind the curve, as the fit weighs it: of a lifter long away little is left. */
  logged: number;
  /** Days to the next meet; null without one. */
  meetIn: number | null;
}): ReactElement | null {
  const coach = useIsCoach();
  const start = useStartAudit(lifterId);
  const navigate = useNavigate();
  const id = useRef(crypto.randomUUID());
  if (!coach || logged >= FEW || (meetIn !== null && meetIn <= RESTING)) return null;
  return (
    <section aria-label="Grip audit" className="mb-4 border-l-4 border-verdigris pl-3">
      <p>
        <b>The log says little of these hands yet.</b> A grip audit asks three or four holds and sets well
        short of the limit, each chosen by how much doubt it removes, and ends in first calls for {name}.
      </p>
      {start.error && <Failed error={start.error} />}
      <Button
        className="mt-1"
        disabled={start.isPending}
        onClick={() => start.mutate(id.current, { onSuccess: () => void navigate(`/floor/${id.current}`) })}
      >
        Audit the grip today
      </Button>
    </section>
  );
}
