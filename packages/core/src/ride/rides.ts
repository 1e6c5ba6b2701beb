import { itemAt } from "../present/index.ts";
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

/** Engine speeds in 1/min of idle, town and cruise. */
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

/** Rides that come with the program: invented, of usual lengths. */
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
    id: "standing-by",
    name: "Standing by the road, warning lights on",
    legs: ({ idle, town }) => [
      leg("1", "out to the post", 12, town, { starts: 1, brake: 0.1, turn: 0.05 }),
      leg("2", "standing, engine off, lit", 40, 0),
      leg("3", "standing, idling", 20, idle, { starts: 1 }),
      leg("4", "moved on to the next post", 6, town, { brake: 0.2, turn: 0.1 }),
      leg("5", "standing, engine off, lit", 40, 0),
      leg("6", "home", 12, town, { starts: 1, brake: 0.1, turn: 0.05 }),
    ],
  },
  {
    id: "touring",
    name: "Touring day",
    legs: ({ idle, town, cruise }) => [
      leg("1", "out of the village", 10, town, { starts: 1, brake: 0.15, turn: 0.08 }),
      leg("2", "open road", 90, cruise, { brake: 0.03, turn: 0.02 }),
      leg("3", "after the halt, open road", 90, cruise, { starts: 1, brake: 0.03, turn: 0.02 }),
      leg("4", "queue at the ferry", 10, idle, { brake: 0.5 }),
      leg("5", "to the door, after dark", 20, town, { brake: 0.15, turn: 0.08 }),
    ],
  },
  {
    id: "deliveries",
    name: "Deliveries, started at every door",
    legs: ({ idle, town }) => [
      leg("1", "round the streets", 30, town, { starts: 12, brake: 0.35, turn: 0.2 }),
      leg("2", "waiting for the next, lights on, engine off", 10, 0),
      leg("3", "round the streets again", 30, town, { starts: 12, brake: 0.35, turn: 0.2 }),
      leg("4", "queues", 10, idle, { brake: 0.7 }),
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
  ...{ quad: "farm-evening", sideBySide: "farm-evening", snowMachine: "farm-evening" },
  ...{ motorcycle: "commute", scooter: "commute", eBike: "commute", trike: "commute" },
  ...{ cart: "parade-idle", utilityCart: "parade-idle", buggy: "parade-idle" },
  ...{ mower: "mowing", trailer: "commute", other: "commute" },
};

/** The ride a vehicle of a kind is usually tried on. */
export const usualRide = (kind: VehicleKind): ShippedRide =>
  SHIPPED_RIDES.find((ride) => ride.id === USUAL[kind]) ?? itemAt(SHIPPED_RIDES, 0);
