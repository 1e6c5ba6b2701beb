/** Figures of the built application: its start, its server, its pages, a shop of very many jobs. */
import { spawn } from "node:child_process";
import { existsSync, rmSync } from "node:fs";
import { whole } from "./chromium.mjs";
import { Failure } from "./fail.mjs";
import { tell } from "./figures.mjs";
import { fillTo } from "./fillTo.mjs";
import { hearing } from "./hearing.mjs";
import { interactions } from "./interactions.mjs";
import { freePort } from "./machine.mjs";
import { foretold, listTimes, pageTimes } from "./manyBench.mjs";
import { painting } from "./painting.mjs";
import { fromRoot } from "./paths.mjs";
import { startPostgres } from "./postgres.mjs";
import { ensureBuild } from "./prepare.mjs";
import { percentile, reading } from "./reading.mjs";
import { fillSearch, searchTimes } from "./searchBench.mjs";

/** The built server with the demo shop on a database of its own, for as long as something is done with it. */
async function withServer(work, database = {}) {
  const postgres = await startPostgres(".data-bench", { reset: true, ...database });
  const port = await freePort();
  const server = spawn(process.execPath, [fromRoot("apps/server/dist/main.js")], {
    env: {
      ...process.env,
      NODE_ENV: "production",
      DATABASE_URL: postgres.url,
      PORT: String(port),
      DRAGONET_DEMO: "1",
    },
    stdio: ["ignore", "inherit", "inherit", "ipc"],
  });
  try {
    await new Promise((done, failed) => {
      server.once("message", done);
      server.once("exit", (code) => failed(new Failure(`the server ended with ${code}`)));
    });
    const url = `http://127.0.0.1:${port}`;
    return await work(url, postgres.url);
  } finally {
    server.kill("SIGTERM");
    await postgres.stop();
  }
}

const api = () =>
  withServer(async (url) => ({
    ...(await reading(url)),
    heardMs: await hearing(url),
    painted: await painting(url),
  }));

const START_DATA = ".data-bench-start";

/** From the start command to its word that it is ready, in s. */
async function startSeconds(more) {
  const port = await freePort();
  const began = performance.now();
  const child = spawn(
    process.execPath,
    [fromRoot("scripts/start.mjs"), "--port", String(port), ...more],
    { env: { ...process.env, DATABASE_URL: "", DRAGONET_DATA: START_DATA } },
  );
  let said = "";
  const took = await new Promise((done, failed) => {
    child.stdout.on("data", (chunk) => {
      said += String(chunk);
      if (said.includes("Dragonet is ready")) done((performance.now() - began) / 1000);
    });
    child.once("exit", () => failed(new Failure(`it did not start: ${said}`)));
  });
  child.removeAllListeners("exit");
  child.kill("SIGTERM");
  await new Promise((done) => child.once("exit", done));
  return took;
}

/** A second start, everything there. */
async function secondStart() {
  try {
    await startSeconds(["--reset"]);
    return await startSeconds([]);
  } finally {
    rmSync(fromRoot(START_DATA), { recursive: true, force: true });
  }
}

const SEARCHED = 100_000;
/** What people type: a name, the beginning of one, two words, words written nearly right, and nothing that is there. */
const QUESTIONS = [
  ...["petrel", "ba", "scar farm", "petrl 650", "carick", "light bar petrel", "horbch", "pods"],
  ...["fen 4", "moor rescue", "fellruner", "seat", "left pod", "2a", "tial lamp", "xylophone"],
];

export async function searchFigures() {
  ensureBuild();
  const { p95Ms } = await withServer(async (url, database) => {
    fillSearch(database, SEARCHED);
    return searchTimes(url, QUESTIONS);
  });
  tell(`a search over ${SEARCHED} jobs, 95th percentile`, p95Ms, "ms", 50);
}

export async function startFigures() {
  ensureBuild();
  tell("a second start until it is ready", await secondStart(), "s", 3);
}

export async function servedFigures() {
  ensureBuild();
  const { rushP95, flatOutP95, flatOutPerSecond, heardMs, painted } = await api();
  if (painted !== null) {
    const pressed = (share) => percentile(painted.pressMs, share);
    tell("a control pressed to painted diagrams, median", pressed(0.5), "ms", 33);
    tell("a control pressed to painted diagrams, 95th percentile", pressed(0.95), "ms", 50);
    tell("time of a frame while signals play, mean", 1000 / painted.play.mean, "ms", 1000 / 59);
    process.stdout.write(
      `       ${painted.play.mean.toFixed(1)} frames a second, 95 in 100 within ${painted.play.p95Ms.toFixed(1)} ms\n`,
    );
  }
  tell("reading a job, 20 clients at 10 reads a second each, 95th percentile", rushP95, "ms", 15);
  process.stdout.write(
    `       the same flat out: ${flatOutPerSecond.toFixed(0)} reads/s, 95th percentile ${flatOutP95.toFixed(1)} ms\n`,
  );
  tell("another person's save, told to a page, 95th percentile", heardMs, "ms", 1000);
}

/** Within this an interaction is to be painted, in ms. */
const INTERACTION_MS = 100;

/** Of each view its slowest press to the next paint, at a quarter of the processor's speed. */
export async function interactionFigures() {
  ensureBuild();
  if (!existsSync(whole().executablePath)) throw new Failure("Chromium is not installed");
  const { chromium } = await import("@playwright/test");
  await withServer(async (url) => {
    const browser = await chromium.launch(whole());
    try {
      const only = process.argv[3];
      for await (const { view, presses } of interactions(browser, url, INTERACTION_MS, only)) {
        const [worst] = presses;
        if (worst === undefined) continue;
        tell(
          `${view}, slowest of ${presses.length} presses to the next paint, ${worst.what}`,
          worst.ms,
          "ms",
          INTERACTION_MS,
        );
      }
    } finally {
      await browser.close();
    }
  });
}

/** Where the lists of a shop are looked at, so that what grows with the jobs is seen to grow. */
const SIZES = [25_000, 50_000, 100_000];
const PARTS = 20_000;

/** Lists, first rows and letters typed of a shop of very many jobs, and what a million of them would ask. */
export async function manyFigures() {
  ensureBuild();
  await withServer(
    async (url, database) => {
      const bySize = [];
      for (const jobs of SIZES) {
        await fillTo(database, jobs, PARTS);
        bySize.push(await listTimes(url));
      }
      const last = bySize.at(-1);
      for (const name of Object.keys(last)) {
        const medians = bySize.map((times) => times[name].p50);
        tell(`${name}, 95th percentile`, last[name].p95, "ms", 50);
        const byHeight = foretold(SIZES, medians, 1e6, Math.log2).toFixed(0);
        const byJobs = foretold(SIZES, medians, 1e6).toFixed(0);
        process.stdout.write(
          `       medians ${medians.map((ms) => ms.toFixed(1)).join(", ")} ms; of a million ${byHeight} ms where it grows with the height of an index, ${byJobs} ms where with the jobs\n`,
        );
      }
      if (!existsSync(whole().executablePath)) return;
      const { rows, typed } = await pageTimes(url);
      for (const [path, times] of Object.entries(rows)) {
        tell(`first row of ${path}, nothing kept, median`, percentile(times, 0.5), "ms", 1000);
        tell(`first row of ${path}, slowest`, times.at(-1), "ms", 1000);
      }
      tell(
        "a letter typed to the second frame, 95th percentile",
        percentile(typed, 0.95),
        "ms",
        50,
      );
      // Nothing of what is measured is written.
    },
    { fast: true },
  );
}
