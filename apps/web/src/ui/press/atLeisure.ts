/** Leisure is not waited for longer than this, in ms. */
const MOST_WAIT_MS = 2000;
/** Where a browser tells nothing of its leisure, in ms. */
const PAUSE_MS = 50;

/** Ends when the page has nothing else to do, so that what comes then keeps no press waiting. */
export const leisure = (): Promise<void> =>
  new Promise((done) => {
    if ("requestIdleCallback" in globalThis) {
      requestIdleCallback(() => done(), { timeout: MOST_WAIT_MS });
    } else setTimeout(done, PAUSE_MS);
  });

/** Does one deed after the other, each when the page has nothing else to do. */
export async function atLeisure(deeds: readonly (() => unknown)[]): Promise<void> {
  for (const deed of deeds) {
    await leisure();
    await deed();
  }
}
