import { BLADE_FUSE_RATINGS_A } from "../../protection/index.ts";
import { findGauge } from "../../wire/index.ts";
import type { Job } from "../job.ts";
import type { KitSwitch, Feed, FusePin } from "../record/wiring.ts";
import type { Fault } from "./fault.ts";

const lacks = (path: string, what: string, id: string): Fault => ({
  path,
  message: `no ${what} with id "${id}" in this job`,
});

/** What a feed points at must be there. */
export function feedFaults(job: Job, feed: Feed, path: string): Fault[] {
  const { system } = job.vehicle;
  switch (feed.kind) {
    case "battery":
      return [];
    case "pin":
      return job.vehicle.pins.some((p) => p.id === feed.pinId)
        ? []
        : [lacks(`${path}.pinId`, "wire", feed.pinId)];
    case "supply":
      return job.supplies.some((s) => s.id === feed.supplyId)
        ? []
        : [lacks(`${path}.supplyId`, "supply", feed.supplyId)];
    case "pack":
      return system.kind === "engine"
        ? [{ path, message: `invalid feed: "pack" (this vehicle has no traction pack)` }]
        : [];
    case "block": {
      const blocks = system.kind === "engine" ? 0 : system.pack.blocks;
      return feed.blocks >= 1 && feed.blocks < blocks && Number.isInteger(feed.blocks)
        ? []
        : [
            {
              path: `${path}.blocks`,
              message: `invalid tap: ${feed.blocks} blocks (1 to ${Math.max(1, blocks - 1)} of ${blocks})`,
            },
          ];
    }
  }
}

export function fusePinFaults(fuse: FusePin, path: string): Fault[] {
  return (fuse.kind === "rating" || fuse.kind === "breaker") &&
    !BLADE_FUSE_RATINGS_A.some((a) => a === fuse.ratingA)
    ? [
        {
          path: `${path}.ratingA`,
          message: `invalid fuse: ${fuse.ratingA} A (one of ${BLADE_FUSE_RATINGS_A.join(", ")})`,
        },
      ]
    : [];
}

export const wirePinFaults = (wire: string | null, path: string): Fault[] =>
  wire !== null && !findGauge(wire)
    ? [{ path, message: `invalid wire size: "${wire}" (a size such as 16 AWG or 1.5 mm²)` }]
    : [];

/** Supplies that feed each other in a ring have no source; one that hangs on a ring is not in it. */
function inRing(job: Job, id: string): boolean {
  const seen = new Set<string>();
  let at: string | null = id;
  while (at !== null) {
    if (seen.has(at)) return at === id;
    seen.add(at);
    const supply = job.supplies.find((s) => s.id === at);
    at = supply?.feed.kind === "supply" ? supply.feed.supplyId : null;
  }
  return false;
}

/** A control sits in the switch of another that has one of its own. */
function housingFaults(job: Job, control: KitSwitch, path: string): Fault[] {
  if (control.housing === "") return [];
  const host = job.controls.find((c) => c.id === control.housing);
  return host && host.id !== control.id && host.housing === ""
    ? []
    : [
        {
          path: `${path}.housing`,
          message: `invalid switch: "${control.housing}" (another control of this job, with a switch of its own)`,
        },
      ];
}

const SUPPLY_PARTS: ReadonlySet<string> = new Set(["converter", "box", "battery", "flasher"]);

/** Faults of what a job adds before its runs: supplies, controls, and two lamps in one housing. */
export function supplyFaults(job: Job): Fault[] {
  const part = (id: string | null) => job.parts.find((p) => p.id === id);
  return [
    ...job.supplies.flatMap((supply, i): Fault[] => {
      const path = `supplies[${i}]`;
      return [
        ...feedFaults(job, supply.feed, `${path}.feed`),
        ...(SUPPLY_PARTS.has(part(supply.partId)?.kind ?? "")
          ? []
          : [lacks(`${path}.partId`, "converter, box, battery or flasher", supply.partId)]),
        ...(inRing(job, supply.id)
          ? [
              {
                path: `${path}.feed`,
                message: `"${supply.name}" feeds itself (needs a battery or pack before it)`,
              },
            ]
          : []),
        ...fusePinFaults(supply.fuse, `${path}.fuse`),
        ...wirePinFaults(supply.wire, `${path}.wire`),
      ];
    }),
    ...job.controls.flatMap((control, i): Fault[] => {
      const path = `controls[${i}]`;
      return [
        ...feedFaults(job, control.feed, `${path}.feed`),
        ...fusePinFaults(control.fuse, `${path}.fuse`),
        ...wirePinFaults(control.wire, `${path}.wire`),
        ...housingFaults(job, control, path),
        ...(control.inputs.length === 0 || control.inputs.includes("switch")
          ? [
              {
                path: `${path}.inputs`,
                message: `invalid inputs: ${control.inputs.join(", ") || "none"} (signals of the vehicle, one or more)`,
              },
            ]
          : []),
        ...(control.switchPartId !== null && part(control.switchPartId)?.kind !== "switch"
          ? [lacks(`${path}.switchPartId`, "switch", control.switchPartId)]
          : []),
      ];
    }),
    ...job.lamps.flatMap((lamp, i): Fault[] => {
      if (lamp.housing === "") return [];
      const host = job.lamps.find((l) => l.id === lamp.housing);
      if (!host || host.id === lamp.id || host.housing !== "") {
        return [
          {
            path: `lamps[${i}].housing`,
            message: `invalid housing: "${lamp.housing}" (another lamp of this job, with a housing of its own)`,
          },
        ];
      }
      return [];
    }),
  ];
}
