/**
 * What a press brings about is often more than a slow machine does in a frame. Whoever pressed sees
 * first that it was heard: the rest comes when that is on the screen, and in any case before the
 * next press, which finds everything as the one before it left it.
 */
const waiting: (() => void)[] = [];

/** A page that is hidden paints nothing; what waits is done all the same. In ms. */
const NO_PAINT_MS = 200;

/** What waits now; what that asks for in turn waits for the frame after. */
function doWaiting(): void {
  for (const deed of waiting.splice(0)) {
    try {
      deed();
    } catch (error) {
      // The others are somebody's presses too.
      reportError(error);
    }
  }
}

/** All of it, also what it asks for in turn: the next press finds nothing half done. */
export function doWhatWaits(): void {
  while (waiting.length > 0) doWaiting();
}

/** A click that follows its own press is no further one; keys and forms send clicks alone. */
const isAlone = (e: Event): boolean => !(e instanceof MouseEvent) || e.detail === 0;

/** The next presses, the way back and the page's end, by the names that the browser calls them by. */
const NEXT = ["pointerdown", "pointerup", "keydown", "submit", "popstate", "pagehide"] as const;

let listening = false;
function listen(): void {
  if (listening) return;
  listening = true;
  for (const type of NEXT) window.addEventListener(type, doWhatWaits, { capture: true });
  window.addEventListener("click", (e) => isAlone(e) && doWhatWaits(), { capture: true });
}

/** Does it once what was pressed has been painted, and before anything else is pressed. */
export function afterPaint(deed: () => void): void {
  listen();
  waiting.push(deed);
  if (waiting.length > 1) return;
  requestAnimationFrame(() => setTimeout(doWaiting));
  setTimeout(doWhatWaits, NO_PAINT_MS);
}
