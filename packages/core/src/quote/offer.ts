import { conditionText, lampsText, type Job, type Lamp, type LampId } from "../job/index.ts";
import { moneyText } from "../money/index.ts";
import { counted, decimal } from "../quantity/index.ts";
import type { LightColour, LoadFamily } from "../part/index.ts";
import { loadsOf } from "../synthesis/index.ts";
import { vehicleName, type VehicleKind } from "../vehicle/index.ts";
import type { OptionResult, WorkedQuote } from "./optionOf.ts";
import type { Quote, Totals } from "./quoteOf.ts";

/** One way to have the job done, as a customer chooses it: the plan, or an option. */
export interface OfferChoice {
  /** "" for the plan itself. */
  readonly id: string;
  readonly name: string;
  readonly total: Totals;
  readonly lowMinor: number;
  readonly highMinor: number;
  readonly parts: readonly {
    readonly name: string;
    readonly count: number;
    readonly unit: string;
  }[];
  /** What it means beside the plan, one a line. */
  readonly means: readonly string[];
}

/** A lamp where it will sit, as a picture of the vehicle shows it. */
export interface OfferedLamp {
  readonly lampId: LampId;
  readonly label: string;
  readonly light: LightColour;
  readonly family: LoadFamily;
  readonly place: Lamp["place"];
}

/**
 * What a customer is shown: made of one revision of a job and frozen. Nothing of the shop's
 * other work, its shelf or its notes is in it.
 */
export interface Offer {
  readonly shop: string;
  readonly title: string;
  readonly customer: string;
  readonly vehicle: string;
  readonly currency: string;
  readonly taxShare: number;
  /** Last day on which it may be accepted, as ISO date. */
  readonly validUntil: string;
  /** What will be done, in plain words. */
  readonly work: readonly string[];
  readonly choices: readonly OfferChoice[];
  /** Lamps as planned, for a picture; offers of earlier versions have none. */
  readonly shown?: {
    readonly kind: VehicleKind;
    readonly lamps: readonly OfferedLamp[];
  };
}

/** "Pods: 2 × Pod 20 W in front; on with high beam and own switch." */
const workOf = (job: Job): string[] =>
  job.runs.map((run) => {
    const lamps = lampsText(job, run.id, true) || "nothing on it yet";
    return `${run.name}: ${lamps}; on with ${conditionText(run.condition)}.`;
  });

const lampsOf = (job: Job): OfferedLamp[] =>
  job.runs
    .flatMap((run) => loadsOf(job, run))
    .map(({ lamp, part }) => ({
      ...{ lampId: lamp.id, label: lamp.label, place: lamp.place },
      ...{ light: part.light, family: part.family },
    }));

const choiceOf = (
  id: string,
  name: string,
  quote: Quote,
  means: readonly string[],
): OfferChoice => ({
  ...{ id, name, means, total: quote.total },
  ...{ lowMinor: quote.low.grossMinor, highMinor: quote.high.grossMinor },
  parts: quote.parts.map(({ name: part, count, unit }) => ({ name: part, count, unit })),
});

/** What an option means beside the plan, as a person would put it. */
export function meansOf(result: Extract<OptionResult, { kind: "worked" }>): string[] {
  const { quote, moreMinor, moreMinutes, moreUnits, findings, before } = result;
  const minutes = Math.round(Math.abs(moreMinutes));
  const fixes = findings.fix - before.fix;
  const told = (by: number, one: string): string => {
    const more = by > 0 ? "more" : "fewer";
    return counted(Math.abs(by), `${more} ${one}`);
  };
  return [
    moreMinor === 0
      ? "the same price"
      : `${moneyText(Math.abs(moreMinor), quote.currency)} ${moreMinor > 0 ? "more" : "less"}`,
    ...(minutes === 0 ? [] : [`${minutes} min ${moreMinutes > 0 ? "more" : "less"} work`]),
    ...(moreUnits === 0 ? [] : [`${told(moreUnits, "thing")} that may fail`]),
    ...(fixes === 0 ? [] : [`${told(fixes, "point")} that will want attention`]),
  ];
}

/** Why an option is not put before a customer; "" where it is. */
export function notOffered(result: OptionResult): string {
  if (result.kind === "refused") return result.reason;
  return result.findings.stop > result.before.stop
    ? "the check says stop to it; what for is told once it is planned so"
    : "";
}

/** A job's offer. Options that cannot be built or that the check stops are left out. */
export function offerOf(
  job: Job,
  { quote, options }: WorkedQuote,
  { shop, today }: { readonly shop: string; readonly today: Date },
): Offer {
  const { tariff } = job.practices;
  const until = new Date(today.getTime() + tariff.validDays * 24 * 3_600_000);
  return {
    shop,
    title: job.card.title,
    customer: job.card.customer,
    vehicle: vehicleName(job.vehicle),
    currency: quote.currency,
    taxShare: quote.taxShare,
    validUntil: until.toISOString().slice(0, 10),
    work: workOf(job),
    shown: { kind: job.vehicle.kind, lamps: lampsOf(job) },
    choices: [
      choiceOf("", "As planned", quote, []),
      ...options.flatMap((result) =>
        result.kind === "worked" && notOffered(result) === ""
          ? [choiceOf(result.option.id, result.option.name, result.quote, meansOf(result))]
          : [],
      ),
    ],
  };
}

/** What a job comes to now beside what was accepted, one change a line; none where nothing moved. */
export function changedSince(accepted: OfferChoice, now: Quote): string[] {
  const counts = (list: readonly { name: string; count: number }[]): Map<string, number> =>
    new Map(list.map(({ name, count }) => [name, count]));
  const [then, today] = [counts(accepted.parts), counts(now.parts)];
  const names = [...new Set([...then.keys(), ...today.keys()])];
  const moved = names.flatMap((name) => {
    const [was, is] = [then.get(name) ?? 0, today.get(name) ?? 0];
    if (Math.abs(was - is) < 0.005) return [];
    return [`${name}: ${decimal(was)} then, ${decimal(is)} now`];
  });
  const more = now.total.grossMinor - accepted.total.grossMinor;
  const price =
    more === 0
      ? []
      : [`${moneyText(Math.abs(more), now.currency)} ${more > 0 ? "more" : "less"} than accepted`];
  return [...price, ...moved];
}
