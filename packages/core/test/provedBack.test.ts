/** What was proved on a job flows back to its profile, and nothing else does. */
import {
  asId,
  createJob,
  integrityFaults,
  provedPins,
  withProved,
  type ConnectorId,
  type PinId,
  type Vehicle,
} from "../src/index.ts";
import { PORTER } from "../src/demo/index.ts";

const [key] = PORTER.pins;
const proved = {
  ...key!,
  colour: "red/blue",
  certainty: "proved" as const,
  foundBy: "Pim Okkerse",
};
const plug = {
  ...{ id: asId<ConnectorId>("new"), name: "Tail plug", where: "" },
  ...{ at: asId<never>(""), cavities: 0, rows: 0 },
};
const found = { ...proved, id: asId<PinId>("tail"), connectorId: plug.id, carries: "tail" };
const guessed = { ...found, id: asId<PinId>("maybe"), certainty: "guess" as const };
const onJob: Vehicle = {
  ...PORTER,
  machine: "shuttle B",
  connectors: [...PORTER.connectors, plug],
  pins: [proved, found, guessed],
};

describe("what was proved on a job", () => {
  it("is compared with its profile: what was known otherwise, and what is new", () => {
    expect(provedPins(PORTER, onJob)).toEqual([
      { was: key, now: proved },
      { was: null, now: found },
    ]);
  });

  it("goes into the profile with its connector; guesses, the machine and the rest do not", () => {
    const after = withProved(PORTER, onJob);
    expect(after.pins).toEqual([proved, found]);
    expect(after.connectors).toEqual([...PORTER.connectors, plug]);
    expect({ ...after, pins: [], connectors: [] }).toEqual({ ...PORTER, pins: [], connectors: [] });
    expect(integrityFaults(createJob("", "", after))).toEqual([]);
  });

  it("written once is not spoken of again", () => {
    const after = withProved(PORTER, onJob);
    expect(provedPins(after, onJob)).toEqual([]);
    expect(withProved(after, onJob)).toEqual(after);
  });

  it("takes nothing from a profile that knows more than the job", () => {
    const poorer = { ...onJob, pins: [], connectors: [] };
    expect(withProved(PORTER, poorer)).toEqual(PORTER);
  });
});
