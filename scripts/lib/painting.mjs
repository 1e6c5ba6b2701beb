/** How long it takes from a press on the bench to the screen, and how evenly signals play. */
import { existsSync } from "node:fs";
import { whole } from "./chromium.mjs";

const PRESSES = 61;

const PLAY_MS = 4000;

/** Frames a second while the signals play, at 1280x800: the middle of what the screen made. */
async function playback(page) {
  await page.getByRole("link", { name: "Board" }).click();
  await page.getByRole("link", { name: "Box lamp: run, turn, brake" }).first().click();
  await page.getByRole("link", { name: "Signals" }).click();
  await page.getByRole("button", { name: "Play", exact: true }).click();
  return page.evaluate(
    (ms) =>
      new Promise((done) => {
        const gaps = [];
        const began = performance.now();
        let last = began;
        const tick = (now) => {
          gaps.push(now - last);
          last = now;
          if (now - began < ms) requestAnimationFrame(tick);
          else {
            gaps.shift();
            gaps.sort((a, b) => a - b);
            done({
              mean: (1000 * gaps.length) / gaps.reduce((sum, g) => sum + g, 0),
              p95Ms: gaps[Math.floor(gaps.length * 0.95)],
            });
          }
        };
        requestAnimationFrame(tick);
      }),
    PLAY_MS,
  );
}

/** From a key on the bench to the frame that shows its strips, in headless Chromium; null without it. */
export async function painting(url) {
  if (!existsSync(whole().executablePath)) return null;
  const { chromium } = await import("@playwright/test");
  const browser = await chromium.launch(whole());
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    await page.goto(url);
    await page.getByLabel("Sign-in").fill("pim");
    await page.getByLabel("Password").fill("lamp-and-loom");
    await page.getByRole("button", { name: "Sign in" }).click();
    await page.getByRole("link", { name: "Aux pods, brake flasher" }).first().click();
    await page.getByRole("link", { name: "Circuit" }).click();
    await page.getByRole("article", { name: "Aux pods" }).waitFor();
    const pressMs = await page.evaluate(async (presses) => {
      const strip = document.querySelector("article[aria-label='Aux pods']");
      const press = () =>
        new Promise((done) => {
          const began = performance.now();
          const seen = new MutationObserver(() => {
            seen.disconnect();
            // The frame after the change has it on the screen.
            requestAnimationFrame(() =>
              requestAnimationFrame(() => done(performance.now() - began)),
            );
          });
          seen.observe(strip, {
            subtree: true,
            childList: true,
            characterData: true,
            attributes: true,
          });
          window.dispatchEvent(new KeyboardEvent("keydown", { key: "h" }));
        });
      const times = [];
      for (let i = 0; i < presses; i += 1) {
        times.push(await press());
        // A hand presses at any moment of a frame.
        await new Promise((done) => setTimeout(done, 40 + ((i * 37) % 61)));
      }
      return times.sort((a, b) => a - b);
    }, PRESSES);
    return { pressMs, play: await playback(page) };
  } finally {
    await browser.close();
  }
}
