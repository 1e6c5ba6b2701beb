import { elementsOf, wiresOf, type WireElement } from "../../circuit/index.ts";
import { synthesise } from "../../synthesis/index.ts";
import { AWG_GAUGES, gaugeOf } from "../../wire/index.ts";
import type { Reference } from "./referenceParts.ts";

/** What the plan picked in one situation of the table of picks, and whether that is within it. */
export interface Judged {
  readonly situation: string;
  readonly inside: boolean;
  readonly picked: string;
  readonly reason: string;
}

/** American gauge by the nearest copper area. */
function awgOf(id: string): number {
  const { areaM2 } = gaugeOf(id);
  const off = (area: number): number => Math.abs(Math.log(area / areaM2));
  const best = AWG_GAUGES.reduce((b, g) => (off(g.areaM2) < off(b.areaM2) ? g : b));
  return Number.parseInt(best.id, 10);
}

/** What the plan picks for one situation, against the range that a master would accept. */
export function judge(ref: Reference): Judged {
  const circuit = synthesise(ref.job);
  const feeder = circuit.feeders.find((t) => t.ownerId === ref.ownerId);
  const run = circuit.runs.find((r) => r.runId === ref.ownerId);
  const path = feeder ? feeder.path : ref.coil ? (run?.coil?.path ?? []) : (run?.out ?? []);
  const fuse = elementsOf(circuit, path, "fuse").find((f) => !f.builtIn)?.ratingA ?? null;
  const roles: readonly WireElement["role"][] = ref.coil
    ? ["tap", "coilFeed", "coilReturn"]
    : ["feed", "load", "return"];
  const gauges = wiresOf(circuit)
    .filter((w) => w.runId === ref.ownerId && w.harness === "" && roles.includes(w.role))
    .filter((w) => !feeder || path.includes(w.id))
    .map((w) => awgOf(w.gaugeId));
  const relay = elementsOf(circuit, path, "contact").some((c) => c.inBox === "");
  const thin = Math.max(...gauges);
  const thick = Math.min(...gauges);
  // Plug to plug nothing is cut, and nothing is sized.
  const wire = gauges.length === 0 || (thin <= ref.thinnest && thick >= ref.thickest);
  const relayed = ref.relay === null || ref.relay === relay;
  const reason = circuit.choices
    .filter((c) => c.runId === ref.ownerId && ["fuse", "wire", "relay"].includes(c.kind))
    .map((c) => c.reason)
    .join(" ");
  return {
    situation: ref.situation,
    inside: ref.fuses.includes(fuse) && wire && relayed,
    picked: `${fuse === null ? "no" : fuse} A fuse (${ref.fuses.join("|")}), ${gauges.length === 0 ? "nothing cut" : `${thin} to ${thick} AWG`} (${ref.thinnest} to ${ref.thickest}), ${relay ? "relay" : "no relay"}`,
    reason,
  };
}
