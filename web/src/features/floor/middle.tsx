import clsx from 'clsx';
import { useLayoutEffect, useRef, type ReactElement, type ReactNode, type RefObject } from 'react';

/** From how much height on the middle may be drawn larger, rem. The words are the variants of `app/styles.css`. */
const ROOMS = { roomy: 13, spacious: 20, vast: 30 } as const;

interface MiddleProps {
  /** How what is in it stands, one below the other. */
  readonly className: string;
  /** The part that scrolls, where its owner moves it. */
  readonly part?: RefObject<HTMLDivElement | null>;
  readonly onScroll?: () => void;
  /** What lies over the lower edge. */
  readonly over?: ReactNode;
  readonly children: ReactNode;
}

/**
 * The middle of the floor: what is read, in the height that is left once everything that is tapped stands on the screen.
 *
 * It says its height in an attribute. A container asked by its height would have the style of all that is in it made anew
 * whenever a word changes anywhere on the page, which is three quarters of the layout after a tap.
 */
export function Middle({ className, part, onScroll, over, children }: MiddleProps): ReactElement {
  const own = useRef<HTMLDivElement>(null);
  const ref = part ?? own;
  useLayoutEffect(() => {
    const element = ref.current!;
    const rem = Number.parseFloat(getComputedStyle(document.documentElement).fontSize);
    const watch = new ResizeObserver(([entry]) => {
      element.dataset['room'] = roomIn(entry!.contentRect.height / rem);
    });
    watch.observe(element);
    return () => watch.disconnect();
  }, [ref]);
  return (
    <div
      ref={ref}
      onScroll={onScroll}
      // On the smallest screens it scrolls, by key too.
      tabIndex={0}
      className="min-h-0 grow overflow-y-auto outline-offset-[-2px] flat:basis-1/2"
    >
      <div className={clsx('flex min-h-full flex-col items-center justify-center text-center', className)}>
        {children}
      </div>
      {over}
    </div>
  );
}

/** The words for a height in rem, all that hold. */
function roomIn(height: number): string {
  return Object.entries(ROOMS)
    .filter(([, least]) => height >= least)
    .map(([word]) => word)
    .join(' ');
}
