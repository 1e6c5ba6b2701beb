import { elementsOf, wholePath, type LaidFeeder } from "../../circuit/index.ts";
import type { ConverterPart } from "../../part/index.ts";
import { loadsOf, ownerOf } from "../../synthesis/index.ts";
import type { ConnectorPin } from "../../vehicle/index.ts";
import {
  builtCircuits,
  placeOfCircuit,
  type Found,
  type Rule,
  type RuleContext,
} from "../finding.ts";

/** What a wire of a lighting coil brings, and what it takes to make it fit for electronics. */
const WAVES = {
  ac: {
    feed: "alternating",
    smoothing:
      "Put a bridge rectifier and a smoothing capacitor (some 2,200 to 4,700 µF for 20 W, as common practice has it) before it, with a regulator that bears them. Behind a bridge the negative is not the frame: give the lamp a wire of its own back to the bridge.",
  },
  halfWave: {
    feed: "half of each wave",
    smoothing:
      "The wire has its diode already: a capacitor across the lamp (twice what a bridge would want, some 4,700 to 10,000 µF for 20 W, as common practice has it) fills the gaps, if the lamp bears the peaks. Its negative is the frame still.",
  },
} as const;

type Waves = keyof typeof WAVES;

const wavesOf = ({ supply }: ConnectorPin): Waves | null =>
  supply === "ac" || supply === "halfWave" ? supply : null;

/** Converters that are fed by a wire of a lighting coil. */
function onCoil({ job, circuit }: RuleContext) {
  return job.supplies.flatMap((supply) => {
    const part = job.parts.find((p) => p.id === supply.partId);
    const { feed } = supply;
    const pin = feed.kind === "pin" ? job.vehicle.pins.find((p) => p.id === feed.pinId) : undefined;
    const waves = pin ? wavesOf(pin) : null;
    const feeder = circuit.feeders.find((t) => t.ownerId === ownerOf(supply.id));
    return part?.kind === "converter" && pin && waves && feeder
      ? [{ supply, part, pin, waves, feeder }]
      : [];
  });
}

/** A converter for direct volts across a coil. */
const wrongInput = (
  name: string,
  part: ConverterPart,
  pin: ConnectorPin,
  waves: Waves,
  feeder: LaidFeeder,
): Found => ({
  rule: "alternating-feed",
  severity: "stop",
  place: { runId: feeder.ownerId, elementId: null, words: `${name}: ${part.name}` },
  title: "A converter for direct current on a lighting coil",
  figures: [{ label: pin.carries, value: WAVES[waves].feed, limit: "direct" }],
  why:
    waves === "ac"
      ? "Half of every wave comes to its input the wrong way round, and it dies of that. Take one with a bridge inside, or put a bridge and a capacitor before it."
      : "Between the halves of the waves its input falls to nothing and it starts anew each time. Put a capacitor before it that bridges the gaps, or take one that has it inside.",
  remedies: [],
});

/** Lamps, horns and relays right on a coil's wire. */
function onWire(context: RuleContext): Found[] {
  const { circuit } = context;
  return builtCircuits(context).flatMap(({ run, made }): Found[] => {
    const taps = elementsOf(circuit, wholePath(made), "tap");
    const tap = taps.find((t) => wavesOf(t.pin) !== null);
    const waves = tap && wavesOf(tap.pin);
    if (!tap || !waves) return [];
    const place = placeOfCircuit(run, tap.id, tap.pin.carries);
    const found: Found[] = [];
    const load = loadsOf(context.job, run).find(({ part }) => part.load.kind !== "filament");
    if (load && made.source.kind === "pin" && made.source.pin === tap.pin) {
      found.push({
        ...{ rule: "alternating-feed", severity: "fix", place, remedies: [] },
        title: `${load.part.name} flickers on a lighting coil`,
        figures: [{ label: "feed", value: WAVES[waves].feed, limit: "direct" }],
        why: `It lights on half of the wave or less, and its electronics see the peaks. ${WAVES[waves].smoothing}`,
      });
    }
    const coil = made.coil ? [...made.coil.path, ...made.coil.lanes.flatMap(({ ids }) => ids)] : [];
    if (coil.includes(tap.id)) {
      found.push({
        ...{ rule: "alternating-feed", severity: "stop", place, remedies: [] },
        title: "A relay chatters on a lighting coil",
        figures: [{ label: "trigger", value: WAVES[waves].feed, limit: "direct" }],
        why: "Its armature follows the wave, and its contacts burn. Work it from a direct source, or through a rectifier and capacitor.",
      });
    }
    return found;
  });
}

/** What hangs on a lighting coil: diodes flicker, coils chatter, converters want it made direct. */
export const alternatingFeed: Rule = {
  id: "alternating-feed",
  source: "common practice",
  check: (context) => [
    ...onWire(context),
    ...onCoil(context)
      .filter(({ part }) => part.input === "direct")
      .map(({ supply, part, pin, waves, feeder }) =>
        wrongInput(supply.name, part, pin, waves, feeder),
      ),
  ],
};
