import { asId, type PartId } from "../../job/index.ts";
import {
  NEVER_SLEEPS,
  PLAIN,
  type BatteryPart,
  type BoxPart,
  type LoadPart,
  type SwitchPart,
} from "../../part/index.ts";
import { stated } from "../../quantity/index.ts";

/** What the newer jobs of the demo shop take from the shelf. All invented. */
const base = (id: string, name: string, price: number, stock: number, note = "") => ({
  id: asId<PartId>(id),
  ...{ name, price, stock, note, ingress: "IP65", ratedV: 0 },
});

const NONE = stated(0, 0, 0);
const led = (watts: number) => ({
  kind: "drivenLed" as const,
  powerW: stated(watts),
  minV: 9,
  maxV: 16,
});

const lamp = (
  fields: Omit<LoadPart, "kind" | "family" | "standbyA" | "caseGround" | "behaviour">,
) =>
  ({
    ...fields,
    ...{ kind: "load", family: "lamp", standbyA: NONE, caseGround: false, behaviour: null },
  }) satisfies LoadPart;

const LAMPS: readonly LoadPart[] = [
  lamp({
    ...base(
      "tail-five-wire",
      "Five-wire tail lamp",
      26,
      3,
      "Run, brake, left, right; black is common.",
    ),
    ...{ light: "red", load: led(1.2), pigtail: "20 AWG", dim: null },
    lights: [
      { name: "brake", light: "red", load: led(4.5) },
      { name: "left", light: "amber", load: led(2) },
      { name: "right", light: "amber", load: led(2) },
    ],
  }),
  lamp({
    ...base("turn-switchback", "Switch-back turn lamp, white and amber", 14, 6),
    ...{ light: "amber", load: led(2.2), pigtail: "20 AWG", dim: null },
    lights: [{ name: "position", light: "white", load: led(1.1) }],
  }),
  lamp({
    ...base("turn-plug", "LED turn lamp with the factory's plug", 22, 4, "Left and right by plug."),
    ...{ light: "amber", load: led(1.7), pigtail: "20 AWG", dim: null, lights: [] },
  }),
  lamp({
    ...base("strip-12-short", "12 V LED tape of dies and resistors, 200 mm", 4, 24, "Red."),
    ...{ light: "red", pigtail: "", dim: null, lights: [] },
    load: { kind: "resistive", powerW: stated(2.4, 2.2, 2.6), ratedV: 12 },
  }),
];

const plugIn = (
  id: string,
  name: string,
  price: number,
  behaviours: BoxPart["behaviours"],
): BoxPart => ({
  ...base(id, name, price, 2, "Plug in, plug out: nothing is cut."),
  ...{ kind: "box", form: "plugIn", ways: behaviours.length, wayA: 3, wayRatings: [], totalA: 8 },
  ...{ mainBreakerA: 0, switches: "positive", inputOhm: stated(10000), idleA: stated(0.002) },
  ...NEVER_SLEEPS,
  behaviours,
});

const BOXES: readonly BoxPart[] = [
  plugIn("plug-in-deactivator", "Plug-in running-light deactivator", 29, [
    {
      ...PLAIN,
      ...{ label: "dark while this side turns", offWith: ["left", "hazard"], offHoldS: 1 },
    },
    {
      ...PLAIN,
      ...{ label: "dark while this side turns", offWith: ["right", "hazard"], offHoldS: 1 },
    },
  ]),
  plugIn("plug-in-brake-pulse", "Plug-in brake pulse", 24, [
    { ...PLAIN, ...{ label: "three flashes, then steady", flashes: 3, onS: 0.08, offS: 0.08 } },
  ]),
  {
    ...base("hub-6-uneven", "Six-way hub of uneven channels", 149, 1, "30 A main breaker inside."),
    ...{ kind: "box", form: "hub", ways: 6, wayA: 5, wayRatings: [20, 15, 10, 10, 5, 5] },
    ...{ totalA: 40, mainBreakerA: 30, switches: "positive", inputOhm: stated(10000) },
    ...{ idleA: stated(0.004), behaviours: [], sleepAfterMin: 5, sleepA: stated(0.0004) },
  },
];

const BATTERIES: readonly BatteryPart[] = [
  {
    ...base("battery-tool-3s", "Tool battery, three lithium-ion cells, 4 Ah", 39, 2),
    ...{ kind: "battery", chemistry: "lithiumIon", cells: 3, capacityAh: stated(4, 3.6, 4.1) },
    ...{ hourRate: 1, peukert: stated(1.03, 1, 1.05), chargerA: stated(2) },
  },
];

const SWITCHES: readonly SwitchPart[] = [
  {
    ...base("stalk-multi", "Stalk: lights, turn, hazard, horn", 34, 1, "Four switches in one."),
    ...{ kind: "switch", contactA: 8, tellTale: "none", tellTaleA: NONE },
  },
  {
    ...base("switch-brake-lever", "Lever brake switch", 6, 4),
    ...{ kind: "switch", contactA: 3, tellTale: "none", tellTaleA: NONE },
  },
];

export const KIT_SHELF = [...LAMPS, ...BOXES, ...BATTERIES, ...SWITCHES];
