/** How a shop of very many jobs answers, and how soon its pages stand in a browser that has kept nothing. */
import { INSTALLER, askedMs, cookieOf } from "./asking.mjs";
import { whole } from "./chromium.mjs";
import { Failure } from "./fail.mjs";
import { percentile } from "./reading.mjs";

/** Askings of each list. */
const ASKED = 60;
/** Openings of each page. */
const OPENED = 10;

const SENTENCES = [
  "40 W bar on its own switch and two pods with high beam on the Fellrunner for Scar Top Farm by 2 Dec",
  "replace the tail lamp with LED turn lamps by adapters and horn relay brake strip",
];
/** What pages ask for, by the list that it is. */
const LISTS = {
  "the board": ["board"],
  "a stage": ["board/page?size=50&stage=intake", "board/page?size=50&stage=fit"],
  "jobs with a word": ["board?q=pods", "board?q=lambing", "board?q=petrel", "board?q=brake"],
  "jobs with two words": ["board?q=light bar", "board?q=tail lamp", "board?q=bra fla"],
  "beginnings that very many have": ["board?q=a", "board?q=p", "board?q=l b"],
  "jobs with work left": ["board/open"],
  "figures of the shop": ["board/figures"],
  "search over everything": ["search?q=lambing", "search?q=petrl", "search?q=scar farm"],
  "the shelf": ["shelf"],
  "the shelf by a word": ["shelf?q=relay", "shelf?q=lamp", "shelf?q=pod"],
  "the shelf by two beginnings": ["shelf?q=la li", "shelf?q=re mi", "shelf?q=po fl"],
  "lamps to choose from": ["shelf/choices?sorts=lamp"],
  "what a sentence means": SENTENCES.map((text) => `shelf/near?text=${text}`),
  "what is to be ordered": ["shelf/needs"],
  "the vehicles": ["profiles"],
};

/** Of each list the median and the 95th of a hundred of its times, in ms. */
export async function listTimes(url) {
  const cookie = await cookieOf(url);
  const told = {};
  for (const [name, paths] of Object.entries(LISTS)) {
    const times = [];
    // Each once before it counts.
    for (let nth = -paths.length; nth < ASKED; nth += 1) {
      const path = paths[(nth + paths.length) % paths.length];
      const ms = await askedMs(url, `/api/${encodeURI(path)}`, cookie);
      if (nth >= 0) times.push(ms);
    }
    times.sort((a, b) => a - b);
    told[name] = { p50: percentile(times, 0.5), p95: percentile(times, 0.95) };
  }
  return told;
}

/**
 * What a straight line of least squares through `times` says of another size, drawn over the jobs themselves, or over
 * what `scaleOf` makes of them: their logarithm is what the height of an index goes by.
 */
export function foretold(sizes, times, size, scaleOf = (jobs) => jobs) {
  const mean = (all) => all.reduce((sum, one) => sum + one, 0) / all.length;
  const over = sizes.map(scaleOf);
  const [x, y] = [mean(over), mean(times)];
  const slope =
    mean(over.map((one, i) => (one - x) * (times[i] - y))) /
    mean(over.map((one) => (one - x) ** 2));
  return y + slope * (scaleOf(size) - x);
}

/** What a page's first row is. */
const ROWS = { "/": 'main li a[href^="/jobs/"]', "/shelf": "main tbody tr" };

/** From asking for a page to the frame that shows its first row, nothing kept: ms of each opening. */
async function firstRow(browser, url, path) {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  try {
    const answer = await context.request.post(`${url}/api/session`, { data: INSTALLER });
    if (!answer.ok()) throw new Failure(`signing in was answered with ${answer.status()}`);
    const page = await context.newPage();
    await page.addInitScript((row) => {
      const look = () => {
        if (document.querySelector(row) === null) return requestAnimationFrame(look);
        // The frame after this one has it on the screen.
        return requestAnimationFrame(() => (window.firstRowAt = performance.now()));
      };
      requestAnimationFrame(look);
    }, ROWS[path]);
    await page.goto(url + path);
    return await (await page.waitForFunction(() => window.firstRowAt)).jsonValue();
  } finally {
    await context.close();
  }
}

/** From a letter typed into the board's search to the second frame after it: ms of each. */
async function typing(browser, url) {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  try {
    await context.request.post(`${url}/api/session`, { data: INSTALLER });
    const page = await context.newPage();
    await page.goto(url);
    const field = page.getByRole("searchbox").first();
    await field.click();
    await page.evaluate(() => {
      window.typedMs = [];
      document.addEventListener("input", ({ timeStamp }) =>
        requestAnimationFrame(() =>
          requestAnimationFrame(() => window.typedMs.push(performance.now() - timeStamp)),
        ),
      );
    });
    for (const word of ["petrel light bar", "brake flasher", "scar farm", "lambing watch"]) {
      await page.keyboard.type(word, { delay: 90 });
      await field.fill("");
    }
    return await page.evaluate(() => window.typedMs);
  } finally {
    await context.close();
  }
}

/** First rows of board and shelf, and letters into the search, in ms, each sorted. */
export async function pageTimes(url) {
  const { chromium } = await import("@playwright/test");
  const browser = await chromium.launch(whole());
  const sorted = (times) => times.sort((a, b) => a - b);
  try {
    const rows = {};
    for (const path of Object.keys(ROWS)) {
      const times = [];
      for (let i = 0; i < OPENED; i += 1) times.push(await firstRow(browser, url, path));
      rows[path] = sorted(times);
    }
    return { rows, typed: sorted(await typing(browser, url)) };
  } finally {
    await browser.close();
  }
}
