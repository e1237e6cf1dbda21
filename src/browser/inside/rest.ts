/// <reference lib="dom" />
// What runs in the page, in a world of its own: its text is sent there, so each function stands alone and imports nothing.

/** Ends what moves and will end; what moves for ever stands still. Answers how many of each there were. */
export function stillAnimations(): string {
  let ended = 0;
  let held = 0;
  for (const animation of document.getAnimations()) {
    const end = animation.effect?.getComputedTiming().endTime;
    if (end !== undefined && Number(end) !== Number.POSITIVE_INFINITY) {
      try {
        animation.finish();
        ended++;
      } catch {
        animation.pause();
      }
    } else {
      animation.pause();
      held++;
    }
  }
  return JSON.stringify({ ended, held });
}

/**
 * Waits until fonts are there and nothing of the document has changed for a while; false where that never came. What has
 * looked different and as before in turn is watched for as long as it takes to say that it goes on.
 * @param goesOn how long something must go on by itself, in milliseconds
 */
export async function waitForRest(
  quiet: number,
  least: number,
  most: number,
  goesOn: number,
): Promise<string> {
  const start = performance.now();
  await Promise.race([document.fonts.ready, new Promise((done) => setTimeout(done, most))]);
  let last = performance.now();
  const looks = new Map<Element, { before: string[]; turns: number; first: number; last: number }>();
  const look = (element: Element): string => {
    const { visibility, opacity, color, backgroundColor, transform, display } = getComputedStyle(element);
    const { left, top, width, height } = element.getBoundingClientRect();
    const text = (element.textContent ?? "").slice(0, 200);
    return [
      visibility,
      opacity,
      color,
      backgroundColor,
      transform,
      display,
      left,
      top,
      width,
      height,
      text,
    ].join(" ");
  };
  const observer = new MutationObserver((records) => {
    last = performance.now();
    const changed = new Set(
      records.map(({ target }) => (target.nodeType === 1 ? target : target.parentElement)),
    );
    for (const element of changed) {
      if (!(element instanceof Element) || looks.size > 200) continue;
      const now = look(element);
      const known = looks.get(element);
      if (known === undefined) looks.set(element, { before: [now], turns: 0, first: last, last });
      else if (known.before.at(-1) !== now) {
        known.turns++;
        known.last = last;
        if (!known.before.includes(now) && known.before.length < 3) known.before.push(now);
        else known.before.push(...known.before.splice(known.before.indexOf(now), 1));
      }
    }
  });
  observer.observe(document, { subtree: true, childList: true, attributes: true, characterData: true });
  const until = (isOver: (now: number) => boolean | null) =>
    new Promise<boolean>((done) => {
      const ask = () => {
        const answer = isOver(performance.now());
        if (answer === null) setTimeout(ask, 25);
        else done(answer);
      };
      ask();
    });
  const rests = await until((now) =>
    now - last >= quiet && now - start >= least ? true : now - start >= most ? false : null,
  );
  // What has changed twice is watched until it stops, or has gone on for long enough.
  const changing = () => [...looks.values()].filter(({ turns }) => turns > 0);
  await until((now) =>
    changing().every((one) => now - one.last > 3 * quiet || now - one.first > goesOn + quiet) ? true : null,
  );
  observer.disconnect();
  const going = [...looks].filter(
    ([, one]) => one.before.length === 2 && one.last - one.first >= goesOn - quiet,
  );
  (globalThis as unknown as { keelBlinks: Set<Element> }).keelBlinks = new Set(
    going.map(([element]) => element),
  );
  return JSON.stringify(rests);
}

/** Waits until nothing of the document has changed for a while, or as long as is allowed. */
export async function waitForQuiet(quiet: number, most: number): Promise<string> {
  const start = performance.now();
  let last = start;
  const observer = new MutationObserver(() => {
    last = performance.now();
  });
  observer.observe(document, { subtree: true, childList: true, attributes: true, characterData: true });
  while (performance.now() - last < quiet && performance.now() - start < most)
    await new Promise((done) => setTimeout(done, 25));
  observer.disconnect();
  return "true";
}

/** Scrolls through the page once, for what comes only when it is seen, and back to where it was. */
export async function scrollThrough(): Promise<string> {
  const root = document.scrollingElement ?? document.documentElement;
  const [left, top] = [scrollX, scrollY];
  // What waits to be seen is told of it in a frame; a window that draws none does not hold up the rest.
  const frame = () =>
    Promise.race([
      new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(() => setTimeout(done, 10)))),
      new Promise((done) => setTimeout(done, 200)),
    ]);
  let steps = 0;
  for (let y = innerHeight; y < root.scrollHeight && steps < 40; y += innerHeight, steps++) {
    scrollTo({ left, top: y, behavior: "instant" });
    await frame();
  }
  scrollTo({ left, top, behavior: "instant" });
  return JSON.stringify(steps);
}
