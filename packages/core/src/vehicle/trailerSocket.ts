import type { CircuitFamily, LiveWhen } from "./vehicle.ts";

/** One contact of a socket whose pin-out is a standard's. */
export interface SocketPin {
  readonly cavity: string;
  readonly colour: string;
  readonly carries: string;
  readonly liveWhen: LiveWhen;
  readonly family: CircuitFamily;
}

/**
 * The seven-pin trailer socket of 12 V vehicles: ISO 1724 (from memory), with the colours that
 * usually go to its contacts (common practice). Pin 2 differs from country to country: prove it.
 */
export const TRAILER_SOCKET: readonly SocketPin[] = [
  { cavity: "1", colour: "yellow", carries: "left turn (L)", liveWhen: "left", family: "signal" },
  {
    cavity: "2",
    colour: "blue",
    carries: "rear fog (54g)",
    liveWhen: "unknown",
    family: "lighting",
  },
  { cavity: "3", colour: "white", carries: "ground (31)", liveWhen: "ground", family: "ground" },
  { cavity: "4", colour: "green", carries: "right turn (R)", liveWhen: "right", family: "signal" },
  {
    cavity: "5",
    colour: "brown",
    carries: "right tail (58R)",
    liveWhen: "park",
    family: "lighting",
  },
  { cavity: "6", colour: "red", carries: "stop (54)", liveWhen: "brake", family: "signal" },
  {
    cavity: "7",
    colour: "black",
    carries: "left tail (58L)",
    liveWhen: "park",
    family: "lighting",
  },
];
