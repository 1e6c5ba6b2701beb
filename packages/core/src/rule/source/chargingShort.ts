import type { ChargingBudget, RunningState } from "../../budget/index.ts";
import { decimal, type Interval } from "../../quantity/index.ts";
import { breakEven, rideEffect, type RideEffect } from "../../ride/index.ts";
import type { ChargingFacts, BatteryFacts } from "../../vehicle/index.ts";
import type { Figure, Found, Rule, RuleContext, Severity } from "../finding.ts";

/** Amps to spare, or short, as one says it. */
const spareText = ({ mid }: Interval): string =>
  mid < 0 ? `${decimal(-mid)} A short` : `${decimal(mid)} A to spare`;

const figureOf = (b: ChargingBudget): Figure => ({
  label: `at ${b.state}`,
  value: `${spareText(b.spareA)} with these lamps, ${spareText(b.baseSpareA)} without`,
  limit: "0 A or more",
});

const found = (
  severity: Severity,
  words: string,
  title: string,
  figures: readonly Figure[],
  why: string,
): Found => ({
  ...{ rule: "charging-short", severity, title, figures, why },
  place: { runId: null, elementId: null, words: `Budget: ${words}` },
  remedies: [],
});

const percent = (soc: number): string => `${decimal(100 * soc, 0)} %`;

/** From what speed the charging system carries everything that is on in a state. */
function carriedFrom(
  { job, circuit }: RuleContext,
  charging: ChargingFacts,
  state: RunningState,
): string {
  const { likelyRpm } = breakEven(job, circuit, charging, state);
  return likelyRpm === null
    ? "At no engine speed does the charging carry all of it"
    : `From about ${decimal(50 * Math.ceil(likelyRpm / 50), 0)} rpm the charging carries all of it`;
}

const OUT_OF_BATTERY =
  "What the charging system does not give comes out of the battery, until it will not start.";

/** A ride that leaves a battery which is not trusted to start; null where it does not. */
function stranded(
  context: RuleContext,
  charging: ChargingFacts,
  battery: BatteryFacts,
  effect: RideEffect,
  figures: readonly Figure[],
): Found | null {
  const { name } = effect;
  const withLamps = effect.withLamps();
  const mark = `at least ${percent(battery.noStartSoc.value)} to start`;
  const ride = (soc: number): Figure => ({
    label: "lowest charge of the ride",
    value: percent(soc),
    limit: mark,
  });
  const why = (): string => `${OUT_OF_BATTERY} ${carriedFrom(context, charging, "idle")}.`;
  if (withLamps.noStartMinute !== null) {
    const minute = decimal(withLamps.noStartMinute, 0);
    const alone = effect.without().noStartMinute;
    return found(
      alone === null && withLamps.lowestSoc < battery.noStartSoc.low ? "stop" : "fix",
      name,
      `This ride ends at ${percent(withLamps.endSoc)} and may not start after minute ${minute}`,
      [ride(withLamps.lowestSoc), ...figures],
      alone === null
        ? why()
        : `Without these lamps that comes at minute ${decimal(alone, 0)}: the vehicle by itself does not carry this ride. ${why()}`,
    );
  }
  const worstWith = effect.worstWith();
  if (worstWith.noStartMinute === null || effect.worstWithout().noStartMinute !== null) return null;
  return found(
    "fix",
    name,
    `This ride may leave a battery that does not start, after minute ${decimal(worstWith.noStartMinute, 0)}`,
    [ride(worstWith.lowestSoc), ...figures],
    `With every fact at its worst. Measure first: ${context.budget.running.flatMap((b) => b.toMeasure)[0]?.what ?? "the draw of the new lamps"}. ${why()}`,
  );
}

/** Short at a speed that is held for hours, or perhaps: without a ride that strands. */
function shortAt(context: RuleContext, charging: ChargingFacts): Found[] {
  const held = context.budget.running.filter((b) => b.state !== "idle");
  const short = held.filter((b) => b.verdict === "short");
  const worst = short.at(-1);
  if (worst) {
    return [
      found(
        worst.state === "cruise" ? "fix" : "note",
        worst.state,
        `Charging falls short at ${short.map((b) => b.state).join(" and ")}`,
        short.map(figureOf),
        `${OUT_OF_BATTERY} ${carriedFrom(context, charging, worst.state)}.`,
      ),
    ];
  }
  // What was unsure before is not these lamps' doing.
  const unsure = held.filter((b) => b.verdict === "uncertain" && b.baseSpareA.low >= 0);
  const [first] = unsure;
  if (!first) return [];
  const measure = first.toMeasure[0]?.what ?? "the draw of the new lamps";
  return [
    found(
      "note",
      first.state,
      `Charging may fall short at ${unsure.map((b) => b.state).join(" and ")}`,
      unsure.map(figureOf),
      `The bounds straddle zero. Measure first: ${measure}.`,
    ),
  ];
}

/** What the added lamps do to the charging balance: nothing is said where they change nothing. */
export const chargingShort: Rule = {
  id: "charging-short",
  source: "common practice",
  check: (context) => {
    const { job, circuit, budget } = context;
    const { system } = job.vehicle;
    if (job.runs.length === 0 || system.kind !== "engine") return [];
    if (budget.running.every((b) => b.verdict === "carries")) return [];
    const { charging, battery } = system;
    if (budget.running.every((b) => b.verdict === "unknown")) {
      return [
        found(
          "note",
          "charging",
          "Not known whether the charging carries these lamps",
          [],
          "Nobody has told or measured what it gives and what the vehicle takes: all of it is a default. Clamp meter on the battery's positive lead at idle and at cruise, everything on.",
        ),
      ];
    }
    const effect = rideEffect(job, circuit, charging, battery);
    const short = budget.running.filter((b) => b.spareA.mid < 0).map(figureOf);
    const strands = stranded(context, charging, battery, effect, short);
    return strands ? [strands] : shortAt(context, charging);
  },
};
