import { asId, type PartId } from "../../job/index.ts";
import {
  PLAIN,
  type Behaviour,
  type LightColour,
  type LoadPart,
  type LoadSpec,
} from "../../part/index.ts";
import type { Photometry } from "../../photometry/index.ts";
import { measured, stated, type BoundedValue } from "../../quantity/index.ts";
import { inventedBeam } from "./beams.ts";

interface LampOptions {
  readonly pigtail?: string;
  readonly standby?: BoundedValue;
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

/** A lamp with a driver inside, as most on the shelf are. */
export function lamp(
  partId: string,
  name: string,
  light: LightColour,
  powerW: BoundedValue,
  minV: number,
  maxV: number,
  o: LampOptions,
): LoadPart {
  return {
    id: asId<PartId>(partId),
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

/** Lamps of the demo shop. All invented, with plausible values. */
export const LAMP_SHELF: readonly LoadPart[] = [
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
];
