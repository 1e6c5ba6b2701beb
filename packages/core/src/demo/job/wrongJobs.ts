import type { Input, Job, Lamp } from "../../job/index.ts";
import { make, type FitMaker } from "./fitMaker.ts";
import { from, part, when } from "./jobMaker.ts";
import { roadKit } from "./packJobs.ts";
import { FELLRUNNER, LAPWING, LITTER, PETREL, PORTER, SWATHE } from "../vehicles.ts";

/** Jobs that came in wired wrongly by somebody else: what the proof is for. */
export function wronglyWired(): readonly Job[] {
  const turn = (id: string, name: string, input: Input, place: Lamp["place"]) =>
    [id, name, "rear", when(input), [["turn-led", 1, place]]] as const;
  const swapped = make(
    "Turn lamps: left shows right",
    "Hollin Fell Rescue Post",
    PETREL,
    "marshal 3",
  )
    .card({ stage: "prove", promised: "2026-12-03", note: "Wired elsewhere. Find out and mend." })
    .run(...turn("left", "Left turn", "left", "left"))
    .run(...turn("right", "Right turn", "right", "right"))
    .deviation("lampsSwapped", "left", "right").job;
  const hazard = make("Hazards feed both sides", "Beck Head Farm", PETREL, "the old one")
    .card({ stage: "prove", promised: "2026-12-04", note: "Hazard switch with a single pole." })
    .run(...turn("left", "Left turn", "left", "left"))
    .run(...turn("right", "Right turn", "right", "right"))
    .deviation("joined", "left", "right").job;
  const tail = make("Tail lights when braking only", "Fold Lane Bakery", LAPWING, "no. 2")
    .card({ stage: "prove", promised: "2026-12-05" })
    .run("tail", "Tail", "rear", when("park"), [["tail-brake-led", 1, "rear"]])
    .run("brake", "Brake", "rear", when("brake"), [["tail-bulb-21-5", 1, "rear"]])
    .deviation("lampsSwapped", "tail", "brake").job;
  const shared = make("Work lamp dims the brake lamp", "Scar Top Farm", FELLRUNNER, "the blue one")
    .card({ stage: "prove", promised: "2026-12-07" })
    .run("brake", "Brake bulb", "rear", when("brake"), [["tail-bulb-21-5", 1, "rear"]])
    .run("work", "Work lamps", "rear", when("switch", "key"), [["tail-bulb-21-5", 3, "rear"]])
    .deviation("thinSharedReturn", "brake", "work").job;
  const diode = make(
    "Relay that never pulls in",
    "Hollin Beck Cricket Ground",
    SWATHE,
    "second mower",
  )
    .card({ stage: "prove", promised: "2026-12-08" })
    .run("sides", "Side floods", "front", when("switch", "key"), [["pod-18", 2, "front"]], {
      relayPartId: part("relay-30-diode"),
      coilPlus: "85",
    }).job;
  const single = roadKit(
    make("Hazard switch with one pole", "Hollin Hill Observatory", PORTER, "shuttle C").card({
      stage: "prove",
      promised: "2026-12-09",
      note: "Turn left and everything flashes. The kit's hazard switch has one pole.",
    }),
    1,
  ).job;
  const body = make("Hub cannot turn the pods off", "Hollin Fell Rescue Post", LITTER, "buggy 2")
    .card({ stage: "prove", promised: "2026-12-10", note: "Pods stay on whatever is pressed." })
    .supply("hub", "Four-way hub", "hub-4-ground")
    .run("pods", "Body-ground pods", "front", when("switch"), [["body-ground-pod", 2, "front"]], {
      feed: from("hub"),
    })
    .run("amber", "Amber rear", "rear", when("switch"), [["amber-pod-12", 2, "rear"]], {
      feed: from("hub"),
    }).job;
  const side = (maker: FitMaker, id: "left" | "right"): FitMaker =>
    maker.run(id, id === "left" ? "Left turn" : "Right turn", "rear", when(id), [
      ["turn-led", 2, id],
      ["equaliser", 1, id],
    ]);
  const crossed = side(
    side(
      make("Equalisers crossed", "Hollin Fell Rescue Post", PETREL, "marshal 5").card({
        stage: "prove",
        promised: "2026-12-11",
        note: "Left in is right out: each equaliser hangs on the other side.",
      }),
      "left",
    ),
    "right",
  ).wrong("endsSwapped", "left", {
    wire: "left.branch3",
    end: "to",
    otherWire: "right.branch3",
    otherEnd: "to",
  }).job;
  const bypassed = roadKit(
    make("Turn lamps that never flash", "Hollin Hill Observatory", PORTER, "shuttle E").card({
      stage: "prove",
      promised: "2026-12-12",
      note: "The turn switch hangs on the converter, before the flasher.",
    }),
    2,
  ).wrong("endMoved", "left", { wire: "turn.stub", end: "from", at: "converter_outSplice.j" }).job;
  return [swapped, hazard, tail, shared, diode, single, body, crossed, bypassed];
}
