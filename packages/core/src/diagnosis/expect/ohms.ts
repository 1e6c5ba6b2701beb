import { asId, type ElementId, type NodeId } from "../../job/index.ts";
import type { Network, SolvedNetwork } from "../../network/index.ts";
import { decimal } from "../../quantity/index.ts";

/** What a hand meter tests ohms with: volts too few for any lamp's electronics, behind its own resistance. Common practice. */
const TEST_V = 0.5;
const TEST_OHM = 1000;
/** Above this it shows an open way ("OL"), Ω: what its tips and damp make is more than nothing. */
export const OPEN_WAY_OHM = 10_000;
/** From here on somebody calls a way open, Ω. */
const CALLED_OPEN_OHM = OPEN_WAY_OHM / 2;
/** Tips and leads, and how well cold filaments are known: Ω, and a share. Common practice. */
const TIPS_OHM = 0.15;
const KNOWN_SHARE = 0.1;

const METER = asId<ElementId>("ohmMeter");

/** A network without its sources, and an ohm meter between two of its nodes. */
export function underOhmMeter({ branches, held }: Network, node: NodeId, against: NodeId): Network {
  return {
    branches: [
      ...branches,
      {
        ...{ id: METER, from: node, to: against, words: "ohm meter" },
        model: { kind: "source", volts: TEST_V, ohm: TEST_OHM },
      },
    ],
    // Posts that had volts float now: the battery's lead is off.
    held: new Map([...held].filter(([, volts]) => volts <= 0)),
  };
}

/** What the meter shows, Ω: by the volts that are left of its own. */
export function ohmsBetween(
  { volts }: Pick<SolvedNetwork, "volts">,
  node: NodeId,
  against: NodeId,
): number {
  const across = (volts.get(node) ?? 0) - (volts.get(against) ?? 0);
  const ohm =
    across >= TEST_V ? OPEN_WAY_OHM : (TEST_OHM * Math.max(0, across)) / (TEST_V - across);
  return Math.min(OPEN_WAY_OHM, ohm);
}

/** One standard deviation of what is expected of a way, Ω. */
export const ohmSigma = (ohm: number): number =>
  ohm >= CALLED_OPEN_OHM ? OPEN_WAY_OHM / 6 : Math.hypot(TIPS_OHM, KNOWN_SHARE * ohm);

/** "OL" for an open way, as a meter has it. */
export const ohmText = (ohm: number): string =>
  ohm >= CALLED_OPEN_OHM ? "OL" : decimal(ohm, ohm < 100 ? 1 : 0);

/** A reading as it was typed or sent; "OL" for an open way. Null for no such reading. */
export function readOhms(text: string): number | null {
  if (/^ol$/i.test(text.trim())) return OPEN_WAY_OHM;
  const [, digits, said = ""] = /^(\d+(?:[.,]\d+)?)\s*(m|k|M)?(?:Ω|ohm)?$/i.exec(text.trim()) ?? [];
  if (digits === undefined) return null;
  const factor = { "": 1, m: 1e-3, k: 1e3, M: 1e6 }[said] ?? 1e3;
  return Math.min(OPEN_WAY_OHM, Number(digits.replace(",", ".")) * factor);
}
