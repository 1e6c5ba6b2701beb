import { elementsOf, wholePath } from "../../circuit/index.ts";
import { loadsOf } from "../../synthesis/index.ts";
import { builtRuns, placeOfRun, type Found, type Rule } from "../finding.ts";

/** What hangs on a lighting coil that alternates: diodes flicker, coils chatter, grounds may short it. */
export const alternatingFeed: Rule = {
  id: "alternating-feed",
  source: "common practice",
  check: (context) =>
    builtRuns(context).flatMap(({ run, made }): Found[] => {
      const taps = elementsOf(context.circuit, wholePath(made), "tap");
      const tap = taps.find((t) => t.pin.supply === "ac");
      if (!tap) return [];
      const place = placeOfRun(run, tap.id, tap.pin.carries);
      const found: Found[] = [];
      const load = loadsOf(context.job, run).find(({ part }) => part.load.kind !== "filament");
      if (load && made.source.kind === "pin" && made.source.pin === tap.pin) {
        found.push({
          ...{ rule: "alternating-feed", severity: "fix", place, remedies: [] },
          title: `${load.part.name} flickers on a lighting coil`,
          figures: [{ label: "feed", value: "alternating", limit: "direct" }],
          why: "It lights on half of the wave or less, and its electronics see the peaks. Put a bridge rectifier and a smoothing capacitor (some 2,200 to 4,700 µF for 20 W, as common practice has it) before it, with a regulator that bears them. Behind a bridge the negative is not the frame: give the lamp a wire of its own back to the bridge.",
        });
      }
      if (elementsOf(context.circuit, made.coil?.path ?? [], "tap").includes(tap)) {
        found.push({
          ...{ rule: "alternating-feed", severity: "stop", place, remedies: [] },
          title: "A relay chatters on a lighting coil",
          figures: [{ label: "trigger", value: "alternating", limit: "direct" }],
          why: "Its armature follows the wave, and its contacts burn. Work it from a direct source, or through a rectifier and capacitor.",
        });
      }
      return found;
    }),
};
