import { parseArgs } from "node:util";
import type { Job } from "@dragonet/core";
import { jobSchema, readJobFile } from "@dragonet/contract";
import { writeAim } from "./verbs/aim.ts";
import { writeBeam } from "./verbs/beam.ts";
import { budgetVerb } from "./verbs/budget.ts";
import { compareVerb } from "./verbs/compare.ts";
import { writeCutList } from "./verbs/cutlist.ts";
import { check } from "./verbs/check.ts";
import { writeExamples } from "./verbs/examples.ts";
import { faultsVerb } from "./verbs/faults.ts";
import { writeHandover } from "./verbs/handover.ts";
import { writePlan } from "./verbs/plan.ts";
import { proveVerb } from "./verbs/prove.ts";
import { readShelf, writeQuote } from "./verbs/quote.ts";
import { writeSchedule } from "./verbs/schedule.ts";
import { writeDiagnosis } from "./verbs/diagnose.ts";
import { serveMeter } from "./verbs/meter.ts";
import { writeScript } from "./verbs/script.ts";
import { readSettings } from "./settings.ts";
import { playSignals } from "./verbs/signals.ts";
import { writeRoute } from "./verbs/route.ts";
import { writeSheet } from "./verbs/sheet.ts";
import { solveVerb } from "./verbs/solve.ts";
import { spiceVerb } from "./verbs/spice.ts";
import { toolsVerb } from "./verbs/tools.ts";
import { unitsVerb } from "./verbs/units.ts";
import { writeTemplate } from "./verbs/template.ts";
import type { ExitCode, Verb, World } from "./world.ts";

const USAGE = `dragonet VERB [FILE] [--set key=on,left=on,…] [--json]

  plan "…"      a job out of one sentence [--vehicle PROFILE] [--out FILE], on the demo shop's shelf
  check FILE    findings and charging verdicts of a job file
  solve FILE    node voltages, branch amps and lamp levels with the controls as set
  units FILE    every unit with its terminals, and its inside as SPICE lines [--json]
  spice FILE    netlist for the same state, with the same node names
  prove FILE    every position of the controls against what the circuits ask
  faults FILE   every single fault: what goes dark, which fuse opens, does it ride home
  budget FILE   charging, rides, engine off, parked, and an evening on a traction pack
  compare FILE  the four options to feed the same lamps from a traction pack
  signals FILE  every lamp over a --script of the controls: rate, share, first flash [--csv]
  cutlist FILE  every wire to cut with its ends, and how they come off spools [--csv]
  tools FILE    what to lay out before the first step
  route FILE    every wire's route over the vehicle, bundles, what each stretch asks for
  template FILE a drilling template at 1:1, --dxf or --svg, --of ID, --mirror
  script FILE   the test script: what to measure on the vehicle and what to expect [--csv]
  diagnose FILE --readings R.csv  what may be wrong by what was read, and the next probe
  meter FILE    a simulated meter (SCPI) on loopback, [--fault ID] hidden in the job, [--port N]
  aim FILE      marks on the wall [--distance M], what was off and what undoes it, road and glare
  beam FILE.ies what a photometric file (LM-63, .ldt) sends [--at AHEAD,RIGHT,UP] of the lamp, in m
  quote FILE    what it is asked for, and what each option comes to [--shelf PARTS.csv] [--json]
  handover FILE the owner's sheet in --out DIR, and what is missing before it may go [--json]
  schedule FILE the plan of the benches, of a shop's calendar file (Board, "Calendar") [--json]
  sheet FILE    the wiring sheet as SVG files in --out DIR: one a circuit, and the whole loom
  schema        JSON Schema of the job document
  examples DIR  the demo shop's jobs as job files

--set takes inputs (key, engine, park, low, high, brake, left, right, hazard, horn,
reverse, lever, pedal) and circuits by id for their own switches, each =on or =off; "all=on" presses
everything; speed=20 is in km/h; phase=off is the dark half of a flash or of a dimmed channel; charge=50 is how full
battery and pack are, in percent. Without it everything is off and full.

Exit: 0 fine, 1 findings of severity Stop, 2 input that cannot be read.
`;

const VERBS: Readonly<Record<string, Verb>> = {
  check,
  solve: solveVerb,
  spice: spiceVerb,
  units: unitsVerb,
  tools: toolsVerb,
  prove: proveVerb,
  faults: faultsVerb,
  budget: budgetVerb,
  compare: compareVerb,
};

function readText(path: string, world: World): string | null {
  try {
    return world.read(path);
  } catch (error) {
    world.err(`${path}: ${error instanceof Error ? error.message : String(error)}\n`);
    return null;
  }
}

function readJob(path: string, world: World): Job | null {
  const text = readText(path, world);
  if (text === null) return null;
  const read = readJobFile(text);
  if (read.ok) return read.value;
  for (const fault of read.faults) {
    world.err(`${path}: ${fault.path === "" ? "" : `${fault.path}: `}${fault.message}\n`);
  }
  return null;
}

/** Runs one call of the command line and says how it went. */
export function run(args: readonly string[], world: World): ExitCode | Promise<ExitCode> {
  let parsed;
  try {
    parsed = parseArgs({
      args: [...args],
      allowPositionals: true,
      options: {
        json: { type: "boolean" },
        set: { type: "string", default: "" },
        script: { type: "string" },
        csv: { type: "boolean" },
        dxf: { type: "boolean" },
        svg: { type: "boolean" },
        mirror: { type: "boolean" },
        readings: { type: "string" },
        fault: { type: "string", default: "" },
        port: { type: "string", default: "5025" },
        distance: { type: "string" },
        shelf: { type: "string" },
        vehicle: { type: "string", default: "" },
        at: { type: "string" },
        of: { type: "string", default: "" },
        out: { type: "string", default: "." },
        help: { type: "boolean", short: "h" },
      },
    });
  } catch (error) {
    world.err(`${error instanceof Error ? error.message : String(error)}\n\n${USAGE}`);
    return 2;
  }
  const [name = "", file] = parsed.positionals;
  if (parsed.values.help) {
    world.out(USAGE);
    return 0;
  }
  if (name === "schema") {
    world.out(`${JSON.stringify(jobSchema(), null, 2)}\n`);
    return 0;
  }
  if (name === "examples" && file !== undefined) return writeExamples(file, world);
  if (name === "schedule" && file !== undefined) {
    const text = readText(file, world);
    return text === null ? 2 : writeSchedule(file, text, parsed.values.json ?? false, world);
  }
  if (name === "sheet" && file !== undefined) {
    const job = readJob(file, world);
    return job ? writeSheet(job, parsed.values.out, world) : 2;
  }
  if (name === "plan" && file !== undefined) {
    const { vehicle, out, json } = parsed.values;
    // The folder that other verbs write to by themselves is no file.
    const to = out === "." ? "" : out;
    return writePlan(file, { vehicle, out: to, json: json === true }, world);
  }
  if (name === "quote" && file !== undefined) {
    const job = readJob(file, world);
    const { shelf: path, json } = parsed.values;
    const text = path === undefined ? null : readText(path, world);
    if (!job || (path !== undefined && text === null)) return 2;
    const shelf = path === undefined || text === null ? [] : readShelf(path, text, world);
    return shelf ? writeQuote(job, shelf, json === true, world) : 2;
  }
  if (name === "handover" && file !== undefined) {
    const job = readJob(file, world);
    const { out, json } = parsed.values;
    return job ? writeHandover(job, out, json === true, world) : 2;
  }
  if (name === "cutlist" && file !== undefined) {
    const job = readJob(file, world);
    const { json, csv } = parsed.values;
    return job ? writeCutList(job, { json: json === true, csv: csv === true }, world) : 2;
  }
  if (name === "script" && file !== undefined) {
    const job = readJob(file, world);
    const { json, csv } = parsed.values;
    return job ? writeScript(job, { json: json === true, csv: csv === true }, world) : 2;
  }
  if (name === "meter" && file !== undefined) {
    const job = readJob(file, world);
    const { fault, port } = parsed.values;
    return job ? serveMeter(job, { fault, port }, world) : 2;
  }
  if (name === "diagnose" && file !== undefined) {
    const { readings, json } = parsed.values;
    if (readings === undefined) {
      world.err("diagnose needs --readings R.csv: the script's CSV with its readings filled in\n");
      return 2;
    }
    const job = readJob(file, world);
    const text = job && readText(readings, world);
    if (!job || text === null) return 2;
    return writeDiagnosis(job, text, readings, json === true, world);
  }
  if (name === "aim" && file !== undefined) {
    const job = readJob(file, world);
    const { distance, json } = parsed.values;
    return job ? writeAim(job, distance, json === true, world) : 2;
  }
  if (name === "beam" && file !== undefined) {
    const text = readText(file, world);
    const { at, json } = parsed.values;
    return text === null ? 2 : writeBeam(text, file, at, json === true, world);
  }
  if (name === "route" && file !== undefined) {
    const job = readJob(file, world);
    return job ? writeRoute(job, parsed.values.json === true, world) : 2;
  }
  if (name === "template" && file !== undefined) {
    const job = readJob(file, world);
    const { dxf, svg, mirror, of } = parsed.values;
    if (dxf === true && svg === true) {
      world.err("--dxf and --svg: one of them at a time\n");
      return 2;
    }
    return job ? writeTemplate(job, { svg: svg === true, mirror: mirror === true, of }, world) : 2;
  }
  if (name === "signals" && file !== undefined) {
    const job = readJob(file, world);
    if (!job) return 2;
    const { script, json, csv } = parsed.values;
    const text = script === undefined ? null : readText(script, world);
    if (script !== undefined && text === null) return 2;
    return playSignals(job, text, { json: json === true, csv: csv === true }, world);
  }
  const verb = Object.hasOwn(VERBS, name) ? VERBS[name] : undefined;
  if (!verb || file === undefined) {
    world.err(USAGE);
    return 2;
  }
  const job = readJob(file, world);
  if (!job) return 2;
  const settings = readSettings(job, parsed.values.set);
  if (!settings.ok) {
    world.err(`--set: ${settings.message}\n`);
    return 2;
  }
  return verb({ job, controls: settings.value, json: parsed.values.json === true, world });
}
