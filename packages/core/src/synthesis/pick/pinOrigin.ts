import { BATTERY, LIGHTING_COIL, PACK, terminalNode, type Root } from "../../circuit/index.ts";
import type { NodeId } from "../../job/index.ts";
import type { ConnectorPin, PinSupply } from "../../vehicle/index.ts";

/** Volts of a lighting coil with its regulator, by effective value: assumed. */
export const COIL_RMS_V = 12.8;

/** Of its wave behind one diode: half of the waves of a sine have its effective value by √2. */
export const HALF_WAVE_RMS_V = COIL_RMS_V / Math.SQRT2;

/** What holds the voltage of a factory wire, and the post that it comes from. */
export const PIN_ORIGINS: Readonly<
  Record<PinSupply, { readonly root: Root; readonly post: NodeId }>
> = {
  battery: { root: { kind: "battery" }, post: terminalNode(BATTERY, "pos") },
  pack: { root: { kind: "pack", share: 1 }, post: terminalNode(PACK, "pos") },
  ac: { root: { kind: "fixed", volts: COIL_RMS_V }, post: terminalNode(LIGHTING_COIL, "pos") },
  halfWave: {
    root: { kind: "fixed", volts: HALF_WAVE_RMS_V },
    post: terminalNode(LIGHTING_COIL, "half"),
  },
};

/** What holds the voltage of a factory wire. */
export const rootOfPin = ({ supply }: Pick<ConnectorPin, "supply">): Root =>
  PIN_ORIGINS[supply].root;
