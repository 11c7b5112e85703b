import type { HoldDecisionView } from '@iron-clasp/contract';
import type { HoldPrescription } from '@iron-clasp/core';
import { useState, type ReactElement } from 'react';
import { Link } from 'react-router';
import { useDecideHold, useUndoHoldDecision } from '../../data/holds/holds.ts';
import { Button } from '../../ui/button.tsx';
import { Failed } from '../../ui/states.tsx';

interface DecideHoldProps {
  readonly hold: HoldPrescription;
  readonly decision: HoldDecisionView | null;
  readonly lifterId: string;
  readonly sessionId: string;
}

/** Accepts a hold where it stands on the sheet, or leaves it out; what was decided is taken back there too. */
export function DecideHold({ hold, decision, lifterId, sessionId }: DecideHoldProps): ReactElement {
  const decide = useDecideHold(lifterId);
  const undo = useUndoHoldDecision(lifterId);
  // One id a decision: sent again after a lost answer it is still the same.
  const [id, setId] = useState(() => crypto.randomUUID());
  const send = (what: 'accepted' | 'skipped'): void =>
    decide.mutate(
      { sessionId, id, body: { kind: hold.kind, what } },
      { onSuccess: () => setId(crypto.randomUUID()) },
    );
  const failed = decide.error ?? undo.error;
  return (
    <div className="flex flex-wrap items-center gap-2">
      {decision ? (
        <>
          <span className="text-verdigris">
            {decision.what} by {decision.by}
          </span>
          <Button disabled={undo.isPending} onClick={() => undo.mutate({ sessionId, id: decision.id })}>
            Undo
          </Button>
        </>
      ) : (
        <>
          <Button
            data-accept
            disabled={decide.isPending || Boolean(hold.barred)}
            onClick={() => send('accepted')}
          >
            Accept
          </Button>
          <Button disabled={decide.isPending} onClick={() => send('skipped')}>
            Skip
          </Button>
          <Link to={`/lifters/${lifterId}/holds`} className="py-1.5 underline underline-offset-4">
            Edit
          </Link>
        </>
      )}
      {failed && <Failed error={failed} />}
    </div>
  );
}
