import type { Element } from "../circuit/index.ts";
import { chassis, strap } from "./frame.ts";
import { fuse } from "./fuse.ts";
import { connector, load } from "./lamp.ts";
import { coil, contact, diode } from "./relay.ts";
import { battery, converter, flasher, tap } from "./source.ts";
import type { InsideSpec } from "./spec.ts";
import { switchSpec } from "./switch.ts";
import type { LaneLook } from "./symbol.ts";
import { wire } from "./wire.ts";

export { inputOf } from "./source.ts";
export { wireOhm } from "./wire.ts";
export type { LaneLook } from "./symbol.ts";
export { SHORT_OHM, type FaultKind, type FaultSpec } from "./spec.ts";

type Registry = { readonly [K in Element["kind"]]: InsideSpec<Extract<Element, { kind: K }>> };

/** What is known of every kind of inside: a new kind is a file and a line here. */
const INSIDES: Registry = {
  wire,
  chassis,
  strap,
  fuse,
  switch: switchSpec,
  contact,
  coil,
  diode,
  load,
  connector,
  converter,
  battery,
  flasher,
  tap,
};

/** What is known of an element's kind. */
export const insideOf = <E extends Element>(element: E): InsideSpec<E> =>
  // Each entry is made for its own kind, which the registry's type has checked.
  INSIDES[element.kind] as unknown as InsideSpec<E>;

/** How a kind of inside stands on a lane. */
export const lookOf = (kind: Element["kind"]): LaneLook => INSIDES[kind].look;
