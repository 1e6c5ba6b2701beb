/**
 * What a press takes until the next paint, on every view and at a quarter of the processor's speed:
 * real presses of the mouse and of keys in headless Chromium; the longest of a view's counts.
 */
import { FITTING, PLANNING, SHOP } from "./views.mjs";

const SLOWER = 4;
/** Of what can be pressed on a view, so much: spread over it. */
const PRESSES = 16;
/** A finger is on a button for so long. */
const HELD_MS = 70;
/** The next paint and what it tells are there after so long; longer is waited for. */
const SETTLED_MS = 120;

/** Leaves the page, opens a window of the machine's own, or cannot be taken back. */
const NOT_PRESSED =
  /sign out|delete|remove|download|pdf|csv|svg|print|restore|photograph|camera|file|bin\b/i;
const OPEN = "[role=dialog], [role=listbox], [role=menu]";
const PRESSED = ["button", "[role=combobox]", "input", "textarea", "summary", "[role=slider]"]
  .map((one) => `main ${one}:visible`)
  .join(", ");

/**
 * From the moment that a press happened to the end of the next frame's work on the page. The
 * browser's own timing waits for word from the screen too, and without a screen that word is at
 * times as late as the next press. So are frames, now and then, while the page has nothing to do:
 * where it is at leisure and gets none, the moment counts at which it came to be.
 */
const watch = () => {
  const LEISURE_MS = 100;
  window.interactions = [];
  const begin = (e) => {
    let told = false;
    const tell = (at) => {
      if (told) return;
      told = true;
      window.interactions.push({ event: e.type, ms: at - e.timeStamp });
    };
    const { port1, port2 } = new MessageChannel();
    port1.onmessage = () => tell(performance.now());
    // What is sent in a frame arrives when that frame has been laid out and painted.
    requestAnimationFrame(() => port2.postMessage(null));
    requestIdleCallback(() => {
      const at = performance.now();
      setTimeout(() => tell(at), LEISURE_MS);
    });
  };
  for (const type of ["pointerdown", "pointerup", "click", "keydown", "keyup"])
    window.addEventListener(type, begin, { capture: true });
};

const take = async (page) => {
  await page.waitForTimeout(SETTLED_MS);
  return page.evaluate(
    () =>
      new Promise((done) =>
        requestAnimationFrame(() =>
          requestAnimationFrame(() => setTimeout(() => done(window.interactions.splice(0)))),
        ),
      ),
  );
};

const described = (control) =>
  control.evaluate((e) => ({
    type: e.type ?? "",
    figures: e.type === "number" || e.inputMode === "decimal",
    role: e.getAttribute("role") ?? e.tagName.toLowerCase(),
    off: e.disabled === true || e.getAttribute("aria-disabled") === "true",
    name: (e.getAttribute("aria-label") ?? (e.textContent || e.labels?.[0]?.textContent || ""))
      .trim()
      .slice(0, 50),
  }));

/**
 * Scrolls and points there, and presses as a finger does; false where something else lies there.
 * By the mouse alone: what looks for the target inside the page would be timed with it.
 */
async function press(page, control) {
  await control.scrollIntoViewIfNeeded({ timeout: 3000 }).catch(() => undefined);
  const box = await control.boundingBox();
  if (!box) return false;
  const at = [box.x + box.width / 2, box.y + box.height / 2];
  const isThere = await control.evaluate((e, [x, y]) => {
    const there = document.elementFromPoint(x, y);
    return there !== null && (e.contains(there) || there.contains(e));
  }, at);
  if (!isThere) return false;
  await page.mouse.move(...at);
  await page.waitForTimeout(2 * SETTLED_MS);
  await page.mouse.down();
  await page.waitForTimeout(HELD_MS);
  await page.mouse.up();
  return true;
}

/** After the press: what one writes or picks there. */
async function goOnWith(page, { type, role, figures }) {
  const write = async (text) => {
    for (const key of text) {
      await page.keyboard.press(key);
      await page.waitForTimeout(HELD_MS);
    }
  };
  if (role === "combobox") {
    await page.waitForTimeout(2 * SETTLED_MS);
    await write(["ArrowDown", "Enter"]);
  } else if (type === "range") await write(["ArrowRight"]);
  else if (["text", "search", "number"].includes(type) || role === "textarea") {
    // Over what stands there: a letter that is out of sight in its field is never painted.
    await write(["Control+a", ...(figures ? "12" : "pod"), "Enter"]);
  }
}

/** Closes what is open: a dialog that waits for the network may have opened after its press. */
async function close(page) {
  const open = page.locator(OPEN);
  for (let left = 5; left > 0 && (await open.count()) > 0; left -= 1) {
    await page.keyboard.press("Escape");
    await page.waitForTimeout(2 * SETTLED_MS);
  }
}

/** A dialog or a list that the press opened is written in and left. */
async function leave(page) {
  // It opens in the frames after the press.
  await page.waitForTimeout(4 * SETTLED_MS);
  const field = page.locator(OPEN).locator("input:visible").first();
  if ((await field.count()) > 0 && (await press(page, field))) await page.keyboard.press("1");
  await close(page);
}

/** Loads a view and leaves it alone until it stands. */
async function show(page, url, words) {
  await page.goto(url);
  await page.getByText(words).first().waitFor();
  await page.waitForTimeout(1500);
  await take(page);
}

/** Presses one of a view's controls and goes on with it; null where it cannot be pressed. */
async function pressOf(page, at) {
  await close(page);
  const control = page.locator(PRESSED).nth(at);
  if ((await control.count()) === 0) return null;
  const what = await described(control);
  if (what.off || what.type === "file" || NOT_PRESSED.test(what.name)) return null;
  // Under another layer by now: nobody could press it either.
  if (!(await press(page, control))) return null;
  await goOnWith(page, what);
  await leave(page);
  const slowest = (await take(page)).sort((a, b) => b.ms - a.ms)[0];
  return { what: `${what.role} “${what.name}”`, ...(slowest ?? { ms: 0 }) };
}

/**
 * The presses of one view, the slowest first: what was pressed and how long until it was painted.
 * One that is too slow is done again on the view loaded anew, and the better counts: a machine that
 * stalls does so once, a page that is slow each time.
 */
async function pressesOf(page, url, words, mostMs) {
  await show(page, url, words);
  const there = await page.locator(PRESSED).count();
  const found = [];
  for (let at = 0; at < there; at += Math.max(1, Math.ceil(there / PRESSES))) {
    let made = await pressOf(page, at);
    if (made && made.ms > mostMs) {
      await show(page, url, words);
      const again = await pressOf(page, at);
      if (again && again.what === made.what && again.ms < made.ms) made = again;
    }
    if (made) found.push(made);
    if (page.url() !== url) await show(page, url, words);
  }
  return found.sort((a, b) => b.ms - a.ms);
}

/** Every view of the shop and of two jobs: `{ view, presses }`. A page of its own for each. */
export async function* interactions(browser, url, mostMs, only = "") {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  try {
    await context.request.post(`${url}/api/session`, {
      data: { signIn: "ansa", password: "lamp-and-loom" },
    });
    const jobs = await (await context.request.get(`${url}/api/jobs`)).json();
    const ofJob = (title, views) => {
      const { id } = jobs.find((job) => job.title === title);
      return views.map(([path, words]) => [`/jobs/${id}/${path}`, words]);
    };
    const views = [
      ...SHOP,
      ...ofJob("Lambing-watch bar and pods", PLANNING),
      ...ofJob("Box lamp: run, turn, brake", FITTING),
    ];
    for (const [path, words] of views) {
      if (!path.includes(only)) continue;
      const page = await context.newPage();
      await page.addInitScript(watch);
      const cdp = await context.newCDPSession(page);
      await cdp.send("Emulation.setCPUThrottlingRate", { rate: SLOWER });
      yield {
        view: path.replace(/^\/jobs\/[^/]+\//, ""),
        presses: await pressesOf(page, `${url}${path}`, words, mostMs),
      };
      await page.close();
    }
  } finally {
    await context.close();
  }
}
