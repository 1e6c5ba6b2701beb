import type { Job, LightingCircuit } from "../../../job/index.ts";
import { decideCoil } from "../../pick/coil.ts";
import { notesOf } from "./circuitNotes.ts";
import { describeSwitch } from "./circuitParts.ts";
import { decideCarrying } from "./decideCarrying.ts";
import { decideLoad } from "./decideLoad.ts";
import { decideProtection } from "./decideProtection.ts";
import { decideSwitching } from "./decideSwitching.ts";
import { decideTrigger } from "./decideTrigger.ts";
import { feedPointOf } from "../feedPoint.ts";
import type { CircuitPlan, Notes } from "../plan.ts";

const noSource = (job: Job): string =>
  job.vehicle.system.kind === "pack"
    ? "this vehicle has no 12 V battery: feed it from a converter, the pack or a battery of its own"
    : "what it is fed from is not on this vehicle, or has nothing to give: circuits go through a plug-in module, and none is fed from it";

/**
 * Makes every decision about one circuit but its wire, noting what it chose and what it lacks as
 * it goes. null: there is nothing to feed it from.
 */
export function planCircuit(job: Job, run: LightingCircuit, notes: Notes): CircuitPlan | null {
  const own = notesOf(run, notes);
  const wanted = feedPointOf(job, run.feed);
  if (!wanted) {
    own.lacks("noSource", noSource(job));
    return null;
  }
  const { loads, drawA } = decideLoad(job, run, wanted, own);
  const { box } = wanted;
  const switched = box !== null && box.form !== "fuseBlock";
  const trigger = decideTrigger(job, run, { drawA: drawA.mid, switched }, own);
  const switching = decideSwitching(job, run, { feed: wanted, drawA, trigger }, own);
  const { relay, relayPart, switchPart } = switching;
  const { signals, ownSwitch, tap } = trigger;
  const useRelay = relay.value;
  const carrying = decideCarrying(job, run, { wanted, trigger, switching }, own);
  if (tap && useRelay) own.chose("tap", tap);
  own.chose("relay", relay);
  const coil = decideCoil(run, relayPart, job.practices);
  if (useRelay) own.chose("coil", coil);
  if (ownSwitch) {
    const chosen = switchPart.id === run.switchPartId;
    own.chose("switch", describeSwitch(switchPart, drawA.mid, useRelay, chosen));
  }
  const isSwitched = useRelay || ownSwitch;
  return {
    ...{ run, loads, drawA, box, signals, ownSwitch, useRelay, relayPart, switchPart },
    ...decideProtection(job, run, { loads, drawA, carrying, isSwitched }, own),
    packV: job.vehicle.system.kind === "engine" ? 0 : job.vehicle.system.pack.nominalV,
    feed: carrying.feed,
    feedWire: carrying.feedWire,
    coilTap: switching.coilTap,
    logic: useRelay ? trigger.clauses : null,
    direct: trigger.direct,
    switching: coil.value.switching,
    plusTerminal: coil.value.plusTerminal,
  };
}
