import type { RideLeg } from "../job/index.ts";
import type { ChargingFacts, VehicleKind } from "../vehicle/index.ts";

/** A ride that ships with the application: legs by their share of the engine's speeds. */
export interface ShippedRide {
  readonly id: string;
  readonly name: string;
  readonly legs: (speeds: Speeds) => readonly RideLeg[];
}

/** The engine speeds that a ride is made of, in rpm. */
export interface Speeds {
  readonly idle: number;
  readonly town: number;
  readonly cruise: number;
}

export const speedsOf = (charging: ChargingFacts): Speeds => ({
  idle: charging.idleRpm.value,
  town: charging.townRpm.value,
  cruise: charging.cruiseRpm.value,
});

type Doing = Partial<Pick<RideLeg, "brake" | "turn" | "starts" | "extraA">>;

const leg = (
  id: string,
  name: string,
  minutes: number,
  rpm: number,
  doing: Doing = {},
): RideLeg => ({
  id,
  name,
  minutes,
  rpm,
  brake: 0,
  turn: 0,
  starts: 0,
  extraA: 0,
  ...doing,
});

export const SHIPPED_RIDES: readonly ShippedRide[] = [
  {
    id: "farm-evening",
    name: "Farm evening",
    legs: ({ idle, town }) => [
      leg("1", "out to the fold", 8, town, { starts: 1, brake: 0.1 }),
      leg("2", "standing, lights on, engine off", 25, 0),
      leg("3", "along the wall at a crawl", 30, idle * 1.2, { starts: 1, brake: 0.2 }),
      leg("4", "standing at the gate, idling", 10, idle),
      leg("5", "home", 8, town, { brake: 0.1 }),
    ],
  },
  {
    id: "commute",
    name: "Commute",
    legs: ({ idle, town, cruise }) => [
      leg("1", "warming up", 3, idle, { starts: 1 }),
      leg("2", "through town", 12, town, { brake: 0.25, turn: 0.12 }),
      leg("3", "open road", 15, cruise, { brake: 0.03, turn: 0.02 }),
      leg("4", "lights and queues", 8, idle, { brake: 0.7, turn: 0.2 }),
      leg("5", "last streets", 4, town, { brake: 0.25, turn: 0.15 }),
    ],
  },
  {
    id: "crawl-winch",
    name: "Crawl with winch",
    legs: ({ idle, town }) => [
      leg("1", "to the moor", 20, town, { starts: 1 }),
      leg("2", "crawling", 25, idle * 1.3, { brake: 0.3 }),
      leg("3", "winching", 3, idle * 1.3, { extraA: 120 }),
      leg("4", "crawling on", 20, idle * 1.3, { brake: 0.3 }),
      leg("5", "back", 20, town),
    ],
  },
  {
    id: "parade-idle",
    name: "Parade at idle",
    legs: ({ idle }) => [
      leg("1", "forming up", 15, idle, { starts: 1, brake: 0.3 }),
      leg("2", "walking pace, everything lit", 60, idle, { brake: 0.3, turn: 0.1 }),
      leg("3", "standing, engine off, lit", 15, 0),
    ],
  },
  {
    id: "mowing",
    name: "Mowing",
    legs: ({ idle, town }) => [
      leg("1", "to the grass", 4, town, { starts: 1 }),
      leg("2", "mowing", 45, town * 0.9),
      leg("3", "standing, idling", 12, idle),
      leg("4", "mowing again", 30, town * 0.9),
      leg("5", "back to the shed", 4, town),
    ],
  },
];

const USUAL: Readonly<Record<VehicleKind, string>> = {
  quad: "farm-evening",
  motorcycle: "commute",
  cart: "parade-idle",
  mower: "mowing",
  trike: "commute",
  buggy: "parade-idle",
  other: "commute",
};

/** The ride a vehicle of a kind is usually tried on. */
export const usualRide = (kind: VehicleKind): ShippedRide =>
  SHIPPED_RIDES.find((ride) => ride.id === USUAL[kind]) ?? SHIPPED_RIDES[0]!;
