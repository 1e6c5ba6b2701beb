import { asId, type HoleId, type LandmarkId } from "../../job/index.ts";
import type { FitMaker } from "./fitMaker.ts";

const mark = (id: string) => asId<LandmarkId>(id);

/** The tourer's box lamp on its trunk lid, from first screw to last tie. */
export const fitTourer = (maker: FitMaker): FitMaker =>
  maker
    .lampsAt("box-brake", "trunk-lid")
    .lampsAt("box-run", "trunk-lid")
    .lampsAt("box-left", "trunk-lid")
    .lampsAt("box-right", "trunk-lid")
    .lampsAt("fogs", "nose", "nose")
    .step(
      "rider seat: 2 socket M6 x 18 rear 7 Nm; plug heated seat, under the nose of the seat; slides back, then up; forget the heated-seat plug; covers battery, fuse-box; 4 min",
      3,
    )
    .step(
      "left side cover: 1 cross M5 x 12 front, 2 push lower edge; after rider seat; paint; catch two lugs under the tank; 3 min",
      4,
    )
    .step(
      "trunk liner: 6 push around the rim, 2 cross M5 x 16 floor; slides up and out; covers trunk-hinge; 6 min",
      9,
    )
    .step(
      "trunk lid: 4 hex M6 x 20 hinges 9 Nm medium; plug trunk lamp, left hinge, behind the liner; after trunk liner; hold; paint; forget the gas strut's clip; 8 min",
      11,
    )
    .step(
      "left fairing pocket: 3 six-lobe M5 x 14 rim; plug accessory outlet, behind the pocket; covers fairing-left; 5 min",
    )
    .photo("", "As it came in (drawn)")
    .photo("left side cover", "Its screw and its two pins (drawn)")
    .photo("trunk liner", "Six around the rim, two in the floor (drawn)")
    .template("lid", {
      name: "Trunk lid, outer skin",
      where: "From behind, lock uppermost",
      widthMm: 420,
      heightMm: 180,
      material: "plastic",
      thicknessMm: 3,
      painted: true,
    })
    .landmark("lid", "boss-left", "left reflector boss", 121, 60)
    .landmark("lid", "boss-right", "right reflector boss", 299, 60)
    .landmark("lid", "lock", "lock, middle", 210, 25)
    .hole(
      "lid",
      "cable",
      "Cable",
      {
        kind: "between",
        fromId: mark("boss-left"),
        toId: mark("boss-right"),
        share: 0.5,
        downMm: 22,
      },
      { kind: "round", diameterMm: 10 },
      "ribs at both sides, lock rod 30 mm above: clear",
      true,
    )
    .hole(
      "lid",
      "stud-left",
      "Lamp stud",
      { kind: "from", landmarkId: mark("boss-left"), rightMm: 24, downMm: 22 },
      { kind: "bolt", size: "M5", fit: "medium" },
      "flat, nothing within a hand",
    )
    .hole(
      "lid",
      "stud-right",
      "Lamp stud, other side",
      { kind: "mirror", holeId: asId<HoleId>("stud-left") },
      { kind: "bolt", size: "M5", fit: "medium" },
      "flat, nothing within a hand",
    )
    .mount("box-brake", 0, "centre", [0, 0.92, 2.5])
    .mount("box-left", 0, "left", [0.17, 0.92, 2.5], { hand: "left" })
    .mount("box-right", 0, "right", [0.17, 0.92, 2.5], { hand: "right" })
    .mount("fogs", 0, "left", [0.21, 0.62, 0.34], { tiltDeg: 1.2, wantedTiltDeg: -0.6 })
    .mount("fogs", 1, "right", [0.21, 0.62, 0.34], { tiltDeg: -0.6, wantedTiltDeg: -0.6 })
    .bond("Cable clips inside the lid", "foamTape", { surfaceC: 18, cleaned: true })
    .routed();

/** The shuttle cart's road kit, in the middle of being fitted. */
export const fitShuttle = (maker: FitMaker): FitMaker =>
  maker
    .lampsAt("low", "cowl-left", "cowl-right")
    .lampsAt("high", "cowl-left", "cowl-right")
    .lampsAt("horn", "cowl")
    .lampsAt("brake", "tail-left", "tail-right")
    .lampsAt("tail", "tail-left", "tail-right")
    .lampsAt("left", "cowl-left", "tail-left")
    .lampsAt("right", "cowl-right", "tail-right")
    .lampsAt(
      "path",
      "sill-left",
      "sill-left",
      "sill-left",
      "sill-right",
      "sill-right",
      "sill-right",
    )
    .step(
      "seat cushion: 2 hand knobs rear; lifts at the back; heavy; covers battery, bay; 2 min",
      2,
    )
    .step(
      "battery cover: 4 hex M6 x 16 corners 6 Nm; after seat cushion; forget the cover's drain hose; covers battery; 5 min",
      6,
    )
    .step(
      "front cowl: 6 push lower edge, 2 cross #10-24 x 19 top; plug key switch, behind the glove tray; paint; catch two hooks under the screen; covers front cowl; 10 min",
      14,
    )
    .step("glove tray: 3 cross 4 mm back wall; after front cowl; covers dash; 4 min")
    .step(
      "rear body: 4 hex 1/4-20 x 25 bumper, 2 hex 1/4-20 x 19 sides; hold; paint; covers tail; 12 min",
    )
    .photo("", "As it came in (drawn)")
    .photo("front cowl", "Six below, two above (drawn)")
    .photo("rear body", "Four in the bumper, two at the sides (drawn)")
    .template("cowl", {
      name: "Front cowl, driver's side",
      where: "From the front",
      widthMm: 260,
      heightMm: 200,
      material: "fibreglass",
      thicknessMm: 4,
      painted: true,
    })
    .landmark("cowl", "seam-top", "seam, top", 40, 20)
    .landmark("cowl", "seam-low", "seam, lower end", 40, 160)
    .hole(
      "cowl",
      "lamp",
      "Headlamp bolt",
      { kind: "from", landmarkId: mark("seam-top"), rightMm: 95, downMm: 60 },
      { kind: "bolt", size: "5/16-18", fit: "shop" },
      "inner brace 40 mm behind: short bolt",
    )
    .hole(
      "cowl",
      "lead",
      "Lead",
      { kind: "from", landmarkId: mark("seam-top"), rightMm: 95, downMm: 100 },
      { kind: "round", diameterMm: 13 },
      "clear down to the brace",
      true,
    )
    .template("dash", {
      name: "Dash, right of the key",
      where: "From the driver's seat",
      widthMm: 160,
      heightMm: 90,
      material: "plastic",
      thicknessMm: 3,
      painted: false,
    })
    .landmark("dash", "key", "key switch, middle", 22, 45)
    .hole(
      "dash",
      "hazard",
      "Hazard rocker",
      { kind: "from", landmarkId: mark("key"), rightMm: 60, downMm: 0 },
      { kind: "rocker", widthMm: 21, heightMm: 37, cornerMm: 2 },
      "key's loom drops 50 mm behind: tie it aside",
    )
    .mount("low", 0, "left", [0.43, 0.68, 0.18], { tiltDeg: 0, wantedTiltDeg: -0.6 })
    .mount("low", 1, "right", [0.43, 0.68, 0.18], { tiltDeg: -0.6, wantedTiltDeg: -0.6 })
    .mount("brake", 0, "left", [0.47, 0.72, 2.55])
    .mount("brake", 1, "right", [0.47, 0.72, 2.55])
    .mount("left", 0, "left", [0.52, 0.68, 0.22])
    .mount("left", 1, "left", [0.54, 0.72, 2.52])
    .mount("right", 0, "right", [0.52, 0.68, 0.22])
    .mount("right", 1, "right", [0.54, 0.72, 2.52])
    .bond("Path lamps along the sills", "foamTape", { surfaceC: 11, dryFitted: true })
    .routed();
