import { useRef, type ReactElement } from 'react';
import { useNavigate } from 'react-router';
import { useIsCoach } from '../../data/session/use-is-coach.ts';
import { useStartAudit } from '../../data/training/floor.ts';
import { Button } from '../../ui/button.tsx';
import { Failed } from '../../ui/states.tsx';

/** Logged holds and bare sets, older ones weighing less, below which an audit says more than a week of training. */
const FEW = 4;
/** Days without a bare-handed set after which hands are another matter than the log has them: eight weeks. */
const LONG_AWAY = 56;
/** Days before a meet in which the hands rest: what an audit would tell comes too late. */
const RESTING = 2;

/** Where the log says little of the hands, or nothing of late: a short audit, and the way to its floor. */
export function AuditOffer({
  lifterId,
  name,
  logged,
  heldDaysAgo,
  meetIn,
}: {
  lifterId: string;
  name: string;
  /** What stands behind the curve, as the fit weighs it. */
  logged: number;
  /** Days since the last logged hold or bare-handed set; null where there is none. */
  heldDaysAgo: number | null;
  /** Days to the next meet; null without one. */
  meetIn: number | null;
}): ReactElement | null {
  const coach = useIsCoach();
  const start = useStartAudit(lifterId);
  const navigate = useNavigate();
  const id = useRef(crypto.randomUUID());
  const away = heldDaysAgo !== null && heldDaysAgo >= LONG_AWAY;
  if (!coach || (logged >= FEW && !away) || (meetIn !== null && meetIn <= RESTING)) return null;
  return (
    <section aria-label="Grip audit" className="mb-4 border-l-4 border-verdigris pl-3">
      <p>
        <b>
          {away
            ? `Nothing has been held bare-handed for ${Math.floor(heldDaysAgo / 7)} weeks.`
            : 'The log says little of these hands yet.'}
        </b>{' '}
        A grip audit asks three or four holds and sets well short of the limit, each chosen by how much doubt
        it removes, and ends in first calls for {name}.
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
