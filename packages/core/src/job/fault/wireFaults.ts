import { findGauge, parseWireColour } from "../../wire/index.ts";
import type { ConnectorPart } from "../../part/index.ts";
import type { Fault } from "./fault.ts";
import type { Job } from "../job.ts";
import type { Harness } from "../record/wiring.ts";

const colourFault = (colour: string, path: string): Fault[] =>
  colour === "" || parseWireColour(colour)
    ? []
    : [{ path, message: `invalid colour: "${colour}" (such as brown or brown/white)` }];

/** Faults of the colours that an adapter's wires have at its two plugs. */
export const leadFaults = ({ leads }: ConnectorPart, path: string): Fault[] =>
  leads.flatMap((lead, i) => [
    ...colourFault(lead.factory, `${path}.leads[${i}].factory`),
    ...colourFault(lead.lamp, `${path}.leads[${i}].lamp`),
  ]);

/** Faults of where a harness goes between the halves of factory connectors. */
function jointFaults(job: Job, { joints }: Harness, path: string): Fault[] {
  const connectors = new Set<string>(job.vehicle.connectors.map((c) => c.id));
  return joints.flatMap(({ id, connectorId }, i): Fault[] => {
    const before = joints.slice(0, i);
    return [
      ...(before.some((j) => j.id === id)
        ? [{ path: `${path}[${i}].id`, message: `"${id}" is taken already (needs another)` }]
        : []),
      ...(connectorId === "" || connectors.has(connectorId)
        ? []
        : [
            {
              path: `${path}[${i}].connectorId`,
              message: `no connector with id "${connectorId}" in this job`,
            },
          ]),
    ];
  });
}

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
    ...job.harnesses.flatMap((harness, i) => jointFaults(job, harness, `harnesses[${i}].joints`)),
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
