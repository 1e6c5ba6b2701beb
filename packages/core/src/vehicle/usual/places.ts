import type { PlaceRole } from "../routeMap.ts";

/** Where something usually sits: parts of the length from the front and of the width to the right. */
export type UsualPlace = readonly [
  id: string,
  name: string,
  role: PlaceRole,
  back: number,
  right: number,
];

/** Ways of a vehicle whose battery and fuses lie between its ends. */
export const ALONG = [
  ["battery", "electrics"],
  ["battery", "ground"],
  ["electrics", "controls"],
  ["controls", "front"],
  ["electrics", "rear"],
] as const;

export type Along = readonly [back: number, right?: number];

/** Its usual places, in the order of `ALONG`'s names, and what they are called there. */
export function places(
  names: Readonly<Record<"battery" | "controls" | "ground", string>>,
  at: Readonly<Record<"battery" | "electrics" | "controls" | "front" | "rear" | "ground", Along>>,
): readonly UsualPlace[] {
  const spot = (role: keyof typeof at, name: string): UsualPlace => [
    ...([role, name, role] as const),
    at[role][0],
    at[role][1] ?? 0,
  ];
  return [
    spot("battery", names.battery),
    spot("electrics", "Fuses"),
    spot("controls", names.controls),
    spot("front", "Front, middle"),
    spot("rear", "Rear, middle"),
    spot("ground", names.ground),
  ];
}

export const BIKE = places(
  { battery: "Battery, under the seat", controls: "Bars", ground: "Frame, by the engine" },
  {
    battery: [0.56],
    electrics: [0.64],
    controls: [0.32],
    front: [0.2],
    rear: [0.96],
    ground: [0.48],
  },
);

export const QUAD = places(
  { battery: "Battery, under the seat", controls: "Bars", ground: "Frame, by the engine" },
  {
    battery: [0.66],
    electrics: [0.5],
    controls: [0.38],
    front: [0.06],
    rear: [0.96],
    ground: [0.52],
  },
);

export const CABIN = places(
  { battery: "Battery, under the seat", controls: "Dashboard", ground: "Frame, by the battery" },
  {
    ...{
      battery: [0.52, 0.2] as Along,
      electrics: [0.3] as Along,
      controls: [0.34, -0.2] as Along,
    },
    ...{ front: [0.03] as Along, rear: [0.97] as Along, ground: [0.56, 0.2] as Along },
  },
);
