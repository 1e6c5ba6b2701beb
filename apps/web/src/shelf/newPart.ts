import { NEVER_SLEEPS, asId, stated, type Part, type PartId, type PartKind } from "@dragonet/core";
import { mint } from "../base/mint.ts";

const NONE = stated(0, 0, 0);

/** A blank part of a kind, with values that already make sense. */
export function newPart(kind: PartKind, keep?: Part): Part {
  const base = {
    id: keep?.id ?? asId<PartId>(mint("part")),
    name: keep?.name ?? "",
    note: keep?.note ?? "",
    price: keep?.price ?? 0,
    stock: keep?.stock ?? 0,
    ...(keep?.least !== undefined && { least: keep.least }),
    ...(keep?.warrantyMonths !== undefined && { warrantyMonths: keep.warrantyMonths }),
    ingress: keep?.ingress ?? "",
    ratedV: keep?.ratedV ?? 0,
  };
  switch (kind) {
    case "load":
      return {
        ...base,
        kind,
        family: "lamp",
        light: "white",
        load: { kind: "drivenLed", powerW: stated(20), minV: 9, maxV: 32 },
        standbyA: NONE,
        pigtail: "",
        dim: null,
        lights: [],
        caseGround: false,
        behaviour: null,
      };
    case "relay":
      return { ...base, kind, contactA: 30, coilV: 12, coilOhm: stated(88), diode: false };
    case "switch":
      return { ...base, kind, contactA: 10, tellTale: "none", tellTaleA: NONE };
    case "converter":
      return {
        ...base,
        kind,
        input: "direct",
        inMinV: 36,
        inMaxV: 75,
        cutOffV: 32,
        outV: stated(12),
        outA: 10,
        surgeA: 12,
        efficiencyTenth: 0.8,
        efficiencyHalf: 0.9,
        efficiencyFull: 0.87,
        idleA: stated(0.03),
        isolated: false,
        sealed: false,
        mostAmbientC: 45,
      };
    case "box":
      return {
        ...base,
        kind,
        form: "fuseBlock",
        ways: 6,
        wayA: 15,
        wayRatings: [],
        mainBreakerA: 0,
        totalA: 60,
        switches: "positive",
        inputOhm: stated(88),
        idleA: NONE,
        ...NEVER_SLEEPS,
        behaviours: [],
      };
    case "battery":
      return {
        ...base,
        kind,
        chemistry: "agm",
        cells: 0,
        capacityAh: stated(18),
        hourRate: 20,
        peukert: stated(1.15, 1.1, 1.2),
        chargerA: stated(2),
      };
    case "connector":
      return { ...base, kind, leads: [], ratingA: 10, contactOhm: stated(0.005) };
    case "flasher":
      return {
        ...base,
        kind,
        principle: "indifferent",
        leastA: 0,
        contactA: 10,
        ratePerMin: stated(85),
        onShare: 0.5,
      };
    case "kit":
      return {
        ...base,
        kind,
        items: [],
        content: {
          ...{ parts: [], supplies: [], controls: [], runs: [], lamps: [] },
          ...{ harnesses: [], wireChoices: [] },
        },
      };
    case "sundry":
      return { ...base, kind };
  }
}
