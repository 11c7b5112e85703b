import {
  defaultRangeExtractor,
  useVirtualizer,
  useWindowVirtualizer,
  type Range,
  type Virtualizer,
} from '@tanstack/react-virtual';
import { useLayoutEffect, useRef, useState, type ReactElement, type RefObject } from 'react';

interface LongListProps<Item> {
  readonly items: readonly Item[];
  readonly keyOf: (item: Item) => string;
  /** About how high an item is before it was drawn, px. */
  readonly height: (item: Item) => number;
  /** The item that stays drawn wherever the reader scrolls: what is typed in it is not lost. */
  readonly held?: string | null;
  readonly children: (item: Item) => ReactElement;
}

/** Items drawn beyond what is in sight, on each side. */
const BEYOND = 10;

/** A list of any length in the page: only what is near the reader's sight is drawn. */
export function LongList<Item>(props: LongListProps<Item>): ReactElement {
  const list = useRef<HTMLUListElement>(null);
  const above = useAbove(list);
  return (
    <Drawn
      {...props}
      list={list}
      above={above}
      all={useWindowVirtualizer({ ...optionsOf(props), scrollMargin: above })}
    />
  );
}

/** The same inside its parent, which scrolls by itself; above the list nothing else stands in it. */
export function LongListIn<Item>(props: LongListProps<Item>): ReactElement {
  const list = useRef<HTMLUListElement>(null);
  const [start] = useState(() => ({ width: window.innerWidth, height: window.innerHeight }));
  const all = useVirtualizer<HTMLElement, HTMLLIElement>({
    ...optionsOf(props),
    // Drawn with the rest of the page at once, as for the whole window: it is told its own height once that is laid out.
    initialRect: start,
    observeElementRect: watchHeight,
    measureElement: heightOf,
    // Asked of the list: what stands around it is told its own element only after the list was to be drawn.
    getScrollElement: () => list.current?.parentElement ?? null,
  });
  return <Drawn {...props} list={list} above={0} all={all} />;
}

/** Measured by itself, a page that is being drawn is laid out once for each who asks, and once more when all is there. */
function watchHeight(
  { scrollElement }: Virtualizer<HTMLElement, HTMLLIElement>,
  tell: (size: { width: number; height: number }) => void,
): (() => void) | undefined {
  if (!scrollElement) return undefined;
  const watch = new ResizeObserver(([entry]) => {
    const { width, height } = entry!.contentRect;
    tell({ width: Math.round(width), height: Math.round(height) });
  });
  watch.observe(scrollElement);
  return () => watch.disconnect();
}

/** How high an item came out; before it was laid out, what is reckoned with, or what it was before. */
function heightOf(
  item: HTMLLIElement,
  entry: ResizeObserverEntry | undefined,
  { itemSizeCache, options, indexFromElement }: Virtualizer<HTMLElement, HTMLLIElement>,
): number {
  const laidOut = entry?.borderBoxSize[0];
  if (laidOut) return Math.round(laidOut.blockSize);
  const index = indexFromElement(item);
  return itemSizeCache.get(options.getItemKey(index)) ?? options.estimateSize(index);
}

function optionsOf<Item>({ items, keyOf, height, held }: LongListProps<Item>): {
  count: number;
  overscan: number;
  getItemKey: (index: number) => string;
  estimateSize: (index: number) => number;
  rangeExtractor: (range: Range) => number[];
} {
  return {
    count: items.length,
    overscan: BEYOND,
    getItemKey: (index) => keyOf(items[index]!),
    estimateSize: (index) => height(items[index]!),
    rangeExtractor: (range) => {
      const near = defaultRangeExtractor(range);
      const at = held ? items.findIndex((each) => keyOf(each) === held) : -1;
      return at < 0 || near.includes(at) ? near : [...near, at].sort((a, b) => a - b);
    },
  };
}

interface DrawnProps<Item> extends LongListProps<Item> {
  readonly all: Virtualizer<HTMLElement, HTMLLIElement> | Virtualizer<Window, HTMLLIElement>;
  readonly list: RefObject<HTMLUListElement | null>;
  readonly above: number;
}

function Drawn<Item>({ items, all, list, above, children }: DrawnProps<Item>): ReactElement {
  return (
    <ul ref={list} className="relative" style={{ height: all.getTotalSize() }}>
      {all.getVirtualItems().map(({ key, index, start }) => (
        <li
          key={key}
          ref={all.measureElement}
          data-index={index}
          aria-setsize={items.length}
          aria-posinset={index + 1}
          className="absolute inset-x-0 top-0"
          style={{ transform: `translateY(${start - above}px)` }}
        >
          {children(items[index]!)}
        </li>
      ))}
    </ul>
  );
}

/** How much of the page stands above an element, px; what changes above it moves it. */
function useAbove(of: RefObject<HTMLElement | null>): number {
  const [above, setAbove] = useState(0);
  useLayoutEffect(() => {
    // Looks once at the start, too.
    const watch = new ResizeObserver(() => {
      if (of.current) setAbove(Math.round(of.current.getBoundingClientRect().top + window.scrollY));
    });
    watch.observe(document.body);
    return () => watch.disconnect();
  }, [of]);
  return above;
}
