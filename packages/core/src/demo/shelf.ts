import type { Photometry } from "../photometry/index.ts";
import { asId, type PartId } from "../job/index.ts";
import { measured, stated, type Fact } from "../quantity/index.ts";
import {
  PLAIN,
  type Behaviour,
  type LightColour,
  type LoadPart,
  type LoadSpec,
  type Part,
  type SwitchPart,
  type TellTale,
} from "../part/index.ts";
import { MODULE_SHELF } from "./moduleShelf.ts";
import { KIT_SHELF } from "./kitShelf.ts";
import { inventedBeam } from "./beams.ts";
import { SOURCE_SHELF } from "./sourceShelf.ts";

/** The demo shop's shelf. All invented, with plausible values. */

const id = (text: string): PartId => asId<PartId>(text);

interface LampOptions {
  readonly pigtail?: string;
  readonly standby?: Fact;
  readonly note?: string;
  readonly dim?: LoadSpec;
  readonly caseGround?: boolean;
  readonly behaviour?: Behaviour;
  readonly ingress?: string;
  readonly lights?: LoadPart["lights"];
  readonly photometry?: Photometry;
  readonly price: number;
  readonly stock: number;
}

function lamp(
  partId: string,
  name: string,
  light: LightColour,
  powerW: Fact,
  minV: number,
  maxV: number,
  o: LampOptions,
): LoadPart {
  return {
    id: id(partId),
    kind: "load",
    family: "lamp",
    name,
    light,
    note: o.note ?? "",
    price: o.price,
    stock: o.stock,
    ingress: o.ingress ?? "IP67",
    ratedV: 0,
    load: { kind: "drivenLed", powerW, minV, maxV },
    standbyA: o.standby ?? stated(0, 0, 0),
    pigtail: o.pigtail ?? "",
    dim: o.dim ?? null,
    lights: o.lights ?? [],
    caseGround: o.caseGround ?? false,
    behaviour: o.behaviour ?? null,
    ...(o.photometry && { photometry: o.photometry }),
  };
}

function plainSwitch(
  partId: string,
  name: string,
  contactA: number,
  tellTale: TellTale,
  tellTaleA: Fact,
  price: number,
  stock: number,
): SwitchPart {
  return {
    id: id(partId),
    kind: "switch",
    name,
    note: "",
    price,
    stock,
    ingress: "IP54",
    ratedV: 0,
    contactA,
    tellTale,
    tellTaleA,
  };
}

const sundry = (partId: string, name: string, price: number, stock: number): Part => ({
  id: id(partId),
  kind: "sundry",
  name,
  note: "",
  price,
  stock,
  ingress: "",
  ratedV: 0,
});

export const DEMO_SHELF: readonly Part[] = [
  lamp("bar-40", "40 W light bar", "white", stated(40, 36, 42), 9, 32, {
    pigtail: "16 AWG",
    photometry: inventedBeam("Bar, 40 W", 40, [14_000, 7, 4], [2200, 32, 9]),
    price: 62,
    stock: 3,
  }),
  lamp("bar-120", "120 W light bar", "white", stated(120, 104, 124), 9, 32, {
    pigtail: "14 AWG",
    photometry: inventedBeam("Bar, 120 W", 120, [46_000, 6, 4], [6500, 30, 9]),
    price: 118,
    stock: 1,
  }),
  lamp("pod-18", "18 W flood pod", "white", stated(18, 16, 19), 9, 32, {
    pigtail: "18 AWG",
    photometry: inventedBeam("Pod, flood", 18, [1700, 26, 20]),
    price: 19,
    stock: 8,
  }),
  lamp("pod-30", "30 W spot pod", "white", measured(27.4), 9, 32, {
    pigtail: "18 AWG",
    photometry: inventedBeam("Pod, spot", 30, [24_000, 4, 4], [900, 14, 10]),
    price: 34,
    stock: 4,
    note: "Stated 30 W, measured 27.4 W on the bench.",
  }),
  lamp("amber-pod-12", "12 W amber fog pod", "amber", stated(12), 9, 32, {
    pigtail: "18 AWG",
    photometry: inventedBeam("Pod, amber fog", 12, [1900, 30, 3.5]),
    price: 24,
    stock: 4,
  }),
  lamp("work-24", "24 W work lamp", "warm white", stated(24), 9, 32, {
    pigtail: "18 AWG",
    photometry: inventedBeam("Work lamp", 24, [900, 40, 35]),
    price: 28,
    stock: 2,
  }),
  lamp("turn-led", "LED turn lamp", "amber", stated(1.8), 9, 16, { price: 9, stock: 12 }),
  lamp("tail-brake-led", "LED tail and brake lamp", "red", stated(4.2), 9, 16, {
    price: 17,
    stock: 5,
  }),
  lamp("brake-flasher", "Brake lamp with flasher inside", "red", stated(5.5), 9, 16, {
    price: 31,
    stock: 2,
    standby: stated(0.012, 0.008, 0.02),
    note: "Flashes four times, then steady. Ask the local inspector.",
    behaviour: {
      ...PLAIN,
      label: "four flashes, then steady",
      flashes: 4,
      onS: 0.09,
      offS: 0.09,
      lockoutS: 5,
    },
  }),
  {
    id: id("resistor-6"),
    kind: "load",
    family: "resistor",
    name: "6 Ω load resistor, 50 W",
    light: "none",
    note: "Hot: on metal, off plastic, off the loom.",
    price: 3,
    stock: 12,
    ingress: "",
    ratedV: 0,
    load: { kind: "resistive", powerW: stated(24, 23, 25), ratedV: 12 },
    standbyA: stated(0, 0, 0),
    pigtail: "18 AWG",
    dim: null,
    lights: [],
    caseGround: false,
    behaviour: null,
  },
  {
    id: id("equaliser"),
    kind: "load",
    family: "equaliser",
    name: "In-line load equaliser",
    light: "none",
    note: "Left stays left, right stays right.",
    price: 8,
    stock: 6,
    ingress: "",
    ratedV: 0,
    load: { kind: "constantCurrent", currentA: stated(1.5) },
    standbyA: stated(0, 0, 0),
    pigtail: "18 AWG",
    dim: null,
    lights: [],
    caseGround: false,
    behaviour: null,
  },
  lamp("path-red", "3 W red path lamp", "red", stated(3), 9, 16, {
    photometry: inventedBeam("Path lamp, red", 3, [9, 35, 25]),
    price: 14,
    stock: 10,
    note: "Dim red for dark-sky grounds.",
  }),
  {
    id: id("tail-bulb-21-5"),
    kind: "load",
    family: "lamp",
    name: "21 W brake bulb",
    light: "red",
    note: "",
    price: 2,
    stock: 30,
    ingress: "",
    ratedV: 0,
    load: { kind: "filament", powerW: stated(21, 19.5, 22.5), ratedV: 12 },
    standbyA: stated(0, 0, 0),
    pigtail: "",
    dim: null,
    lights: [],
    caseGround: false,
    behaviour: null,
  },
  {
    id: id("strip-amber"),
    kind: "load",
    family: "lamp",
    name: "Amber LED strip, 300 mm",
    light: "amber",
    note: "Cut only between groups.",
    price: 12,
    stock: 6,
    ingress: "",
    ratedV: 0,
    load: { kind: "resistive", powerW: stated(4.3), ratedV: 12 },
    standbyA: stated(0, 0, 0),
    pigtail: "",
    dim: null,
    lights: [],
    caseGround: false,
    behaviour: null,
  },
  {
    id: id("horn-3a"),
    kind: "load",
    family: "horn",
    name: "3 A horn",
    light: "none",
    note: "",
    price: 15,
    stock: 4,
    ingress: "",
    ratedV: 0,
    load: { kind: "constantCurrent", currentA: stated(3, 2.6, 3.3) },
    standbyA: stated(0, 0, 0),
    pigtail: "",
    dim: null,
    lights: [],
    caseGround: false,
    behaviour: null,
  },
  {
    id: id("outlet-usb"),
    kind: "load",
    family: "outlet",
    name: "Twin charging outlet",
    light: "none",
    note: "Draws while it waits.",
    price: 18,
    stock: 3,
    ingress: "",
    ratedV: 0,
    load: { kind: "drivenLed", powerW: stated(24), minV: 9, maxV: 32 },
    standbyA: measured(0.018),
    pigtail: "18 AWG",
    dim: null,
    lights: [],
    caseGround: false,
    behaviour: null,
  },
  {
    id: id("grips-heated"),
    kind: "load",
    family: "heater",
    name: "Heated grips, pair",
    light: "none",
    note: "",
    price: 74,
    stock: 1,
    ingress: "",
    ratedV: 0,
    load: { kind: "resistive", powerW: stated(42), ratedV: 12.5 },
    standbyA: stated(0, 0, 0),
    pigtail: "18 AWG",
    dim: null,
    lights: [],
    caseGround: false,
    behaviour: null,
  },
  {
    id: id("relay-30"),
    kind: "relay",
    name: "30 A relay with bracket",
    note: "",
    price: 6,
    stock: 14,
    ingress: "",
    ratedV: 0,
    contactA: 30,
    coilV: 12,
    coilOhm: measured(87),
    diode: false,
  },
  {
    id: id("relay-30-diode"),
    kind: "relay",
    name: "30 A relay, diode across coil",
    note: "86 must be positive.",
    price: 7,
    stock: 5,
    ingress: "",
    ratedV: 0,
    contactA: 30,
    coilV: 12,
    coilOhm: stated(90),
    diode: true,
  },
  {
    id: id("relay-10-micro"),
    kind: "relay",
    name: "10 A micro relay",
    note: "",
    price: 5,
    stock: 6,
    ingress: "",
    ratedV: 0,
    contactA: 10,
    coilV: 12,
    coilOhm: stated(140),
    diode: false,
  },
  plainSwitch("switch-bar-5", "5 A bar switch", 5, "none", stated(0, 0, 0), 11, 4),
  plainSwitch("switch-rocker-16", "16 A rocker switch", 16, "none", stated(0, 0, 0), 8, 7),
  {
    ...plainSwitch("switch-80v", "10 A toggle, 80 V direct", 10, "none", stated(0, 0, 0), 19, 3),
    ratedV: 80,
    note: "Marked for direct current at 80 V.",
  },
  plainSwitch("switch-kit-tell", "Kit switch with tell-tale", 10, "always", measured(0.2), 0, 1),
  plainSwitch("switch-lit-12", "12 A switch, lit when on", 12, "whenOn", stated(0.02), 10, 5),
  plainSwitch("button-horn", "Horn button", 5, "none", stated(0, 0, 0), 7, 3),
  sundry("grommet-10", "Grommet, 10 mm hole", 0.4, 60),
  sundry("spade-63", "Spade terminal 6.3 mm", 0.15, 220),
  sundry("ring-m6", "Ring terminal M6", 0.2, 85),
  sundry("holder-blade", "Blade fuse holder, in line", 2.5, 18),
  sundry("ring-m5", "Ring terminal M5", 0.2, 40),
  sundry("wire-18", "Wire 18 AWG, metre", 0.35, 90),
  sundry("wire-16", "Wire 16 AWG, metre", 0.45, 75),
  sundry("wire-14", "Wire 14 AWG, metre", 0.6, 40),
  sundry("wire-12", "Wire 12 AWG, metre", 0.9, 20),
  sundry("wire-10", "Wire 10 AWG, metre", 1.4, 12),
  sundry("sleeve-10", "Braided sleeve 10 mm, metre", 1.2, 25),
  lamp("tail-two-level", "Two-level LED tail lamp", "red", stated(4.8), 9, 16, {
    price: 21,
    stock: 6,
    dim: { kind: "drivenLed", powerW: stated(0.9), minV: 9, maxV: 16 },
  }),
  lamp("body-ground-pod", "15 W pod, grounded by its body", "white", stated(15), 9, 32, {
    price: 16,
    stock: 2,
    caseGround: true,
    note: "Its mount is its negative: one wire only.",
  }),
  {
    ...lamp("bulb-21-5", "21/5 W two-filament bulb", "red", stated(21), 9, 16, {
      price: 3,
      stock: 20,
    }),
    load: { kind: "filament", powerW: stated(21, 19.5, 22.5), ratedV: 12 },
    dim: { kind: "filament", powerW: stated(5, 4.5, 5.5), ratedV: 12 },
  },
  {
    ...lamp("bulb-turn-10", "10 W turn bulb", "amber", stated(10), 9, 16, {
      price: 1.5,
      stock: 24,
    }),
    load: { kind: "filament", powerW: stated(10, 9.3, 10.7), ratedV: 12 },
  },
  {
    ...lamp("bulb-headlight-35", "35 W headlight bulb", "warm white", stated(35), 9, 16, {
      price: 6,
      stock: 4,
    }),
    load: { kind: "filament", powerW: stated(35, 33, 37), ratedV: 12 },
  },
  {
    ...lamp("pod-plain-10", "10 W pod without a driver", "white", stated(10), 9, 16, {
      price: 12,
      stock: 8,
      pigtail: "18 AWG",
      note: "Dies and a resistor: may stand in a series string.",
    }),
    load: { kind: "resistive", powerW: stated(10), ratedV: 12 },
  },
  {
    ...lamp("strip-red-metre", "Red LED strip, by the metre", "red", stated(4.8), 9, 16, {
      price: 9,
      stock: 10,
      note: "Cut every 50 mm. Three-colour strip with the red used only: its common wire is the positive.",
    }),
    load: {
      kind: "ledStrip",
      powerWPerM: stated(4.8),
      ratedV: 12,
      forwardV: 6.6,
      groupM: 0.05,
      lengthM: 1,
    },
  },
  sundry("tie-blue", "Blue cable tie (ours)", 0.05, 400),
  ...SOURCE_SHELF,
  ...MODULE_SHELF,
  ...KIT_SHELF,
];

export const demoPart = (partId: string): Part => {
  const part = DEMO_SHELF.find((p) => p.id === partId);
  if (!part) throw new Error(`no demo part "${partId}"`);
  return part;
};
