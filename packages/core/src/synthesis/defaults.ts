import { assumed, interval, type BoundedValue, type Interval } from "../quantity/index.ts";
import type { WireSystem } from "../wire/index.ts";

/** Fuse of a coil's own wire in A: a coil takes some 0.15 A, and its wire is thin. */
export const COIL_FUSE_A = 2;

/** Where the coil's fuse sits from its tap, in m: at the tap, as far as a holder's tail is long. */
export const COIL_FUSE_AT_M: BoundedValue = assumed(0.1, 0.05, 0.2);

/** Thinnest wire that stands up to handling on a vehicle: common practice. */
export const COIL_WIRE: Readonly<Record<WireSystem, string>> = {
  awg: "20 AWG",
  metric: "0.5 mm²",
};

/** Ground strap, frame and joints as the way back, in Ω: assumed, sound metal to metal. */
export const CHASSIS_OHM: Interval = interval(0.003, 0.008, 0.03);

/** Length of the ground tail from relay or switch to a ground point, in m. */
export const GROUND_TAIL_M: BoundedValue = assumed(0.3, 0.1, 0.5);

/** Colour of feeds and grounds; runs get one colour each behind their fuse. */
export const FEED_COLOUR = "red";
export const GROUND_COLOUR = "black";
export const RUN_COLOURS = [
  "yellow",
  "blue",
  "orange",
  "violet",
  "white",
  "brown",
  "green",
  "pink",
  "grey",
  "light blue",
] as const;

/** The vehicle's own wire to a circuit that is tapped: assumed, as nobody has measured it. */
export const FACTORY_WIRE = "16 AWG";
export const FACTORY_WIRE_M = 0.3;

/** A wire between two things that sit beside each other, in m. */
export const AT_HAND_M: BoundedValue = assumed(0.25, 0.15, 0.4);

/** From a supply's own terminals to a splice that many start from, in m: clear of its case. */
export const OUTLET_M: BoundedValue = assumed(0.5, 0.3, 0.7);

/** Thinnest wire of a power path on a vehicle: common practice. */
export const FLOOR_WIRE: Readonly<Record<WireSystem, string>> = {
  awg: "18 AWG",
  metric: "0.75 mm²",
};

/** Inside a box or a converter from one terminal to another, in Ω: assumed. */
export const STRAP_OHM = 0.002;

/** A thing bolted to another, written as a wire: as good as none. */
export const BOLT_WIRE = "6 AWG";
export const BOLT_M = 0.02;
