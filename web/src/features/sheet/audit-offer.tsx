import { useRef, type ReactElement } from 'react';
import { useNavigate } from 'react-router';
import { useIsCoach } from '../../data/session/use-is-coach.ts';
import { useStartAudit } from '../../data/training/floor.ts';
import { Button } from '../../ui/button.tsx';
import { Failed } from '../../ui/states.tsx';

/** Logged holds and bare sets below which an audit says more than another week of training. */
const FEW = 6;

/** Where the log says little of the hands: a short audit, and the way to its floor. */
export function AuditOffer({
  lifterId,
  name,
  observations,
}: {
  lifterId: string;
  name: string;
  observations: number;
}): ReactElement | null {
  const coach = useIsCoach();
  const start = useStartAudit(lifterId);
  const navigate = useNavigate();
  const id = useRef(crypto.randomUUID());
  if (!coach || observations >= FEW) return null;
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
