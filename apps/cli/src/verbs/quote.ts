import {
  TASK_WORDS,
  meansOf,
  moneyText,
  notOffered,
  readPartsCsv,
  workedQuote,
  type Job,
  type OptionResult,
  type Part,
  type Quote,
} from "@dragonet/core";
import { printJson, type ExitCode, type World } from "../world.ts";

/** Prices of what a job has no copies of, from a shelf's CSV; null where it cannot be read. */
export function readShelf(path: string, text: string, world: World): readonly Part[] | null {
  const read = readPartsCsv(text);
  if (read.ok) return read.value;
  for (const fault of read.faults) {
    world.err(`${path}: line ${fault.line}, ${fault.column}: ${fault.message}\n`);
  }
  return null;
}

const optionJson = (result: OptionResult) =>
  result.kind === "refused"
    ? { id: result.option.id, name: result.option.name, refused: result.reason }
    : {
        id: result.option.id,
        name: result.option.name,
        total: result.quote.total,
        moreMinor: result.moreMinor,
        moreMinutes: result.moreMinutes,
        moreUnits: result.moreUnits,
        findings: result.findings,
        notOffered: notOffered(result),
      };

function printQuote(quote: Quote, world: World): void {
  const { currency } = quote;
  for (const { name, count, unit, netMinor } of quote.parts) {
    const price = netMinor === null ? "no price" : moneyText(netMinor, currency);
    world.out(`  ${count}${unit === "" ? " ×" : ` ${unit}`} ${name}: ${price}\n`);
  }
  for (const { task, minutes, of, netMinor } of quote.work) {
    world.out(
      `  ${TASK_WORDS[task]}, ${Math.round(minutes.low)}–${Math.round(minutes.high)} min (${of}): ${moneyText(netMinor, currency)}\n`,
    );
  }
  const { netMinor, taxMinor, grossMinor } = quote.total;
  world.out(
    `net ${moneyText(netMinor, currency)}, tax ${moneyText(taxMinor, currency)}, total ${moneyText(grossMinor, currency)}\n`,
  );
  world.out(
    `between ${moneyText(quote.low.grossMinor, currency)} and ${moneyText(quote.high.grossMinor, currency)} by how long the work takes\n`,
  );
  if (!quote.hourKnown)
    world.out("The practices say no price of an hour: work is in it for nothing.\n");
  if (quote.unpriced.length > 0) {
    world.out(`Without a price, and not in the total: ${quote.unpriced.join(", ")}.\n`);
  }
}

/** What a job is asked for, with its options and what each comes to. */
export function writeQuote(
  job: Job,
  shelf: readonly Part[],
  json: boolean,
  world: World,
): ExitCode {
  const { quote, findings, options } = workedQuote(job, shelf);
  if (json) {
    printJson(world, { ...quote, findings, options: options.map(optionJson) });
    return 0;
  }
  printQuote(quote, world);
  for (const result of options) {
    const why = notOffered(result);
    const means = result.kind === "worked" ? meansOf(result).join(", ") : "";
    world.out(`or ${result.option.name}: ${why === "" ? means : `not offered, ${why}`}\n`);
  }
  return 0;
}
