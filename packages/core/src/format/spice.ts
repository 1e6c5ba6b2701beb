import { itemOf } from "../present/index.ts";
import type { NodeId } from "../job/index.ts";
import {
  DIES_KNEE_V,
  DIODE_LEAK_S,
  diesFootV,
  type Network,
  type NetworkBranch,
} from "../network/index.ts";
import { LEAK_OHM, OFF_S, SOFT_ON_V, TURN_ON_SHARE } from "../solve/defaults.ts";

/** Thermal voltage in V that a SPICE diode model is written for: k/q at 27 °C, 300.15 K (CODATA 2014, as SPICE has it). */
const SPICE_VT = 8.6173303e-5 * 300.15;

/** Names that SPICE takes: letters, digits and underscores, ground being 0, none twice. */
export function spiceNames(network: Network): ReadonlyMap<NodeId, string> {
  const names = new Map<NodeId, string>();
  const taken = new Set<string>(["0"]);
  const name = (node: NodeId): void => {
    if (names.has(node)) return;
    const plain = node
      .toLowerCase()
      .replace(/\+/g, "_plus")
      .replace(/-$/g, "_minus")
      .replace(/[^a-z0-9_]/g, "_");
    let free = plain;
    for (let n = 2; taken.has(free); n += 1) free = `${plain}_${n}`;
    taken.add(free);
    names.set(node, free);
  };
  for (const [node, volts] of network.held) {
    if (volts === 0) names.set(node, "0");
    else name(node);
  }
  for (const branch of network.branches) {
    name(branch.from);
    name(branch.to);
  }
  return names;
}

/** Written in full: the checks compare to 1 mV, and SPICE takes 17 digits. */
export const spiceNumber = (x: number): string => x.toExponential(12);

/**
 * A voltage in steps of a microvolt. Where a part floats but for 100 MΩ, the last bits of a law
 * that is linearised anew each time move the whole of it by more than SPICE's own tolerance, and
 * it never settles; in steps the current stays the same to the bit.
 */
const stepped = (v: string): string => `(floor(${v}*1e6+0.5)*1e-6)`;

/**
 * A diode that lets less through, in A, only leaks: it is written as the straight line that its law is there, since what
 * hangs on the rest by leaks alone settles for no other program while a law bends.
 */
const LEAKS_A = 1e-6;

/** Below this share of its knee's volts a filament is cold, whatever rounding does. */
const COLD_SHARE = 0.9;

/** The SPICE lines of a branch between two nodes; `tag` makes its names, `inner` a node of its own. */
export function spiceDevice(
  { model }: Pick<NetworkBranch, "model">,
  tag: string,
  a: string,
  b: string,
  inner: string,
  /** Volts across it where they are solved already: a driver is then written as it is. */
  acrossV = NaN,
): string[] {
  const v = `V(${a},${b})`;
  switch (model.kind) {
    case "resistor":
      return [`R${tag} ${a} ${b} ${spiceNumber(model.ohm)}`];
    case "power": {
      const { powerW, minV } = model;
      const start = minV * TURN_ON_SHARE;
      const foot = OFF_S * start;
      const slope = (powerW / minV - foot) / (minV - start);
      const on = `${spiceNumber(powerW)}/max(${v},${spiceNumber(start)})`;
      if (acrossV >= minV) {
        const steady = `${spiceNumber(powerW)}/max(${stepped(v)},${spiceNumber(start)})`;
        return [`B${tag} ${a} ${b} I = ${steady}`];
      }
      if (acrossV <= start) return [`R${tag} ${a} ${b} ${spiceNumber(1 / OFF_S)}`];
      const ramp = `${spiceNumber(foot)}+${spiceNumber(slope)}*(${v}-${spiceNumber(start)})`;
      const off = `${spiceNumber(OFF_S)}*${v}`;
      return [
        `B${tag} ${a} ${b} I = (${v} >= ${spiceNumber(minV)}) ? (${on}) : ((${v} > ${spiceNumber(start)}) ? (${ramp}) : (${off}))`,
      ];
    }
    case "filament": {
      const { ratedA, ratedV, exponent } = model;
      const knee = ratedV / 100;
      const cold = (ratedA * (knee / ratedV) ** exponent) / knee;
      // Cold it is a straight line: a kink near by holds up other programs. Lit it keeps that line to begin at.
      if (Math.abs(acrossV) < COLD_SHARE * knee) {
        return [`R${tag} ${a} ${b} ${spiceNumber(1 / cold)}`];
      }
      return [
        `B${tag} ${a} ${b} I = (abs(${v}) < ${spiceNumber(knee)}) ? (${spiceNumber(cold)}*${v}) : (${spiceNumber(ratedA)}*sgn(${v})*exp(${spiceNumber(exponent)}*ln(max(abs(${v}),1e-9)/${spiceNumber(ratedV)})))`,
      ];
    }
    case "current":
      // Past its beginning it is a straight line: a source and what it takes more with its volts.
      if (acrossV > SOFT_ON_V) {
        return [
          `I${tag} ${a} ${b} DC ${spiceNumber(model.currentA - OFF_S * SOFT_ON_V)}`,
          `R${tag} ${a} ${b} ${spiceNumber(1 / OFF_S)}`,
        ];
      }
      return [
        `B${tag} ${a} ${b} I = (${v} > 0) ? (${spiceNumber(model.currentA)}*min(1,${v}/${spiceNumber(SOFT_ON_V)})+${spiceNumber(OFF_S)}*max(0,${v}-${spiceNumber(SOFT_ON_V)})) : (${spiceNumber(OFF_S)}*${v})`,
      ];
    case "dies": {
      const x = `(${v}-${spiceNumber(model.forwardV)})`;
      return [
        `B${tag} ${a} ${b} I = (${x}+sqrt(${x}*${x}+${spiceNumber(DIES_KNEE_V ** 2)})-${spiceNumber(diesFootV(model.forwardV))})/${spiceNumber(2 * model.ohm)}+${spiceNumber(OFF_S)}*${v}`,
      ];
    }
    case "source":
      return [
        `V${tag} ${a} ${inner} ${spiceNumber(model.volts)}`,
        `R${tag} ${inner} ${b} ${spiceNumber(model.ohm)}`,
      ];
    case "diode": {
      const { saturationA, thermalV } = model;
      const e = Math.exp(acrossV / thermalV);
      if (saturationA * e < LEAKS_A) {
        const slope = (saturationA * e) / thermalV;
        const offset = saturationA * (e - 1) - slope * acrossV;
        return [
          `I${tag} ${a} ${b} DC ${spiceNumber(offset)}`,
          `R${tag} ${a} ${b} ${spiceNumber(1 / (slope + DIODE_LEAK_S))}`,
        ];
      }
      return [
        `D${tag} ${a} ${b} DM${tag}`,
        `R${tag} ${a} ${b} ${spiceNumber(1 / DIODE_LEAK_S)}`,
        `.model DM${tag} D(IS=${spiceNumber(saturationA)} N=${spiceNumber(thermalV / SPICE_VT)})`,
      ];
    }
  }
}

/**
 * Whether a part of it hangs on the rest by a leak alone: there the last digit of an ampere is
 * worth tens of microvolts, and a program that waits for less never ends.
 */
const floats = (network: Network): boolean =>
  network.branches.some(({ model }) => model.kind === "resistor" && model.ohm === LEAK_OHM);

/** A network as a SPICE deck with an operating point, so that anyone can repeat a solution. */
export function printSpice(network: Network, title: string): string {
  const names = spiceNames(network);
  const sources = [...network.held]
    .filter(([, volts]) => volts !== 0)
    .map(([node, volts], i) => `Vheld${i + 1} ${itemOf(names, node)} 0 DC ${spiceNumber(volts)}`);
  const devices = network.branches.flatMap((branch, i) => [
    `* ${branch.words.replace(/[^\x20-\x7e]/g, "?")}`,
    ...spiceDevice(
      branch,
      String(i + 1),
      itemOf(names, branch.from),
      itemOf(names, branch.to),
      `src_${i + 1}`,
    ),
  ]);
  return [
    `* ${title.replace(/[^\x20-\x7e]/g, "?")}`,
    `.options reltol=1e-6 abstol=1e-12 vntol=${floats(network) ? "1e-4" : "1e-9"} gmin=1e-15`,
    ...sources,
    ...devices,
    ".op",
    ".end",
    "",
  ].join("\n");
}
