import type { Vehicle } from "../vehicle/index.ts";
import { keyedApart, pinKey, pinWords, vehicleFacts } from "./vehicleFacts.ts";

/** What somebody found out about a machine of a model: a number with its bounds, or what a wire is. */
export interface FoundOut {
  /** As {@link vehicleFacts} names it; of a wire its plug and cavity. */
  readonly key: string;
  readonly words: string;
  readonly unit: string;
  /** null of a wire. */
  readonly value: number | null;
  readonly low: number | null;
  readonly high: number | null;
  /** What a wire is, "brown/white, high beam, live with high"; "" of a number. */
  readonly said: string;
}

/** The same, with where it comes from. */
export interface Measurement extends FoundOut {
  /** Which machine of the model: told apart, not named, where it comes from another shop. */
  readonly machine: string;
  /** Model year; 0 when nobody said. */
  readonly year: number;
  /** Name of its variant; "" when nobody said. */
  readonly variant: string;
  /** Who measured it; "" where it comes from another shop. */
  readonly who: string;
  /** Day, ISO date. */
  readonly day: string;
  /** The job on which it was measured; "" where that is another shop's. */
  readonly jobId: string;
  /** Name of the other shop; "" for one's own. */
  readonly from: string;
}

const saidOf = (pin: Vehicle["pins"][number]): string =>
  [pin.colour, pin.carries, `live when ${pin.liveWhen}`].filter((t) => t !== "").join(", ");

/** Which machine a measurement is of: two jobs on one machine are one machine, another shop's are others. */
export const machineOf = ({ from, machine, jobId }: Measurement): string =>
  `${from}\n${machine === "" ? jobId : machine}`;

/** Everything on a vehicle that was measured with a meter, or proved. */
export function measuredOn(vehicle: Vehicle): FoundOut[] {
  return [
    ...vehicleFacts(vehicle).flatMap(({ key, words, unit, fact }): FoundOut[] => {
      const { value, low, high, provenance } = fact;
      return provenance === "measured" ? [{ key, words, unit, value, low, high, said: "" }] : [];
    }),
    // Numbered before they are chosen from: a key stays the same whichever of two is proved.
    ...keyedApart(vehicle.pins.map((pin) => ({ pin, key: pinKey(vehicle, pin) }))).flatMap(
      ({ pin, key }): FoundOut[] =>
        pin.certainty === "proved"
          ? [
              {
                ...{ key, words: pinWords(vehicle, pin), unit: "" },
                ...{ value: null, low: null, high: null, said: saidOf(pin) },
              },
            ]
          : [],
    ),
  ];
}

/** What a change of a vehicle found out, and what it says no longer, by key. */
export interface FoundChange {
  readonly put: readonly FoundOut[];
  readonly gone: readonly string[];
}

const same = (a: FoundOut, b: FoundOut): boolean =>
  a.value === b.value && a.low === b.low && a.high === b.high && a.said === b.said;

/**
 * What was measured between two states of a machine's document. What was copied from the model's
 * profile was measured on another machine, so the profile is what a new job is compared with.
 */
export function foundBetween(before: Vehicle, after: Vehicle): FoundChange {
  if (before === after) return { put: [], gone: [] };
  const was = new Map(measuredOn(before).map((one) => [one.key, one]));
  const now = measuredOn(after);
  const still = new Set(now.map(({ key }) => key));
  return {
    put: now.filter((one) => {
      const earlier = was.get(one.key);
      return !earlier || !same(earlier, one);
    }),
    gone: [...was.keys()].filter((key) => !still.has(key)),
  };
}
