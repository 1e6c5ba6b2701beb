import type { WiringDeviation, Edit, Job, WireLine } from "@dragonet/core";

export const DEVIATION_WORDS: Readonly<Record<WiringDeviation["kind"], string>> = {
  lampsSwapped: "lamps on each other’s feed",
  joined: "feeds tied together (hazards on a single pole)",
  thinSharedReturn: "one thin return for both",
  endMoved: "a wire on the wrong terminal",
  endsSwapped: "two wires on each other’s terminal",
  wireMissing: "a wire left out",
  thinWire: "a thinner wire",
  reversed: "two terminals the wrong way round",
  tied: "two terminals tied together",
};

const wireText = (wires: readonly WireLine[], id: string): string => {
  const wire = wires.find((w) => w.elementId === id);
  return wire ? `wire ${wire.label} (${wire.from} to ${wire.to})` : id;
};

export interface TerminalChoice {
  readonly node: string;
  readonly words: string;
}

/** Every terminal that a wire ends at, by what the flags say. */
export function terminalsOf(wires: readonly WireLine[]): TerminalChoice[] {
  const words = new Map<string, string>();
  for (const wire of wires) {
    words.set(wire.fromNode, wire.from);
    words.set(wire.toNode, wire.to);
  }
  const all = [...words].map(([node, said]) => ({ node, words: said }));
  // Two of a name are told apart by the terminal itself.
  return all.map((t) =>
    all.some((other) => other !== t && other.words === t.words)
      ? { ...t, words: `${t.words} [${t.node}]` }
      : t,
  );
}

/** A deviation in one line: what, and where. */
export function deviationText(job: Job, d: WiringDeviation, wires: readonly WireLine[]): string {
  const name = (id: string): string => job.runs.find((r) => r.id === id)?.name ?? id;
  if (d.otherRunId !== "") {
    return `${name(d.runId)} and ${name(d.otherRunId)}: ${DEVIATION_WORDS[d.kind]}`;
  }
  const terminals = terminalsOf(wires);
  const terminal = (node: string) => terminals.find((t) => t.node === node)?.words ?? node;
  const said = [
    ...[d.wire, d.otherWire].filter((id) => id !== "").map((id) => wireText(wires, id)),
    ...[d.at, d.otherAt].filter((node) => node !== "").map(terminal),
    ...(d.gaugeId === "" ? [] : [d.gaugeId]),
  ];
  return `${DEVIATION_WORDS[d.kind]}: ${said.join(", ")}`;
}

export const mendDeviation = (d: WiringDeviation): Edit => ({
  kind: "remove",
  entity: "deviation",
  id: d.id,
});
