import {
  checkedCircuit,
  groupFindings,
  planSentence,
  printJob,
  readSentence,
  understoodWords,
  type SaidJob,
} from "@dragonet/core";
import { DEMO_PRACTICES, demoShelf, DEMO_VEHICLES } from "@dragonet/core/demo";
import { printJson, type ExitCode, type World } from "../world.ts";

export interface PlanOptions {
  /** Profile of the vehicle where the sentence names none; "" where it has to. */
  readonly vehicle: string;
  /** File that the job is written to; "" for none. */
  readonly out: string;
  readonly json: boolean;
}

function printSaid(said: SaidJob, world: World): void {
  const { vehicle, machine, customer, promised } = said;
  const about = [vehicle?.model ?? "", machine, customer, promised && `by ${promised}`];
  world.out(`${about.filter((t) => t !== "").join(", ")}\n`);
  for (const circuit of said.circuits) {
    world.out(`  ${circuit.name}: ${understoodWords(circuit)}\n`);
  }
  for (const { name, content } of said.kits) {
    world.out(`  ${name}: unboxed, ${content.runs.map((circuit) => circuit.name).join(", ")}\n`);
  }
  for (const line of said.assumed) world.out(`taken as usual: ${line}\n`);
  for (const words of said.notUnderstood) world.out(`not understood: ${words}\n`);
}

/** A job out of one sentence, on the demo shop's vehicles and shelf. 2 where there is nothing to plan. */
export function writePlan(text: string, options: PlanOptions, world: World): ExitCode {
  const vehicle = DEMO_VEHICLES.find((v) => v.profileId === options.vehicle) ?? null;
  if (options.vehicle !== "" && !vehicle) {
    const known = DEMO_VEHICLES.map((v) => v.profileId).join(", ");
    world.err(`--vehicle: no "${options.vehicle}" (one of ${known})\n`);
    return 2;
  }
  const said = readSentence(text, {
    ...{ vehicles: DEMO_VEHICLES, shelf: demoShelf(), customers: [] },
    ...{ today: new Date(), vehicle },
  });
  if (!said.vehicle) {
    world.err("the sentence names no vehicle: say which, or give one by --vehicle\n");
    return 2;
  }
  const job = planSentence(said, said.vehicle, DEMO_PRACTICES, demoShelf());
  const { findings } = checkedCircuit(job);
  if (options.json) {
    const { circuits, kits, assumed, notUnderstood } = said;
    printJson(world, { circuits, kits: kits.map(({ name }) => name), assumed, notUnderstood, job });
  } else {
    printSaid(said, world);
    for (const { severity, title } of groupFindings(findings)) {
      world.out(`${severity}: ${title}\n`);
    }
  }
  if (options.out !== "") {
    try {
      world.write(options.out, printJob(job));
    } catch (error) {
      world.err(`${options.out}: ${error instanceof Error ? error.message : String(error)}\n`);
      return 2;
    }
  }
  if (said.circuits.length + said.kits.length === 0) return 2;
  return findings.some((f) => f.severity === "stop") ? 1 : 0;
}
