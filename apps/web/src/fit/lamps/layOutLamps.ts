import { rightOf, tapeText, type Job, type Mount, type UnitSystem, itemAt } from "@dragonet/core";
import { placeLabels, type Box } from "../../ui/picture/labels.ts";

/** A picture is as tall as this and at most as wide, in px of a screen: letters keep their size. */
const [TALL, WIDE] = [270, 600];
const EDGE = 30;
export const TEXT = 13;
export const R = 10;
/** Width of a figure as a share of its height. */
const FIGURE = 0.6;

export interface Spot {
  readonly mount: Mount;
  /** In m, across the picture and above the ground. */
  readonly across: number;
  readonly high: number;
}

/** Lamps at one place with what is written beside them. */
export interface Laid {
  readonly mounts: readonly Mount[];
  readonly at: readonly [x: number, y: number];
  readonly words: string;
  readonly label: Box;
}

export interface Picture {
  /** From the picture's left edge to its right one, in m. */
  readonly from: number;
  readonly to: number;
  readonly tall: number;
}

/** Units of the picture for each metre. */
const scaleOf = ({ from, to, tall }: Picture): number =>
  Math.min((TALL - 2 * EDGE) / tall, (WIDE - 2 * EDGE) / (to - from));

export function sizeOf(picture: Picture): readonly [width: number, height: number] {
  const scale = scaleOf(picture);
  return [(picture.to - picture.from) * scale + 2 * EDGE, picture.tall * scale + 2 * EDGE];
}

/** From m of a view to units of its picture. */
export const placeIn =
  (picture: Picture) =>
  ([across, high]: readonly [number, number]): readonly [number, number] => {
    const scale = scaleOf(picture);
    return [EDGE + (across - picture.from) * scale, EDGE + (picture.tall - high) * scale];
  };

/** Lamps at one place lie under each other in the picture: they are told beside each other. */
function gathered(
  spots: readonly Spot[],
  scale: number,
): (Spot & { readonly all: readonly Mount[] })[] {
  const groups: (Spot & { all: Mount[] })[] = [];
  for (const spot of spots) {
    const near = groups.find(
      (g) => Math.hypot(g.across - spot.across, g.high - spot.high) * scale < 2 * R,
    );
    if (near) near.all.push(spot.mount);
    else groups.push({ ...spot, all: [spot.mount] });
  }
  return groups;
}

/** Where lamps and what is written of them stand: their height in mm or inches, and others at the same place. */
export function layOutLamps(
  spots: readonly Spot[],
  picture: Picture,
  number: (mount: Mount) => number,
  units: UnitSystem = "metric",
): Laid[] {
  const groups = gathered(spots, scaleOf(picture)).map(({ across, high, all }) => {
    const others = all.slice(1).map(number).join(", ");
    const above = tapeText(high, units).replace(/ \w+$/, "");
    const words = others === "" ? above : `${others} · ${above}`;
    return { mounts: all, at: placeIn(picture)([across, high]), words };
  });
  const [width, height] = sizeOf(picture);
  const boxes = placeLabels(
    groups.map(({ at, words }) => ({
      at,
      radius: R,
      width: words.length * TEXT * FIGURE,
      height: TEXT + 2,
    })),
    groups.map(({ at: [x, y] }) => ({ x: x - R, y: y - R, width: 2 * R, height: 2 * R })),
    { x: 1, y: 1, width: width - 2, height: height - 2 },
  );
  return groups.map((group, i) => ({ ...group, label: itemAt(boxes, i) }));
}

/** A view of the vehicle, and what is seen in it. */
export interface Seen {
  readonly name: string;
  readonly view: "front" | "rear" | "side";
  readonly picture: Picture;
  readonly spots: readonly Spot[];
}

/** From the front, from behind and from the left, each with the lamps that are looked for there. */
export function viewsOf({ mounts, vehicle: { size } }: Pick<Job, "mounts" | "vehicle">): Seen[] {
  const long = Math.max(size.lengthM.value, ...mounts.map((m) => m.backM.value), 0.5);
  const half = Math.max(size.widthM.value / 2, ...mounts.map((m) => m.outM.value), 0.3);
  const tall = Math.max(size.heightM.value, ...mounts.map((m) => m.heightM.value), 0.5) + 0.1;
  const spot = (mount: Mount, across: number): Spot => ({
    ...{ mount, across, high: mount.heightM.value },
  });
  const isRear = (m: Mount): boolean => m.backM.value >= long / 2;
  const across = { from: -half, to: half, tall };
  return [
    {
      ...{ name: "From the front", view: "front", picture: across },
      spots: mounts.filter((m) => !isRear(m)).map((m) => spot(m, -rightOf(m))),
    },
    {
      ...{ name: "From behind", view: "rear", picture: across },
      spots: mounts.filter(isRear).map((m) => spot(m, rightOf(m))),
    },
    {
      ...{ name: "From the left", view: "side", picture: { from: 0, to: long, tall } },
      spots: mounts.filter((m) => m.side !== "right").map((m) => spot(m, m.backM.value)),
    },
  ];
}
