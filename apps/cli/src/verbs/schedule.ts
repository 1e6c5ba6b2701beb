import { SLOT_WORDS, planCalendar, type PrintedSchedule } from "@dragonet/core";
import { readCalendarFile } from "@dragonet/contract";
import { printJson, type ExitCode, type World } from "../world.ts";

const moment = (text: string): string => text.replace("T", " ");

function printPlan(plan: PrintedSchedule, world: World): void {
  for (const { title, slots, promised, lateMin, provided, amiss } of plan.jobs) {
    const promise = promised === "" ? "" : `, promised ${promised}`;
    const late = lateMin > 0 ? `, LATE by ${Math.ceil(lateMin / 60)} h` : "";
    world.out(`${title}${promise}${late}\n`);
    for (const { kind, start, end, bench, who } of slots) {
      const where = [bench, who].filter((word) => word !== "").join(", ");
      world.out(
        `  ${moment(start)} to ${moment(end)}  ${SLOT_WORDS[kind]}${where && `: ${where}`}\n`,
      );
    }
    for (const what of provided) world.out(`  if this is there: ${what}\n`);
    for (const what of amiss) world.out(`  ${what}\n`);
  }
  for (const { title, why } of plan.unplanned) world.out(`Not planned: ${title}: ${why}\n`);
  if (plan.end !== null && plan.bound !== null) {
    world.out(`All done ${moment(plan.end)}; no plan could before ${moment(plan.bound)}\n`);
  }
}

/** Plans the benches of a shop's calendar file; 1 where something will be late or cannot be planned. */
export function writeSchedule(path: string, text: string, json: boolean, world: World): ExitCode {
  const read = readCalendarFile(text);
  if (!read.ok) {
    for (const fault of read.faults) {
      world.err(`${path}: ${fault.path === "" ? "" : `${fault.path}: `}${fault.message}\n`);
    }
    return 2;
  }
  const plan = planCalendar(read.value);
  if (json) printJson(world, plan);
  else printPlan(plan, world);
  return plan.unplanned.length > 0 || plan.jobs.some(({ lateMin }) => lateMin > 0) ? 1 : 0;
}
