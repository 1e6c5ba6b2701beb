import type { Circuit } from "../../circuit/index.ts";
import type { Drive, Fastener, Job } from "../../job/index.ts";
import { drillText } from "../../quantity/index.ts";
import { cutListOf } from "../cut/cutList.ts";

/** One tool to lay out before the first step, and what it is for. */
export interface Tool {
  readonly name: string;
  readonly why: string;
}

/** Crimp dies by what is crimped: common practice. */
function crimpTools(ends: ReadonlySet<string>): Tool[] {
  const has = (part: string): boolean => [...ends].some((end) => end.includes(part));
  return [
    ...(has("ring terminal") || has("spade terminal") || has("crimp splice")
      ? [{ name: "ratchet crimper, insulated dies", why: "rings, spades and splices" }]
      : []),
    ...(has("terminal of the plug")
      ? [{ name: "crimper, open-barrel dies", why: "terminals of plugs" }]
      : []),
    ...(has("ferrule") ? [{ name: "ferrule crimper", why: "screw terminals" }] : []),
  ];
}

/** What turns a fastener of a drive, by its size where that is known; none for what a hand turns: common practice. */
const DRIVERS: Readonly<Record<Drive, (size: string) => string>> = {
  hex: (size) => `socket or spanner for ${size || "hex heads"}`,
  socket: (size) => `hex key for ${size || "socket heads"}`,
  cross: () => "cross-head driver",
  slot: () => "slot-head driver",
  sixLobe: (size) => (size === "" ? "star bits (six-lobe)" : `star bit ${size} (six-lobe)`),
  push: () => "trim clip tool",
  hand: () => "",
};

const driverOf = ({ drive, size }: Fastener): string => DRIVERS[drive](size);

function fitTools(job: Job): Tool[] {
  const drivers = [...new Set(job.fasteners.map(driverOf))].filter((name) => name !== "");
  const holes = job.holes.flatMap(({ cut }) => (cut.kind === "round" ? [cut.diameterMm] : []));
  const widest = Math.max(0, ...holes);
  return [
    ...drivers.map((name) => ({ name, why: "fasteners of the ledger" })),
    ...(holes.length > 0
      ? [
          {
            name: `centre punch, pilot bit ${drillText(3, "metric")}`,
            why: "every hole starts there",
          },
          {
            name:
              widest > 10
                ? `step drill to ${drillText(widest, "metric", "step")}`
                : `bits to ${drillText(widest, "metric")}`,
            why: `${holes.length} hole${holes.length === 1 ? "" : "s"}`,
          },
          { name: "deburring tool, safety glasses", why: "edges cut wires, chips cut eyes" },
        ]
      : []),
    ...(job.bonds.length > 0
      ? [{ name: "alcohol, lint-free cloth, surface thermometer", why: "adhesive gets one try" }]
      : []),
    ...(job.mounts.length > 0
      ? [{ name: "tape measure, level, masking tape", why: "where lamps sit" }]
      : []),
  ];
}

/** Everything to lay out before the first step: one list a job. */
export function toolsOf(job: Job, circuit: Circuit): Tool[] {
  const { lines } = cutListOf(job, circuit);
  const ends = new Set(lines.flatMap((line) => [line.from.terminal, line.to.terminal]));
  const shrink = lines.some((line) => line.from.shrinkMm > 0 || line.to.shrinkMm > 0);
  const pack = job.vehicle.system.kind !== "engine";
  return [
    {
      name: "multimeter",
      why: "prove every wire before it is tapped, every lamp before it is closed",
    },
    { name: "clamp meter, direct current", why: "draw running, idling and parked" },
    ...(lines.length > 0
      ? [{ name: "side cutters, wire stripper", why: `${lines.length} wires to cut` }]
      : []),
    ...crimpTools(ends),
    ...(shrink ? [{ name: "heat gun", why: "heat-shrink on the joints" }] : []),
    ...fitTools(job),
    ...(pack
      ? [
          {
            name: "insulated tools, gloves rated for the pack",
            why: "a traction pack arcs and burns: isolate, cover, one hand, no rings",
          },
        ]
      : []),
    { name: "stands or lift, wheel chocks", why: "nobody under a machine that can fall" },
  ];
}
