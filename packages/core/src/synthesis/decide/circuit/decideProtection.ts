import type { Job, LightingCircuit } from "../../../job/index.ts";
import { decimal, type Interval } from "../../../quantity/index.ts";
import { decideFuse } from "../../pick/fuse.ts";
import type { CircuitNotes } from "./circuitNotes.ts";
import { behindA, moduleOf, plugOf } from "./circuitParts.ts";
import type { Carrying } from "./decideCarrying.ts";
import type { Decision } from "../decision.ts";
import type { CircuitPlan, FittedLoad } from "../plan.ts";

interface Question {
  readonly loads: readonly FittedLoad[];
  readonly drawA: Interval;
  readonly carrying: Carrying;
  /** It has a relay or a switch of its own, so that it is no factory wire as it comes. */
  readonly isSwitched: boolean;
}

/** How it joins the factory's plugs, what plugs into its leads, and which fuse protects it. */
export function decideProtection(
  job: Job,
  run: LightingCircuit,
  { loads, drawA, carrying, isSwitched }: Question,
  { chose, lacks }: CircuitNotes,
): Pick<CircuitPlan, "plugs" | "factoryFused" | "module" | "connectorPart" | "fuseA"> {
  const { feed, kitSwitch } = carrying;
  const factory = feed.source.kind === "pin" ? feed.source.pin : null;
  const plugs = factory !== null && !isSwitched;
  const module = moduleOf(job, run);
  if ((module || loads.some(({ lamp }) => lamp.joint !== "splice")) && !plugs) {
    lacks(
      "plugNotPossible",
      `plugs and plug-in modules take a factory wire as it comes: feed it from the wire that the factory lamp hangs on, with no relay and no switch of its own (now ${feed.words})`,
    );
  }
  // A lamp in the place of the factory's has the factory's fuse.
  const factoryFused =
    plugs &&
    run.fuse.kind === "auto" &&
    loads.length > 0 &&
    loads.every(({ lamp }) => lamp.joint !== "splice" || lamp.replaces !== "");
  const fuse =
    kitSwitch && run.fuse.kind === "auto"
      ? fuseOfSwitch(kitSwitch.name)
      : factoryFused
        ? fuseOfFactory(factory.fuseA)
        : decideFuse(run, drawA.high, job.practices, feed.range.highV, behindA(job, run, loads));
  chose("fuse", fuse);
  const connectorPart = plugOf(job, run);
  chose("plug", plugChoice(connectorPart, factoryFused ? loads : null));
  return {
    ...{ plugs, factoryFused, connectorPart },
    module: plugs ? module : null,
    fuseA: fuse.value,
  };
}

const fuseOfSwitch = (name: string): Decision<number | null> => ({
  value: null,
  picked: "none of its own",
  reason: `The fuse of ${name} protects it: choose the wire by that one.`,
  pinned: false,
});

const fuseOfFactory = (ratingA: number): Decision<number | null> => ({
  value: null,
  picked: "the factory's own",
  reason:
    ratingA > 0
      ? `It hangs where the factory lamp hung: the factory's ${decimal(ratingA)} A fuse stays.`
      : "It hangs where the factory lamp hung: the factory's fuse stays, its rating not told yet.",
  pinned: false,
});

/** @param inFactoryPlugs what hangs in the factory's plugs; null where it does not */
function plugChoice(
  plug: CircuitPlan["connectorPart"],
  inFactoryPlugs: readonly FittedLoad[] | null,
): Omit<Decision<null>, "value"> {
  const pinned = plug !== null;
  if (inFactoryPlugs?.some(({ lamp }) => lamp.joint === "adapter")) {
    return {
      picked: plug?.name ?? "adapter lead",
      reason: "Plug to plug: nothing is cut, and it comes out again.",
      pinned,
    };
  }
  if (inFactoryPlugs) {
    return {
      picked: "the factory's plug",
      reason: "The lamp's own plug goes where the factory lamp's was.",
      pinned,
    };
  }
  return {
    picked: plug?.name ?? "no plug",
    reason: plug
      ? `In each lamp's lead, so that it comes off with its panel; carries ${decimal(plug.ratingA)} A.`
      : "Spliced: nothing to corrode, and nothing to part when the panel comes off.",
    pinned,
  };
}
