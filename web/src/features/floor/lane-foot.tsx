import { ArrowLeft, Flag, HeartPulse, ListChecks, Timer, Undo2 } from 'lucide-react';
import { memo, useEffect, useMemo, useRef, type ReactElement } from 'react';
import { Link, useParams } from 'react-router';
import { Button } from '../../ui/button.tsx';

const LINK = 'inline-flex min-h-11 min-w-11 items-center gap-1 px-1';
const FOOT =
  'flex min-h-[clamp(3.25rem,8dvh,4.5rem)] flex-col items-center justify-center gap-0.5 px-1 text-sm leading-tight sm:flex-row sm:gap-2 sm:text-base';

/** Where a session is ended, with the way back to the lanes beside it. */
export const endOf = (sessionId: string, lanes: string): string =>
  `/sessions/${sessionId}/end${lanes === sessionId ? '' : `?floor=${lanes}`}`;

interface FootProps {
  readonly sessionId: string;
  readonly canUndo: boolean;
  readonly canHold: boolean;
  readonly onUndo: () => void;
  readonly onList: () => void;
  readonly onHold: () => void;
  /** The lifter is unwell: the lane stands still. */
  readonly unwell: boolean;
  readonly onUnwell: () => void;
}

/** The keys under every lane. Most taps change none of them: then they are not drawn anew, whatever they would do now. */
export function Foot(props: FootProps): ReactElement {
  const latest = useRef(props);
  useEffect(() => {
    latest.current = props;
  });
  const { sessionId, canUndo, canHold, unwell } = props;
  const { sessionIds = sessionId } = useParams();
  return useMemo(
    () => (
      <div className="grid grow grid-cols-5 gap-1">
        <Button className={FOOT} disabled={!canUndo} onClick={() => latest.current.onUndo()}>
          <Undo2 size={20} aria-hidden /> Undo
        </Button>
        <Button className={FOOT} onClick={() => latest.current.onList()}>
          <ListChecks size={20} aria-hidden /> All sets
        </Button>
        <Button className={FOOT} disabled={!canHold} onClick={() => latest.current.onHold()}>
          <Timer size={20} aria-hidden />
          <span>
            <span className="max-sm:sr-only">To the </span>hold
          </span>
        </Button>
        <Button className={FOOT} disabled={unwell} onClick={() => latest.current.onUnwell()}>
          <HeartPulse size={20} aria-hidden /> Unwell
        </Button>
        <Link to={endOf(sessionId, sessionIds)} className={`${FOOT} rounded-sm border border-edge bg-raised`}>
          <Flag size={20} aria-hidden /> End
        </Link>
      </div>
    ),
    [sessionId, sessionIds, canUndo, canHold, unwell],
  );
}

/** The way back to the lifter's sheet. */
export const ToSheet = memo(function ToSheet({ lifterId }: { lifterId: string }): ReactElement {
  return (
    <Link to={`/lifters/${lifterId}/calls`} className={LINK}>
      <ArrowLeft size={22} aria-hidden /> Sheet
    </Link>
  );
});
