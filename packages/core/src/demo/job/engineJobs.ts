import { OPEN_WAY_OHM } from "../../diagnosis/index.ts";
import { asId, setIn, type Job, type LampId } from "../../job/index.ts";
import { fitTourer } from "./fits.ts";
import { make } from "./fitMaker.ts";
import { from, part, when } from "./jobMaker.ts";
import { CARRICK, FELLRUNNER, LAPWING, PETREL, SWATHE } from "../vehicles.ts";

/** What the test script expects of a meter in place of a fuse with all off, a dark lamp, and one that does all. */
const MILLIAMPS_OFF: [number, number] = [-1.5, 1.5];
const DARK: [number, number] = [0, 0.05];
const FULL: [number, number] = [0.8, 1];

export function lambingQuad(): Job {
  return make("Lambing-watch bar and pods", "Scar Top Farm", FELLRUNNER, "the grey one")
    .card({ stage: "circuit", bench: "Bench 1", promised: "2026-12-02" })
    .wish("seeFurther", "Light the fold from the gate without getting off.")
    .wish("seeFurther", "Flood to both sides when walking the wall.")
    .wish("other", "Bar must work with the key out while he sits with a ewe.")
    .kit(
      ["40 W light bar", 1, 1],
      ["18 W flood pod", 2, 2],
      ["Kit switch with tell-tale", 1, 1],
      ["Grommet, 10 mm hole", 2, 0],
    )
    .run("bar", "Lambing bar", "front", when("switch"), [["bar-40", 1, "front"]], {
      switchPartId: part("switch-kit-tell"),
      onEngineOff: 1,
      onIdle: 0.5,
      onTown: 0.2,
      onCruise: 0,
    })
    .run("pods", "Flood pods", "front", when("switch", "key"), [["pod-18", 2, "front"]], {
      switchPartId: part("switch-rocker-16"),
      onIdle: 1,
      onTown: 0.5,
      onCruise: 0.2,
    })
    .mount("bar", 0, "centre", [0, 1.12, 0.45], { tiltDeg: 0.4, wantedTiltDeg: -0.6 })
    .mount("pods", 0, "left", [0.31, 0.94, 0.4], { wantedTiltDeg: -4 })
    .mount("pods", 1, "right", [0.31, 0.94, 0.4], { wantedTiltDeg: -4 })
    .aim(0, { adjuster: "pivot" })
    .aim(1, { beam: "work", toeDeg: -14, adjuster: "pivot" })
    .aim(2, { beam: "work", toeDeg: 14, adjuster: "pivot" })
    .routed().job;
}

export function marshalMotorcycle(): Job {
  return make("Aux pods, brake flasher", "Hollin Fell Rescue Post", PETREL, "marshal 2")
    .card({ stage: "circuit", bench: "Bench 2", promised: "2026-11-30" })
    .wish("seeFurther", "Pods with the high beam, off with the low.")
    .wish("beSeenBraking", "Something that flashes when it brakes.")
    .kit(
      ["30 W spot pod", 2, 2],
      ["Brake lamp with flasher inside", 1, 1],
      ["30 A relay with bracket", 1, 1],
    )
    .run("pods", "Aux pods", "front", when("switch", "high"), [["pod-30", 2, "front"]], {
      relayPartId: part("relay-30"),
      switchPartId: part("switch-bar-5"),
      onIdle: 0.1,
      onTown: 0.1,
      onCruise: 0.6,
    })
    .run("brake", "Brake flasher", "rear", when("brake"), [["brake-flasher", 1, "rear"]], {
      feed: { kind: "pin", pinId: asId("brake") },
    })
    .run(
      "left",
      "Left turn",
      "rear",
      when("left"),
      [
        ["turn-led", 1, "left"],
        ["turn-led", 1, "left"],
      ],
      { feed: { kind: "pin", pinId: asId("left") } },
    )
    .run(
      "right",
      "Right turn",
      "rear",
      when("right"),
      [
        ["turn-led", 1, "right"],
        ["turn-led", 1, "right"],
      ],
      { feed: { kind: "pin", pinId: asId("right") } },
    )
    .run("outlet", "Radio outlet", "front", when("key"), [["outlet-usb", 1, "front"]], {
      feed: { kind: "pin", pinId: asId("aux-key") },
      onIdle: 0.5,
      onTown: 0.5,
      onCruise: 0.5,
    })
    .lampsAt("left", "front-left", "rear-left")
    .lampsAt("right", "front-right", "rear-right")
    .mount("pods", 0, "left", [0.24, 0.71, 0.3], { tiltDeg: 0.8, wantedTiltDeg: -0.3 })
    .mount("pods", 1, "right", [0.24, 0.71, 0.3], { tiltDeg: -0.2, wantedTiltDeg: -0.3 })
    .aim(0)
    .aim(1)
    .aiming({ keeps: "left" })
    .option("Floods in place of the spots", {
      ...{ kind: "otherPart", partId: part("pod-30"), insteadId: part("pod-18") },
    })
    .option("Without the radio outlet", { kind: "leaveOut", runId: asId("outlet") })
    .routed().job;
}

export function cricketMower(): Job {
  return make(
    "Side floods and rear work lamp",
    "Hollin Beck Cricket Ground",
    SWATHE,
    "roller mower",
  )
    .card({ stage: "fit", bench: "Bench 1", promised: "2026-11-27" })
    .wish("seeFurther", "Evening rolling: both sides of the deck, and the strip behind.")
    .blocker("cold", "Adhesive pads: the shed is at 4 °C, wants 15 °C")
    .kit(["18 W flood pod", 2, 2], ["24 W work lamp", 1, 1], ["Ring terminal M6", 4, 4])
    .run(
      "sides",
      "Side floods",
      "front",
      when("switch", "key"),
      [
        ["pod-18", 1, "left"],
        ["pod-18", 1, "right"],
      ],
      { switchPartId: part("switch-rocker-16"), onIdle: 0.2, onTown: 0.6, onCruise: 0.9 },
    )
    .run("work", "Rear work lamp", "rear", when("switch", "key"), [["work-24", 1, "rear"]], {
      feed: { kind: "pin", pinId: asId("key-run") },
      switchPartId: part("switch-lit-12"),
      onIdle: 0.2,
      onTown: 0.6,
      onCruise: 0.9,
    })
    .lampsAt("sides", "tower-left", "tower-right")
    .bond("Adhesive pads of the side floods", "foamTape", { surfaceC: 4, dryFitted: true })
    .routed().job;
}

export function deliveryTrike(): Job {
  return make("Tail box strips", "Fold Lane Bakery", LAPWING, "no. 3")
    .card({ stage: "budget", promised: "2026-12-04" })
    .wish("beSeen", "Amber strips down both edges of the box.")
    .wish("beSeenBraking", "A second brake lamp, high up.")
    .blocker("measure", "Charging at idle: clamp meter before anything is ordered")
    .kit(["Amber LED tape, 300 mm", 4, 4], ["LED tail and brake lamp", 1, 0])
    .run(
      "strips",
      "Box strips",
      "rear",
      when("park"),
      [
        ["strip-amber", 2, "left"],
        ["strip-amber", 2, "right"],
      ],
      { onIdle: 1, onTown: 1, onCruise: 1 },
    )
    .run("high-brake", "High brake lamp", "rear", when("brake"), [["tail-brake-led", 1, "rear"]], {
      feed: { kind: "pin", pinId: asId("brake") },
    })
    .lampsAt("strips", "box-left", "box-left", "box-right", "box-right").job;
}

export function touringBox(): Job {
  return fitTourer(
    make("Box lamp: run, turn, brake", "Ansgar Road Touring Club", CARRICK, "club 7")
      .card({ stage: "signals", bench: "", promised: "2026-12-09" })
      .wish("beSeenBraking", "Box lamp that runs, turns and brakes with the bike.")
      .wish("beLegal", "Passes inspection without questions.")
      .blocker("part", "Run, turn and brake module, due 1 December")
      .supply("module", "Bus module", "module-bus-rear", { gate: "key" })
      .run("box-brake", "Box brake light", "rear", when("brake"), [["tail-two-level", 1, "rear"]], {
        feed: from("module"),
      })
      .run("box-run", "Box running light", "rear", when("park"), [["tail-two-level", 1, "rear"]], {
        relayPartId: part("relay-10-micro"),
      })
      .lamp(0, { light: "dim", housing: asId<LampId>("lamp-4") })
      .run("box-left", "Box turn, left", "rear", when("left"), [["turn-led", 1, "left"]], {
        relayPartId: part("relay-10-micro"),
      })
      .run("box-right", "Box turn, right", "rear", when("right"), [["turn-led", 1, "right"]], {
        relayPartId: part("relay-10-micro"),
      })
      .run("fogs", "Amber fogs", "front", when("switch", "key"), [["amber-pod-12", 2, "front"]], {
        feed: { kind: "pin", pinId: asId("outlet-key") },
        switchPartId: part("switch-lit-12"),
        onIdle: 0.2,
        onTown: 0.3,
        onCruise: 0.3,
      }),
  ).job;
}

export function hornQuad(): Job {
  return make("Twin horns and work lamp", "Beck Head Farm", FELLRUNNER, "sheepdog's")
    .card({ stage: "prove", bench: "Bench 2", promised: "2026-11-26" })
    .wish("other", "Horns that a shepherd hears across the intake.")
    .kit(["3 A horn", 2, 2], ["Horn button", 1, 1], ["24 W work lamp", 1, 1])
    .run("horns", "Twin horns", "front", when("switch", "key"), [["horn-3a", 2, "front"]], {
      switchPartId: part("button-horn"),
      relayPartId: part("relay-30"),
      coil: "negative",
      onIdle: 0,
      onTown: 0.01,
      onCruise: 0,
    })
    .run("work", "Rear work lamp", "rear", when("switch", "key"), [["work-24", 1, "rear"]], {
      onIdle: 0.5,
      onTown: 0.1,
      onCruise: 0,
    })
    .routed()
    .tested(
      "2026-11-25",
      "Pim Okkerse",
      ["milliamps|off|horns.fuse", 0.1, MILLIAMPS_OFF],
      ["look|key|horns.load1", 0, DARK],
      ["volts|key+horns|battery.pos|0", 12.6, [12.44, 12.81]],
      ["look|key+horns|horns.load1", 1, FULL],
      ["look|key+horns|horns.load2", 0, FULL],
    )
    .do(
      setIn("pin", "reverse", "certainty", "proved"),
      setIn("pin", "reverse", "foundBy", "Pim Okkerse"),
    ).job;
}

export function wallQuad(): Job {
  return make("Spare bar, wall marks after dark", "Scar Top Farm", FELLRUNNER, "the red one")
    .card({ stage: "aim", promised: "2026-11-25", note: "Aim when it is dark, after five." })
    .wish("seeFurther", "Same bar as on the grey one, keyed this time.")
    .blocker("dark", "Aim on the back wall after dark")
    .kit(["40 W light bar", 1, 1])
    .run("bar", "Light bar", "front", when("switch", "key"), [["bar-40", 1, "front"]], {
      switchPartId: part("switch-rocker-16"),
      onIdle: 0.5,
      onTown: 0.2,
      onCruise: 0,
    })
    .mount("bar", 0, "centre", [0, 1.12, 0.45], { tiltDeg: 0.4, wantedTiltDeg: -0.6 })
    .aim(0, {
      adjuster: "shim",
      errors: [
        {
          distanceM: 7.62,
          rightMm: 10,
          upMm: 130,
          by: "Pim Okkerse",
          at: "2026-11-24T17:20:00.000Z",
        },
      ],
    })
    .routed()
    .tested(
      "2026-11-24",
      "Pim Okkerse",
      ["look|key|bar.load1", 0, DARK],
      ["volts|key+bar|battery.pos|0", 12.66, [12.48, 12.84]],
      ["look|key+bar|bar.load1", 1, FULL],
      [
        "milliamps|off|bar.fuse",
        "The meter's own fuse was gone; the bar's was out over night and the battery stood.",
        MILLIAMPS_OFF,
      ],
      ["amps|key+bar|bar.fuse", 2.9, [2.68, 3.78]],
    ).job;
}

/** The left pod's negative against the battery's while both are lit. */
const LEFT_GROUND = "volts|high+key+pods|lamp_lamp_3.neg|0";

export function handedOverMotorcycle(): Job {
  return (
    make("Aux pods", "Hollin Fell Rescue Post", PETREL, "marshal 1")
      .card({ stage: "handOver", promised: "2026-11-20", note: "Collected Friday." })
      .wish("seeFurther", "Pods with the high beam.")
      .kit(["30 W spot pod", 2, 2])
      .run("pods", "Aux pods", "front", when("switch", "high"), [["pod-30", 2, "front"]], {
        relayPartId: part("relay-30"),
        switchPartId: part("switch-bar-5"),
        onIdle: 0.1,
        onTown: 0.1,
        onCruise: 0.6,
      })
      .routed()
      .tested(
        "2026-05-12",
        "Pim Okkerse",
        ["look|high+key+pods|pods.load1", 1, FULL],
        ["amps|high+key+pods|pods.fuse", 4.5, [4.1, 4.81]],
        [LEFT_GROUND, 0.06, [-0.12, 0.23]],
      )
      .tested(
        "2026-11-19",
        "Ansa Tordoff",
        ["volts|off|battery.pos|0", 12.7, [12.2, 13.08]],
        ["ohms|dead-high+key+pods|pods_fuse.out|0", OPEN_WAY_OHM, [5000, 15_000]],
        ["ohms|dead-high+key+pods|pods_coilFuse.out|0", 88.4, [60.97, 113.25]],
        ["milliamps|off|pods.fuse", 0.2, MILLIAMPS_OFF],
        ["look|off|pods.load1", 0, DARK],
        ["look|high+key+pods|pods.load1", 1, FULL],
        ["look|high+key+pods|pods.load2", 1, FULL],
        ["amps|high+key+pods|pods.fuse", 4.4, [4.1, 4.81]],
        ["volts|high+key+pods|pods_relay.86|0", 12.58, [12.39, 12.75]],
        ["volts|high+key+pods|pods_relay.85|0", 0.01, [-0.03, 0.03]],
        ["volts|high+key+pods|lamp_lamp_3.pos|0", 12.31, [12.11, 12.48]],
        [LEFT_GROUND, 0.07, [-0.12, 0.23]],
        ["volts|high+key+pods|lamp_lamp_4.pos|0", 12.3, [12.11, 12.48]],
        ["volts|high+key+pods|lamp_lamp_4.neg|0", 0.06, [-0.12, 0.23]],
      )
      .worked("2026-11-18", "Pim Okkerse", ["mount", 55], ["wire", 70])
      .worked("2026-11-19", "Ansa Tordoff", ["test", 12], ["handOver", 10])
      .signed("2026-11-20", "Ansa Tordoff")
      // Back again: it flickers on the quarry road. The ground of May is not the ground of now.
      .tested("2026-11-25", "Pim Okkerse", [LEFT_GROUND, 0.46, [-0.12, 0.23]]).job
  );
}
