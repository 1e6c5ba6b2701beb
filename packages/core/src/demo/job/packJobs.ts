import { itemAt } from "../../present/index.ts";
import type { Job } from "../../job/index.ts";
import { fitShuttle } from "./fits.ts";
import { make, type FitMaker } from "./fitMaker.ts";
import { eitherOf, from, part, when } from "./jobMaker.ts";
import { LITTER, MIDGE, PORTER } from "../vehicles.ts";

/** The shuttle cart's road kit: converter, relay board, flasher, and controls of its own. */
export function roadKit(maker: FitMaker, hazardPoles: number): FitMaker {
  return maker
    .supply("converter", "Converter", "converter-60-12-25", { gate: "key" })
    .supply("board", "Relay board", "relay-board-6", { feed: from("converter") })
    .supply("flasher", "Flasher", "flasher-any-load", { feed: from("converter") })
    .control("lights", "Light switch", ["park", "low", "high"], { feed: from("converter") })
    .control("turn", "Turn switch", ["left", "right"], { feed: from("flasher") })
    .control("hazards", "Hazard switch", ["hazard"], {
      feed: from("flasher"),
      poles: hazardPoles,
    })
    .control("pedal", "Brake pedal switch", ["brake"], { feed: from("converter"), poles: 1 })
    .control("button", "Horn button", ["horn"], {
      feed: from("converter"),
      poles: 1,
      switchPartId: part("button-horn"),
    })
    .run("low", "Low beam", "front", when("low"), [["pod-18", 2, "front"]], {
      feed: from("board"),
    })
    .run("high", "High beam", "front", when("high"), [["pod-30", 2, "front"]], {
      feed: from("board"),
    })
    .run("horn", "Horn", "front", when("horn"), [["horn-3a", 1, "front"]], {
      feed: from("board"),
      coil: "negative",
    })
    .run("brake", "Brake lights", "rear", when("brake"), [["tail-two-level", 2, "rear"]], {
      feed: from("board"),
    })
    .run(
      "tail",
      "Tail lights",
      "rear",
      eitherOf("park", "low", "high"),
      [["tail-two-level", 2, "rear"]],
      { feed: from("converter") },
    )
    .lamp(0, { light: "dim", housing: itemAt(maker.job.lamps, maker.job.lamps.length - 3).id })
    .lamp(1, { light: "dim", housing: itemAt(maker.job.lamps, maker.job.lamps.length - 4).id })
    .run(
      "left",
      "Left turn",
      "rear",
      eitherOf("left", "hazard"),
      [
        ["turn-led", 1, "left"],
        ["turn-led", 1, "left"],
      ],
      { feed: from("converter") },
    )
    .run(
      "right",
      "Right turn",
      "rear",
      eitherOf("right", "hazard"),
      [
        ["turn-led", 1, "right"],
        ["turn-led", 1, "right"],
      ],
      { feed: from("converter") },
    );
}

export function shuttleCart(): Job {
  const maker = make(
    "Road kit with horn and hazards",
    "Hollin Hill Observatory",
    PORTER,
    "shuttle B",
  )
    .card({ stage: "fit", promised: "2026-12-15" })
    .wish("beLegal", "Whole road kit: low, high, turn, brake, horn, hazards.")
    .wish("other", "Path lights dim and red: visitors' eyes are dark-adapted.")
    .blocker("customer", "Confirm which gate the shuttle leaves by: road or yard")
    .kit(["Road kit harness", 1, 1], ["Voltage converter", 1, 1], ["3 W red path lamp", 6, 6]);
  return fitShuttle(
    roadKit(maker, 2).run(
      "path",
      "Path lights",
      "front",
      when("switch"),
      [
        ["path-red", 3, "left"],
        ["path-red", 3, "right"],
      ],
      { feed: from("converter"), onIdle: 1, onTown: 1, onCruise: 1 },
    ),
  ).job;
}

/** Three ways to feed the same dim red lamps: the question the observatory asked. */
export function pathLights(): Job {
  return make("Dim red path lights", "Hollin Hill Observatory", PORTER, "shuttle A")
    .card({ stage: "intake", promised: "2026-12-10" })
    .wish("other", "Six dim red path lamps, every clear evening, four hours.")
    .supply("converter", "Converter", "converter-60-12", { gate: "switch" })
    .run(
      "path",
      "Path lights",
      "front",
      when("switch"),
      [
        ["path-red", 3, "left"],
        ["path-red", 3, "right"],
      ],
      { feed: from("converter"), onEngineOff: 1 },
    )
    .mount("path", 0, "left", [0.55, 0.5, 0.2], { wantedTiltDeg: -35 })
    .mount("path", 1, "left", [0.58, 0.5, 1.2], { wantedTiltDeg: -35 })
    .mount("path", 2, "left", [0.55, 0.5, 2.2], { wantedTiltDeg: -35 })
    .mount("path", 3, "right", [0.55, 0.5, 0.2], { wantedTiltDeg: -35 })
    .mount("path", 4, "right", [0.58, 0.5, 1.2], { wantedTiltDeg: -35 })
    .mount("path", 5, "right", [0.55, 0.5, 2.2], { wantedTiltDeg: -35 })
    .aim(0, { beam: "work", toeDeg: -40, adjuster: "pivot" })
    .aim(1, { beam: "work", toeDeg: -40, adjuster: "pivot" })
    .aim(2, { beam: "work", toeDeg: -40, adjuster: "pivot" })
    .aim(3, { beam: "work", toeDeg: 40, adjuster: "pivot" })
    .aim(4, { beam: "work", toeDeg: 40, adjuster: "pivot" })
    .aim(5, { beam: "work", toeDeg: 40, adjuster: "pivot" })
    .aiming({
      keeps: "left",
      glareCd: 20,
      darkPlace: { name: "Observatory dome", aheadM: 60, rightM: 12, upM: 4, mostLux: 0.01 },
    }).job;
}

export function trialsBike(): Job {
  return make("Headlight for night trials", "Beck Trials Club", MIDGE, "")
    .card({ stage: "circuit", promised: "2026-12-18" })
    .wish("seeFurther", "Light for the night section. Converter or series string?")
    .run("head", "Headlight string", "front", when("switch"), [["pod-plain-10", 5, "front"]], {
      feed: { kind: "pack" },
      arrangement: "series",
      switchPartId: part("switch-80v"),
      onEngineOff: 1,
    })
    .routed().job;
}

export function stretcherBuggy(): Job {
  return make("Scene lights on the six-way hub", "Hollin Fell Rescue Post", LITTER, "buggy 1")
    .card({ stage: "circuit", promised: "2026-12-11" })
    .wish("seeFurther", "Scene lights all round, on the hub's channels.")
    .wish("beSeen", "Amber to the rear while loading.")
    .kit(["18 W flood pod", 4, 2], ["12 W amber fog pod", 2, 2])
    .supply("hub", "Six-way hub", "hub-6", { gate: "always" })
    .run("front", "Scene front", "front", when("switch"), [["pod-18", 2, "front"]], {
      feed: from("hub"),
      return: "block",
      connectorPartId: part("plug-2-sealed"),
      onEngineOff: 1,
    })
    .run("left", "Scene left", "front", when("switch"), [["pod-18", 1, "left"]], {
      feed: from("hub"),
      return: "block",
      onEngineOff: 1,
    })
    .run("right", "Scene right", "front", when("switch"), [["pod-18", 1, "right"]], {
      feed: from("hub"),
      return: "block",
      onEngineOff: 1,
    })
    .run("amber", "Amber rear", "rear", when("switch"), [["amber-pod-12", 2, "rear"]], {
      feed: from("hub"),
      onEngineOff: 0.3,
    })
    .run("strip", "Bed strip", "rear", when("switch"), [["strip-red-metre", 1, "inside"]], {
      feed: from("hub"),
      onEngineOff: 1,
    })
    .lamp(0, { lengthM: 1.2 })
    .lampsAt("left", "hoop-left")
    .lampsAt("right", "hoop-right")
    .lampsAt("strip", "bed")
    .routed().job;
}
