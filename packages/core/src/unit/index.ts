import type { Element, Unit, UnitKind } from "../circuit/index.ts";
import { battery } from "./battery/inside.ts";
import { batteryUnit, packUnit } from "./battery/unit.ts";
import { boxUnit } from "./box/unit.ts";
import { chassis } from "./chassis/inside.ts";
import { chassisUnit, groundBlockUnit } from "./chassis/unit.ts";
import { converter } from "./converter/inside.ts";
import { converterUnit } from "./converter/unit.ts";
import { diode } from "./diode/inside.ts";
import { diodeUnit } from "./diode/unit.ts";
import { tap } from "./factory/inside.ts";
import { factoryUnit } from "./factory/unit.ts";
import { flasher } from "./flasher/inside.ts";
import { flasherUnit } from "./flasher/unit.ts";
import { fuse } from "./fuse/inside.ts";
import { fuseUnit } from "./fuse/unit.ts";
import type { InsideSpec } from "./inside.ts";
import { load } from "./lamp/inside.ts";
import { lampUnit } from "./lamp/unit.ts";
import { connector } from "./plug/inside.ts";
import { passThroughUnit } from "./plug/passThrough.ts";
import { plugUnit } from "./plug/unit.ts";
import { coil, contact } from "./relay/inside.ts";
import { relayUnit } from "./relay/unit.ts";
import { spliceUnit } from "./splice/unit.ts";
import { strap } from "./strap.ts";
import { switchSpec } from "./switch/inside.ts";
import { controlUnit, switchUnit } from "./switch/unit.ts";
import type { LaneLook } from "./symbol.ts";
import type { ThingSpec } from "./thing.ts";
import { wire } from "./wire/inside.ts";

export { inputOf } from "./converter/inside.ts";
export { wireOhm } from "./wire/inside.ts";
export type { LaneLook } from "./symbol.ts";
export { SHORT_OHM, type FaultKind, type FaultSpec } from "./inside.ts";

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

/** What is known of every kind of thing: a new kind is a folder and a line here. */
const THINGS: { readonly [K in UnitKind]: ThingSpec } = {
  battery: batteryUnit,
  pack: packUnit,
  chassis: chassisUnit,
  factory: factoryUnit,
  fuse: fuseUnit,
  relay: relayUnit,
  switch: switchUnit,
  control: controlUnit,
  converter: converterUnit,
  box: boxUnit,
  flasher: flasherUnit,
  lamp: lampUnit,
  plug: plugUnit,
  passThrough: passThroughUnit,
  splice: spliceUnit,
  groundBlock: groundBlockUnit,
  diode: diodeUnit,
};

/** What is known of an element's kind. */
export const insideOf = <E extends Element>(element: E): InsideSpec<E> =>
  // Each entry is made for its own kind, which the registry's type has checked.
  INSIDES[element.kind] as unknown as InsideSpec<E>;

/** What is known of a unit's kind. */
export const thingOf = ({ kind }: Pick<Unit, "kind">): ThingSpec => THINGS[kind];

/** How a kind of inside stands on a lane. */
export const lookOf = (kind: Element["kind"]): LaneLook => INSIDES[kind].look;
