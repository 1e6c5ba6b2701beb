/** What a shop's servers hold: people who ask again as soon as they are answered, and where the cores' time goes. */
import { readFileSync, readdirSync } from "node:fs";
import { cpus } from "node:os";
import { setTimeout as sleep } from "node:timers/promises";
import { Load } from "./load.mjs";

/** So many at a time: more wait for each other, fewer leave a server without anything to do. */
const PEOPLE = 48;
const WARM_S = 15;
const MEASURED_S = 45;
/** Cores count as full from this share of them on. */
const FULL = 0.93;
/** Ticks of the processor's clock in a second: the same on every Linux that Node.js runs on. */
const TICKS = 100;

/** Who a process works for; null for what has nothing to do with it. */
function kindOf(pid, name) {
  if (pid === process.pid) return "the generator";
  if (name === "postgres" || name === "pgbouncer" || name === "nginx") return name;
  const line = readFileSync(`/proc/${pid}/cmdline`, "utf8");
  return line.includes("main.js") ? "servers" : null;
}

/** Seconds of the processor that each kind of process has had by now. */
function secondsByKind() {
  const seconds = {};
  for (const entry of readdirSync("/proc")) {
    if (!/^\d+$/.test(entry)) continue;
    try {
      const told = readFileSync(`/proc/${entry}/stat`, "utf8");
      const name = told.slice(told.indexOf("(") + 1, told.lastIndexOf(")"));
      const rest = told.slice(told.lastIndexOf(")") + 2).split(" ");
      const kind = kindOf(Number(entry), name);
      // Of itself, and of those that it had and that are gone: connections come and go.
      const ticks = rest.slice(11, 15).reduce((sum, one) => sum + Number(one), 0);
      if (kind) seconds[kind] = (seconds[kind] ?? 0) + ticks / TICKS;
    } catch {
      // Gone while it was looked at.
    }
  }
  return seconds;
}

/** Answers a second of so many servers, what people waited, and cores by who took them. */
const hold = (withCluster, size) =>
  withCluster({ data: ".data-test-hold", size }, async ({ url }) => {
    const load = new Load(url, { people: PEOPLE, everyS: 0 });
    await load.begin();
    await sleep(WARM_S * 1000);
    load.times.clear();
    const [before, began] = [secondsByKind(), performance.now()];
    await sleep(MEASURED_S * 1000);
    const [after, took] = [secondsByKind(), (performance.now() - began) / 1000];
    const { all } = load.figures();
    await load.end();
    const cores = Object.keys(after).map((kind) => [
      kind,
      (after[kind] - (before[kind] ?? 0)) / took,
    ]);
    return { size, all, perSecond: all.n / took, cores: cores.sort((a, b) => b[1] - a[1]) };
  });

const printHold = ({ size, all, perSecond, cores }) =>
  `${size === 1 ? "one server" : `${size} servers`}: ${perSecond.toFixed(0)} answers a second, ` +
  `95th of a hundred after ${all.p95.toFixed(0)} ms; cores: ` +
  cores.map(([kind, n]) => `${kind} ${n.toFixed(2)}`).join(", ");

/** What several servers hold more than one, and what binds them where that is not much. */
export function holdingTold(one, several, has = cpus().length) {
  const used = several.cores.reduce((sum, [, n]) => sum + n, 0);
  const ratio = several.perSecond / one.perSecond;
  const line = `${several.size} servers hold ${ratio.toFixed(2)} times what one holds`;
  const binds =
    used >= FULL * has
      ? `what binds is the machine: ${used.toFixed(2)} of ${has} cores are taken, most of it by ${several.cores[0]?.[0]}`
      : `${used.toFixed(2)} of ${has} cores are taken: what binds is something else`;
  return [printHold(one), printHold(several), `${line}; ${binds}`].join("\n");
}

/**
 * One server, then so many, each on a shop of its own and with the same people before the same door. `withCluster`
 * starts a cluster for as long as something is done with it.
 */
export async function holding(withCluster, size) {
  return holdingTold(await hold(withCluster, 1), await hold(withCluster, size));
}
