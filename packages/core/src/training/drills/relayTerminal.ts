import {
  splitNode,
  unitAt,
  wireEnds,
  wiresOf,
  type Circuit,
  type WireElement,
} from "../../circuit/index.ts";
import { ownerName, type NodeId } from "../../job/index.ts";
import { pickOf } from "../chance.ts";
import { drillOf, type MakeDrill } from "../drill.ts";

const COIL = "85 or 86";
const TERMINALS = ["30", "87", "87a", COIL];
const MEANING: Readonly<Record<string, string>> = {
  "30": "30 is where current comes in",
  "87": "87 is where it goes out once the coil pulls",
  "87a": "87a has it until the coil pulls",
  [COIL]: "85 and 86 are the two ends of the coil",
};

const nameAt = (node: NodeId): string => {
  const { terminal } = splitNode(node);
  return terminal === "85" || terminal === "86" ? COIL : terminal;
};

/** A wire that ends at a relay of its own, with that end and the other one. */
function atRelay(circuit: Circuit, wire: WireElement) {
  const ends = wireEnds(circuit, wire);
  return [wire.from, wire.to].flatMap((node, i) => {
    const unit = unitAt(circuit, node);
    const [far, other] = [i === 0 ? wire.to : wire.from, ends[1 - i] ?? ""];
    const between = unitAt(circuit, far)?.kind === "relay";
    return unit?.kind === "relay" && TERMINALS.includes(nameAt(node)) && !between
      ? [{ wire, node, other }]
      : [];
  });
}

/** A wire of the job's own and where it comes from: which terminal does it go to? DIN 72552 (from memory). */
export const relayTerminal: MakeDrill = ({ job, circuit, chance }) => {
  const choice = pickOf(
    wiresOf(circuit).flatMap((wire) => atRelay(circuit, wire)),
    chance,
  );
  if (!choice) return null;
  const { wire, node, other } = choice;
  const answer = nameAt(node);
  return drillOf(
    "relayTerminal",
    `${ownerName(job, wire.runId)}: the ${wire.colour} ${wire.gaugeId} wire at ${other} goes to which terminal of its relay?`,
    TERMINALS,
    answer,
    `${MEANING[answer] ?? ""} (DIN 72552).`,
  );
};
