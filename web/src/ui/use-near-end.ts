import { useEffect, useRef, type RefObject } from 'react';

/** Calls `reach` when the element it is put on scrolls into sight, for lists that go on. */
export function useNearEnd(reach: () => void, wanted: boolean): RefObject<HTMLParagraphElement | null> {
  const end = useRef<HTMLParagraphElement>(null);
  const latest = useRef(reach);
  useEffect(() => {
    latest.current = reach;
  });
  useEffect(() => {
    if (!wanted || !end.current) return;
    const watch = new IntersectionObserver((seen) => {
      if (seen.some((each) => each.isIntersecting)) latest.current();
    });
    watch.observe(end.current);
    return () => watch.disconnect();
  }, [wanted]);
  return end;
}
