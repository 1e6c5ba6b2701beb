/**
 * `npm run bench`: speed and size, measured in one run; says which figures are met.
 * `npm run bench -- networks`: the solver on networks by chance, beside ngspice.
 * `npm run bench -- judgement`: fuse, wire and relay of ordinary jobs beside a master's ranges.
 * `npm run bench -- schedule`: two hundred jobs on five benches. `search`: over a hundred thousand jobs.
 * `npm run bench -- many`: lists, first rows and letters typed of a shop of a hundred thousand jobs.
 * `npm run bench -- diagnosis`: probes until a fault is found, beside two other ways to probe.
 * `npm run bench -- interactions [PATH]`: presses on every view, or on those whose address has PATH,
 *   at a quarter of the processor's speed.
 */
import { spawnSync } from "node:child_process";
import { mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { Failure, main } from "./lib/fail.mjs";
import { measureMachine, missedFigures, onReference, tell, tellRatio } from "./lib/figures.mjs";
import { firstPageKb } from "./lib/firstPage.mjs";
import { checkNode, findProgram } from "./lib/machine.mjs";
import { fromRoot } from "./lib/paths.mjs";
import { ensurePackages } from "./lib/prepare.mjs";
import {
  interactionFigures,
  manyFigures,
  searchFigures,
  servedFigures,
  startFigures,
} from "./lib/servedFigures.mjs";

function computation(...only) {
  const built = spawnSync(
    process.execPath,
    [
      fromRoot("node_modules/vite/bin/vite.js"),
      "build",
      fromRoot("bench"),
      "--ssr",
      "main.ts",
      "--logLevel",
      "warn",
    ],
    { encoding: "utf8" },
  );
  if (built.status !== 0) throw new Failure(`${built.stdout}${built.stderr}`);
  const { stdout, stderr, status } = spawnSync(
    process.execPath,
    [fromRoot("bench/dist/main.js"), ...only],
    { encoding: "utf8" },
  );
  if (status !== 0) throw new Failure(stderr);
  return JSON.parse(stdout);
}

const SPICE_LOOPS = 300;

/** One `op` of a deck in ms, looped inside one ngspice process that has read it already. */
function spiceMs(deck) {
  const folder = mkdtempSync(join(tmpdir(), "dragonet-bench-"));
  const file = join(folder, "deck.cir");
  const timed = (loops) => {
    const control = `.control\nrepeat ${loops}\nop\nend\necho looped\n.endc\n.end\n`;
    writeFileSync(file, deck.replace(/\.op\n\.end\n$/, control));
    const began = performance.now();
    const { stdout, stderr } = spawnSync("ngspice", ["-b", file], { encoding: "utf8" });
    if (!stdout.includes("looped")) throw new Failure(`ngspice failed on the deck:\n${stderr}`);
    return performance.now() - began;
  };
  try {
    // Start and reading cost the same in both; the difference is the loops.
    return (timed(SPICE_LOOPS) - timed(1)) / (SPICE_LOOPS - 1);
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

function solverFigures({ solver, denseMs }) {
  process.stdout.write(`       largest example: ${solver.nodes} free nodes\n`);
  if (findProgram("ngspice")) {
    tellRatio(
      "operating point, faster than ngspice's op in its own loop",
      spiceMs(solver.deck) / solver.pointMs,
      40,
    );
  } else {
    process.stdout.write("       ngspice is not installed: no comparison\n");
  }
  tellRatio(
    "operating point, faster than one dense LU of the same size",
    denseMs / solver.pointMs,
    10,
  );
  tell("a position of the controls solved, relays and all", solver.positionMs, "ms", 0.5);
  tell(`proof of ${solver.positions} positions of the largest example`, solver.proofMs, "ms", 1000);
  tell(
    `proof of ${solver.sharedPositions} positions of ten runs on one feed`,
    solver.sharedProofMs,
    "ms",
    150,
  );
  process.stdout.write(
    `       the same for the first time, before it is compiled: ${onReference(solver.sharedColdMs).toFixed(0)} ms\n`,
  );
  tell(
    `a fault of ${solver.faults} single faults of the largest example`,
    solver.faultsMs / solver.faults,
    "ms",
    0.25,
  );
}

/** How many networks by chance have no answer, and in how many ngspice has another. */
function networkFigures() {
  if (!findProgram("ngspice")) throw new Failure("ngspice is not installed: apt install ngspice");
  const n = computation("networks");
  process.stdout.write(
    `       ${n.networks} networks by chance, ${n.shares} whose drivers share a voltage and are told so\n`,
  );
  tell("without an answer", n.unsolved, "networks", 0);
  tell(`${n.networks} networks solved`, n.seconds, "s", 60);
  tell(`of ${n.compared} compared with ngspice, otherwise there`, n.differ, "networks", 0);
  process.stdout.write(`       ngspice found no point for ${n.spiceUnsolved} more\n`);
}

/** How many ordinary situations get the picks that a master would accept, with the reasons. */
function judgementFigures() {
  const judged = computation("judgement");
  for (const { situation, inside, picked, reason } of judged) {
    process.stdout.write(`${inside ? "inside " : "OUTSIDE"} ${situation}: ${picked}\n`);
    process.stdout.write(`        ${reason}\n`);
  }
  tell(`of ${judged.length} outside`, judged.filter((j) => !j.inside).length, "situations", 0);
}

function diagnosisFigures() {
  const { strategies, readingMs, scriptMs } = computation("diagnosis");
  const at = (list, share) => [...list].sort((a, b) => a - b)[Math.floor(share * list.length)] ?? 0;
  for (const { name, counts, lost } of strategies) {
    process.stdout.write(
      `${name}: ${counts.length + lost} faults, median ${at(counts, 0.5)} probes, 95 % within ${at(counts, 0.95)}, ${lost} not found\n`,
    );
  }
  const [own] = strategies;
  tell("probes to a fault, median", at(own.counts, 0.5), "probes", at(own.allowed, 0.5));
  tell("probes to a fault, 95 %", at(own.counts, 0.95), "probes", 2 * at(own.allowed, 0.5));
  tell("a reading to a ranking, slowest", readingMs, "ms", 200);
  tell("test script of the largest job", scriptMs, "ms", 500);
}

function scheduleFigures() {
  const { medianMs, overBound } = computation("schedule");
  tell("a plan of 200 jobs on five benches, median", medianMs, "ms", 300);
  tell("its last end over what any plan needs, without closed days", overBound, "times", 1.1);
}

const FIGURES = {
  many: manyFigures,
  interactions: interactionFigures,
  start: startFigures,
  served: servedFigures,
  networks: networkFigures,
  judgement: judgementFigures,
  diagnosis: diagnosisFigures,
  schedule: scheduleFigures,
  search: searchFigures,
};

await main(async () => {
  checkNode();
  ensurePackages();
  const [, , name] = process.argv;
  const asked = FIGURES[name];
  if (name !== undefined && !asked) {
    throw new Failure(`There are no figures "${name}": ${Object.keys(FIGURES).sort().join(", ")}.`);
  }
  if (asked) {
    measureMachine();
    await asked();
    if (missedFigures() > 0) process.exitCode = 1;
    return;
  }
  measureMachine();
  await startFigures();
  const computed = computation();
  const { recompute } = computed;
  tell("recompute of a 12-run job after an edit, median", recompute.medianMs, "ms", 4);
  tell("recompute of a 12-run job after an edit, 95th percentile", recompute.p95Ms, "ms", 8);
  process.stdout.write(
    `       the first two hundred after a start, median: ${onReference(recompute.firstMs).toFixed(1)} ms\n`,
  );
  tell(
    "left in memory by each such plan, until all of it is looked through",
    recompute.leftKb,
    "kB",
    120,
  );
  tell("first page, compressed script and style", firstPageKb(), "kB", 160);
  solverFigures(computed);
  const { budgets } = computed;
  tell("a ride of two hours", budgets.rideMs, "ms", 30);
  tell("two hundred samples of it within its bounds", budgets.boundsMs, "ms", 2000);
  tell("comparing four ways to feed the same lamps", budgets.compareMs, "ms", 100);
  tell("quote of the largest example, its circuit worked out anew", budgets.quoteMs, "ms", 50);
  const { signals } = computed;
  tell(
    `ten minutes of riding, ${signals.changes} changes of its lamps`,
    signals.tenMinutesMs,
    "ms",
    50,
  );
  const { light } = computed;
  tell("light of three lamps on 200,000 points, for the first time", light.firstMs, "ms", 100);
  tell("the same of one lamp that is moved", light.movedMs, "ms", 16);
  tell("the best aim of four lamps", light.bestMs, "ms", 2000);
  const { replay } = computed;
  tell(`a bus log of 100 MB, ${replay.frames} frames`, replay.logS, "s", 60);
  await servedFigures();
  if (missedFigures() > 0) process.exitCode = 1;
});
