import type { BoxPart } from "../../part/index.ts";
import { fusePiece } from "../fuse/unit.ts";
import { piece, type TerminalList, type ThingSpec } from "../thing.ts";

const channelsOf = (ways: number): number[] => Array.from({ length: ways }, (_, i) => i + 1);

/** A fuse block, hub or relay board: one that is worked has a negative, and an input a channel. */
export const boxTerminals = (ways: number, worked: boolean): TerminalList => [
  ["in", "stud"],
  ...(worked ? [["neg", "stud"] as const] : []),
  ...channelsOf(ways).flatMap((n) => [
    [`ch${n}`, "blade", `channel ${n}: spare`] as const,
    ...(worked ? [[`in${n}`, "blade", `channel ${n}: input not used`] as const] : []),
  ]),
];

/** A module between factory plugs and lamps: in and out of each channel. */
export const moduleTerminals = ({ ways }: Pick<BoxPart, "ways">): TerminalList => [
  ["neg", "mate"],
  ...channelsOf(ways).flatMap((n) => [
    [`in${n}`, "mate", `channel ${n}: nothing goes through`] as const,
    [`out${n}`, "loom", `channel ${n}: nothing goes through`] as const,
  ]),
];

/** What has channels: it is told with the fuses that sit in it. */
export const boxUnit: ThingSpec = {
  onePlace: false,
  reachMin: 0.5,
  fitMin: 15,
  pieces: (unit, insides, job) => {
    const supply = job.supplies.find((s) => (s.id as string) === unit.ownerId);
    const part = job.parts.find((p) => p.id === supply?.partId);
    const ways = part?.kind === "box" ? `${part.ways} channels` : "";
    const fuses = insides.flatMap((e) =>
      e.kind === "fuse" && !e.builtIn ? [piece(fusePiece(e), "in its box")] : [],
    );
    return [piece(part?.name ?? unit.name, ways), ...fuses];
  },
};
