/** ms after which it is done all the same: a page that nobody sees paints nothing. */
const UNSEEN = 200;

/**
 * Does something once what was just changed is painted, so that a tap is seen before its consequences are worked out: the
 * frame after the next has begun by then.
 * @returns what calls it off.
 */
export function afterPaint(work: () => void): () => void {
  const callOff = (): void => {
    clearTimeout(timer);
    cancelAnimationFrame(frame);
  };
  const done = (): void => {
    callOff();
    work();
  };
  const timer = setTimeout(done, UNSEEN);
  let frame = requestAnimationFrame(() => {
    frame = requestAnimationFrame(done);
  });
  return callOff;
}
