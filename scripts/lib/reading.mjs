/** How long a job takes to be read from the server, by many at once. */
import { Agent, get } from "node:http";
import { setTimeout as sleep } from "node:timers/promises";
import { cookieOf } from "./asking.mjs";

const CLIENTS = 20;
const READS_EACH = 60;
/** A page reads a job and then somebody looks at it; ten reads a second each is already a rush. */
const PAUSE_MS = 100;

export const percentile = (sorted, share) => sorted[Math.floor(sorted.length * share)];

function reader(url, cookie) {
  const agent = new Agent({ keepAlive: true, maxSockets: CLIENTS });
  return (path) =>
    new Promise((done, failed) => {
      const began = performance.now();
      get(`${url}/api/${path}`, { agent, headers: { cookie } }, (answer) => {
        answer.resume();
        answer.once("end", () => done(performance.now() - began));
      }).once("error", failed);
    });
}

async function readAll(read, ids, pauseMs) {
  const times = [];
  const began = performance.now();
  const client = async (n) => {
    await sleep((n * pauseMs) / CLIENTS);
    for (let i = 0; i < READS_EACH; i += 1) {
      times.push(await read(`jobs/${ids[(n + i) % ids.length]}`));
      if (pauseMs > 0) await sleep(pauseMs);
    }
  };
  await Promise.all(Array.from({ length: CLIENTS }, (_, n) => client(n)));
  const perSecond = (times.length / (performance.now() - began)) * 1000;
  return { times: times.sort((a, b) => a - b), perSecond };
}

/** Reading a job with twenty clients at once: at a rush, and flat out without any pause. */
export async function reading(url) {
  const cookie = await cookieOf(url);
  const jobs = await (await fetch(`${url}/api/jobs`, { headers: { cookie } })).json();
  const ids = jobs.map((job) => job.id);
  const read = reader(url, cookie);
  await readAll(read, ids, 0);
  const rush = await readAll(read, ids, PAUSE_MS);
  const flatOut = await readAll(read, ids, 0);
  return {
    rushP95: percentile(rush.times, 0.95),
    flatOutP95: percentile(flatOut.times, 0.95),
    flatOutPerSecond: flatOut.perSecond,
  };
}
