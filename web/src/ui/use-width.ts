import { useLayoutEffect, useRef, useState, type RefObject } from 'react';

/** The width of an element in px, followed as it changes. */
export function useWidth<Element extends HTMLElement>(): [RefObject<Element | null>, number] {
  const ref = useRef<Element>(null);
  const [width, setWidth] = useState(0);
  useLayoutEffect(() => {
    const element = ref.current;
    if (!element) return;
    const observer = new ResizeObserver(([entry]) => setWidth(Math.round(entry!.contentRect.width)));
    observer.observe(element);
    setWidth(Math.round(element.getBoundingClientRect().width));
    return () => observer.disconnect();
  }, []);
  return [ref, width];
}
