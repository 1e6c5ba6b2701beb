import type { Interval } from "../../quantity/index.ts";
import type { Choice, SynthesisIssue } from "../../circuit/index.ts";
import type { Input, Lamp, LightingCircuit, Supply } from "../../job/index.ts";
import type { BoxPart, ConnectorPart, LoadPart, RelayPart, SwitchPart } from "../../part/index.ts";
import type { SignalWire } from "../pick/signalWire.ts";
import type { FeedPoint } from "./feedPoint.ts";
import type { Clause } from "./circuit/logic.ts";

export interface FittedLoad {
  readonly lamp: Lamp;
  readonly part: LoadPart;
}

/** A module that a run goes through. */
export interface PlannedModule {
  readonly supply: Supply;
  readonly part: BoxPart;
  readonly channel: number;
}

/** Every decision about one run, before it is laid out as elements. */
export interface CircuitPlan {
  readonly run: LightingCircuit;
  readonly loads: readonly FittedLoad[];
  readonly drawA: Interval;
  /** Nominal voltage of the traction pack; 0 without one. */
  readonly packV: number;
  readonly feed: FeedPoint;
  /** Factory wire or control of the kit that the load itself flows through; null otherwise. */
  readonly feedWire: SignalWire | null;
  readonly signals: readonly Input[];
  readonly ownSwitch: boolean;
  readonly useRelay: boolean;
  readonly relayPart: RelayPart;
  readonly switchPart: SwitchPart;
  /** The hub or board whose way is this run's relay, or the block that holds its fuse. */
  readonly box: BoxPart | null;
  readonly connectorPart: ConnectorPart | null;
  /** Its feed is a factory wire as it comes, so that lamps may go into the factory's plugs. */
  readonly plugs: boolean;
  /** Its lamps are where factory lamps were: the factory's fuse protects them. */
  readonly factoryFused: boolean;
  /** Module between that plug and its lamps, and the channel that it takes; null without one. */
  readonly module: PlannedModule | null;
  /** Wire the coil is fed from; null when the coil hangs behind the run's own fuse. */
  readonly coilTap: SignalWire | null;
  /** Ways of turning it on where one relay and one switch do not do; null where they do. */
  readonly logic: readonly Clause[] | null;
  /** Ways without a relay, each through a control of the kit; null otherwise. */
  readonly direct: readonly SignalWire[] | null;
  readonly switching: "positive" | "negative";
  readonly plusTerminal: "85" | "86";
  /** null when the run is pinned to have no fuse, or when what feeds it has one. */
  readonly fuseA: number | null;
}

/** What a pass notes as it goes: what it chose and why, and what it could not build. */
export interface Notes {
  readonly choices: Choice[];
  readonly gaps: SynthesisIssue[];
}

/** Wires of the vehicle and contacts of the kit that a run's ways go through. */
export const wiresOf = (plan: CircuitPlan): SignalWire[] => [
  ...(plan.feedWire ? [plan.feedWire] : []),
  ...(plan.direct ?? []),
  ...(plan.coilTap && !plan.logic ? [plan.coilTap] : []),
  ...(plan.logic ?? []).flatMap((way) => [
    ...(way.feed ? [way.feed] : []),
    ...way.helpers.map((h) => h.wire),
  ]),
];
