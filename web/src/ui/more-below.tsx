import { ChevronDown } from 'lucide-react';
import { useEffect, useRef, useState, type ReactElement, type RefObject } from 'react';

/** Whether an element lies out of sight in its parent that scrolls: nobody scrolls for what nothing hints at. */
export function useOutOfSight(): readonly [RefObject<HTMLSpanElement | null>, boolean] {
  const last = useRef<HTMLSpanElement>(null);
  const [hidden, setHidden] = useState(false);
  useEffect(() => {
    // Told after the page is drawn: asked, it would be laid out once more for it.
    const watch = new IntersectionObserver((seen) => setHidden(!seen.at(-1)!.isIntersecting));
    watch.observe(last.current!);
    return () => watch.disconnect();
  }, []);
  return [last, hidden];
}

/** A hint at the lower edge of what scrolls. The part itself is scrolled by finger and by key. */
export function MoreBelow(): ReactElement {
  return (
    <p
      aria-hidden
      className="pointer-events-none sticky bottom-0 mx-auto flex w-fit items-center gap-1 rounded-sm border border-edge bg-raised px-2 text-sm"
    >
      <ChevronDown size={14} /> more below
    </p>
  );
}
