import type { Bond } from "../job/index.ts";
import { present } from "../present/index.ts";

/** How one kind of adhesive wants to be used, as data. */
export interface Adhesive {
  readonly kind: Bond["adhesive"];
  readonly name: string;
  /** Surface temperatures between which it may be applied, in °C. */
  readonly leastC: number;
  readonly mostC: number;
  readonly cleaning: string;
  /** How it is pressed. */
  readonly press: string;
  readonly pressS: number;
  /** Until the vehicle may be moved, and until it bears its load, in hours at 20 °C. */
  readonly handleH: number;
  readonly cureH: number;
}

/**
 * Values of the usual kinds as their data sheets give them, from memory; the sheet of the
 * tube in hand has the last word.
 */
export const ADHESIVES: readonly Adhesive[] = [
  {
    kind: "foamTape",
    name: "acrylic foam tape",
    leastC: 15,
    mostC: 38,
    cleaning: "isopropyl alcohol and water, half and half; primer on bare plastic",
    press: "a firm thumb over every centimetre",
    pressS: 15,
    handleH: 0.5,
    cureH: 72,
  },
  {
    kind: "silicone",
    name: "neutral-cure silicone",
    leastC: 5,
    mostC: 40,
    cleaning: "isopropyl alcohol, dry",
    press: "taped in place, not squeezed out",
    pressS: 60,
    handleH: 6,
    cureH: 24,
  },
  {
    kind: "polyurethane",
    name: "polyurethane",
    leastC: 5,
    mostC: 35,
    cleaning: "isopropyl alcohol; activator on paint and glass",
    press: "taped in place on spacers",
    pressS: 60,
    handleH: 8,
    cureH: 48,
  },
  {
    kind: "epoxy",
    name: "two-part epoxy",
    leastC: 15,
    mostC: 30,
    cleaning: "abrade, then isopropyl alcohol",
    press: "clamped lightly",
    pressS: 300,
    handleH: 2,
    cureH: 24,
  },
  {
    kind: "instant",
    name: "instant adhesive",
    leastC: 10,
    mostC: 30,
    cleaning: "isopropyl alcohol, dry; gloves and eyes covered",
    press: "held still",
    pressS: 30,
    handleH: 0.1,
    cureH: 24,
  },
];

/** What is known of one kind of adhesive. */
export const adhesiveOf = (kind: Bond["adhesive"]): Adhesive =>
  present(
    ADHESIVES.find((a) => a.kind === kind),
    `adhesive ${kind}`,
  );

/** Reactions go half as fast for each 10 °C below 20 °C: the usual rule of Arrhenius. */
const HALVED_EVERY_C = 10;
const TABLE_C = 20;
const HOUR_MS = 3_600_000;

/** How much longer than at 20 °C a cure takes; no credit for warmth. */
export const slowedBy = (surfaceC: number): number =>
  Math.max(1, 2 ** ((TABLE_C - surfaceC) / HALVED_EVERY_C));

/** Whether the surface is too cold or too hot for what is stuck on it, in words; null within its window. */
export function outsideWindow({ adhesive, surfaceC }: Bond): string | null {
  const { leastC, mostC, name } = adhesiveOf(adhesive);
  if (surfaceC >= leastC && surfaceC <= mostC) return null;
  const how = surfaceC < leastC ? "cold" : "hot";
  return `too ${how} for ${name}: ${surfaceC} °C (needs ${leastC} to ${mostC} °C)`;
}

/** Why a bond is not to be pressed yet; empty when it may be. */
export function notPressable(bond: Bond): string[] {
  const outside = outsideWindow(bond);
  return [
    ...(outside === null ? [] : [outside]),
    ...(bond.cleaned ? [] : ["not cleaned"]),
    ...(bond.dryFitted ? [] : ["not tried dry: it gets one try"]),
    ...(bond.marked ? [] : ["ends not marked with tape"]),
  ];
}

/** Moments at which a pressed bond may be handled and has cured; null before it is pressed. */
export function curing(bond: Bond): { readonly handle: Date; readonly cured: Date } | null {
  const pressed = Date.parse(bond.pressedAt);
  if (Number.isNaN(pressed)) return null;
  const { handleH, cureH } = adhesiveOf(bond.adhesive);
  const slow = slowedBy(bond.surfaceC);
  return {
    handle: new Date(pressed + handleH * slow * HOUR_MS),
    cured: new Date(pressed + cureH * slow * HOUR_MS),
  };
}
