import { join } from "node:path";
import {
  checkedCircuit,
  openGates,
  ownerSheet,
  ownerSheetHtml,
  testReport,
  type Job,
} from "@dragonet/core";
import { printJson, type ExitCode, type World } from "../world.ts";

/**
 * The owner's sheet as a page of its own that prints, and what is missing before the vehicle
 * may go. 1 where something is missing that nobody signed for.
 */
export function writeHandover(job: Job, folder: string, json: boolean, world: World): ExitCode {
  const { circuit, findings } = checkedCircuit(job);
  const gates = openGates(job, findings, testReport(job));
  const sheet = ownerSheet(job, { circuit, gates }, "metric");
  const open = gates.filter((gate) => gate.signed === null);
  if (json) printJson(world, { sheet, gates });
  else {
    const file = join(folder, "owner-sheet.html");
    try {
      world.write(file, ownerSheetHtml(sheet));
    } catch (error) {
      world.err(`${file}: ${error instanceof Error ? error.message : String(error)}\n`);
      return 2;
    }
    world.out(`${file}\n`);
    for (const { text, signed } of gates) {
      world.out(signed ? `${text}: signed by ${signed.name}, "${signed.reason}"\n` : `${text}\n`);
    }
  }
  return open.length === 0 ? 0 : 1;
}
