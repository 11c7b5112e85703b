/** How long a page is watched before it is asked anew, ms: what is shown by style alone changes nothing in it. */
const WATCHED = 5_000;

/** Between two looks at a page that changes all the time, ms: each look lays it out. */
const BETWEEN = 100;

/** A script that looks now, and again whenever the page has changed. */
export const WATCH = (look: string): string => `
  const args = [...arguments], done = args.pop();
  const said = (element) => element.textContent.replaceAll(/[\\s\\u00a0]+/g, ' ').trim();
  const find = () => { ${look} };
  let last = 0, waiting = false, over = false;
  const finish = (found) => {
    if (over) return;
    over = true;
    observer.disconnect();
    clearInterval(timer);
    done(found);
  };
  const check = () => {
    waiting = false;
    last = performance.now();
    let found;
    // The page may redraw between finding and reading an element: that is "not yet".
    try { found = find(); } catch { return; }
    if (found) finish(found);
  };
  const observer = new MutationObserver(() => {
    if (waiting || over) return;
    const since = performance.now() - last;
    if (since > ${BETWEEN}) check();
    else { waiting = true; setTimeout(check, ${BETWEEN} - since); }
  });
  observer.observe(document, { subtree: true, childList: true, characterData: true, attributes: true });
  const timer = setInterval(() => (performance.now() - start > ${WATCHED} ? finish(null) : check()), 200);
  const start = performance.now();
  check();`;
