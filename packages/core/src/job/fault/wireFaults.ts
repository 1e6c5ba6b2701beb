import { findGauge, parseWireColour } from "../../wire/index.ts";
import type { Fault } from "./fault.ts";
import type { Job } from "../job.ts";

const colourFault = (colour: string, path: string): Fault[] =>
  colour === "" || parseWireColour(colour)
    ? []
    : [{ path, message: `invalid colour: "${colour}" (such as brown or brown/white)` }];

/** Faults of what is said about single wires, of the shop's colours, and of variants. */
export function wireFaults(job: Job): Fault[] {
  const harnesses = new Set<string>(job.harnesses.map((h) => h.id));
  const variants = new Set<string>(job.vehicle.variants.map((v) => v.id));
  const seen = new Set<string>();
  const unknown = (path: string, what: string, id: string): Fault[] => [
    { path, message: `no ${what} with id "${id}" in this job` },
  ];
  return [
    ...job.wireChoices.flatMap((choice, i): Fault[] => {
      const path = `wireChoices[${i}]`;
      const again = seen.has(choice.wire);
      seen.add(choice.wire);
      return [
        ...(again
          ? [
              {
                path: `${path}.wire`,
                message: `"${choice.wire}" is spoken of twice (once is enough)`,
              },
            ]
          : []),
        ...(choice.harnessId === "" || harnesses.has(choice.harnessId)
          ? []
          : unknown(`${path}.harnessId`, "harness", choice.harnessId)),
        ...(choice.gaugeId === "" || findGauge(choice.gaugeId)
          ? []
          : [
              {
                path: `${path}.gaugeId`,
                message: `invalid wire size: "${choice.gaugeId}" (such as 18 AWG or 0.75 mm²)`,
              },
            ]),
        ...colourFault(choice.colour, `${path}.colour`),
      ];
    }),
    ...job.practices.colours.flatMap(({ colour }, i) =>
      colourFault(colour, `practices.colours[${i}].colour`),
    ),
    ...(job.vehicle.variant === "" || variants.has(job.vehicle.variant)
      ? []
      : unknown("vehicle.variant", "variant", job.vehicle.variant)),
    ...job.vehicle.pins.flatMap((pin, i) =>
      pin.variant === "" || variants.has(pin.variant)
        ? []
        : unknown(`vehicle.pins[${i}].variant`, "variant", pin.variant),
    ),
  ];
}
