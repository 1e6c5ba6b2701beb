import { itemOf } from "../../present/index.ts";
import { vehicleFacts, type Measurement } from "../../knowledge/index.ts";
import type { Vehicle } from "../../vehicle/index.ts";
import { FELLRUNNER } from "./fellrunner.ts";
import { PETREL } from "./petrel.ts";

interface Machine {
  readonly machine: string;
  readonly year: number;
  readonly who: string;
  readonly day: string;
  readonly from?: string;
  /** Read value and what the meter is good for, by key. */
  readonly read: Readonly<Record<string, readonly [value: number, within: number]>>;
}

const FELLRUNNERS: readonly Machine[] = [
  {
    ...{ machine: "farm 1", year: 2019, who: "Pim Okkerse", day: "2025-03-14" },
    read: {
      "output at 1200 rpm": [8.1, 0.2],
      "output at 2000 rpm": [13.2, 0.3],
      "charging.regulatedV": [14.1, 0.1],
      "load heated grips": [3.1, 0.1],
    },
  },
  {
    ...{ machine: "farm 2", year: 2019, who: "Ansa Tordoff", day: "2025-10-02" },
    read: {
      "output at 1200 rpm": [8.3, 0.2],
      "output at 2000 rpm": [13.5, 0.3],
      "load heated grips": [3.2, 0.1],
    },
  },
  {
    ...{ machine: "hill rescue", year: 2022, who: "Wren Dalby", day: "2026-05-20" },
    read: {
      "output at 1200 rpm": [10.4, 0.2],
      "output at 2000 rpm": [13.4, 0.3],
      "charging.regulatedV": [14.2, 0.1],
      "load heated grips": [4.4, 0.1],
    },
  },
  {
    ...{ machine: "warden", year: 2022, who: "Pim Okkerse", day: "2026-08-11" },
    read: { "output at 1200 rpm": [10.2, 0.2], "load heated grips": [3, 0.1] },
  },
];

const PETRELS: readonly Machine[] = [
  {
    ...{ machine: "marshal 1", year: 2021, who: "Ansa Tordoff", day: "2026-02-03" },
    read: { "charging.regulatedV": [14.3, 0.1], "charging.idleRpm": [1350, 50] },
  },
];

const asMeasured = (vehicle: Vehicle, machines: readonly Machine[]) => {
  const facts = new Map(vehicleFacts(vehicle).map((fact) => [fact.key, fact]));
  return machines.flatMap(({ read, from = "", ...machine }) =>
    Object.entries(read).flatMap(([key, [value, within]]): Measurement[] => {
      const { words, unit } = itemOf(facts, key);
      return [
        {
          ...{ key, words, unit, value, low: value - within, high: value + within, said: "" },
          ...{ ...machine, variant: "", jobId: "", from },
        },
      ];
    }),
  );
};

/** What the demo shop has measured on machines that were here before: invented. */
export const DEMO_MEASUREMENTS: readonly {
  readonly profileId: string;
  readonly all: readonly Measurement[];
}[] = [
  { profileId: FELLRUNNER.profileId, all: asMeasured(FELLRUNNER, FELLRUNNERS) },
  { profileId: PETREL.profileId, all: asMeasured(PETREL, PETRELS) },
];
