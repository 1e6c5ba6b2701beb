import type { KitPart } from "../../part/index.ts";
import type { Fault } from "./fault.ts";
import type { Feed } from "../record/wiring.ts";

/**
 * Faults of what a kit lays out: everything that it refers to must be in the kit itself, for
 * it knows nothing of the vehicle that it will be fitted to.
 */
export function kitFaults(kit: KitPart, path: string): Fault[] {
  const { content } = kit;
  const at = `${path}.content`;
  const ids = (list: readonly { readonly id: string }[]) => new Set<string>(list.map((x) => x.id));
  const parts = ids(content.parts);
  const runs = ids(content.runs);
  const supplies = ids(content.supplies);
  const controls = ids(content.controls);
  const lamps = ids(content.lamps);
  const harnesses = ids(content.harnesses);
  const lacks = (where: string, what: string, id: string): Fault => ({
    path: `${at}.${where}`,
    message: `no ${what} with id "${id}" in this kit`,
  });
  const feed = (f: Feed, where: string): Fault[] => {
    if (f.kind === "supply" && !supplies.has(f.supplyId)) {
      return [lacks(`${where}.feed.supplyId`, "supply", f.supplyId)];
    }
    return f.kind === "pin"
      ? [
          {
            path: `${at}.${where}.feed`,
            message: `a kit knows no wires of a vehicle: "${f.pinId}" (battery, pack or one of its supplies)`,
          },
        ]
      : [];
  };
  const of = (has: ReadonlySet<string>, id: string, where: string, what: string): Fault[] =>
    id === "" || has.has(id) ? [] : [lacks(where, what, id)];
  return [
    ...content.supplies.flatMap((s, i) => [
      ...of(parts, s.partId, `supplies[${i}].partId`, "part"),
      ...feed(s.feed, `supplies[${i}]`),
    ]),
    ...content.controls.flatMap((c, i) => [
      ...of(parts, c.switchPartId ?? "", `controls[${i}].switchPartId`, "part"),
      ...of(controls, c.housing, `controls[${i}].housing`, "control"),
      ...feed(c.feed, `controls[${i}]`),
    ]),
    ...content.runs.flatMap((r, i) => [
      ...of(parts, r.switchPartId ?? "", `runs[${i}].switchPartId`, "part"),
      ...of(parts, r.relayPartId ?? "", `runs[${i}].relayPartId`, "part"),
      ...of(parts, r.connectorPartId ?? "", `runs[${i}].connectorPartId`, "part"),
      ...of(supplies, r.throughId, `runs[${i}].throughId`, "supply"),
      ...of(new Set(), r.tapPinId ?? "", `runs[${i}].tapPinId`, "wire of a vehicle"),
      ...feed(r.feed, `runs[${i}]`),
    ]),
    ...content.lamps.flatMap((lamp, i) => [
      ...of(parts, lamp.partId, `lamps[${i}].partId`, "part"),
      ...of(runs, lamp.runId, `lamps[${i}].runId`, "circuit"),
      ...of(lamps, lamp.housing, `lamps[${i}].housing`, "lamp"),
    ]),
    ...content.wireChoices.flatMap((choice, i) =>
      of(harnesses, choice.harnessId, `wireChoices[${i}].harnessId`, "harness"),
    ),
  ];
}
