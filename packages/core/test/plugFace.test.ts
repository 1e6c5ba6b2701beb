/** Plugs as they are seen: cavities in their rows, the same wire left or right by the side one looks at. */
import fc from "fast-check";
import {
  asId,
  plugFace,
  type Connector,
  type ConnectorId,
  type ConnectorPin,
  type PinId,
  type PlugSide,
  type Vehicle,
  type VariantId,
} from "../src/index.ts";
import { FELLRUNNER } from "../src/demo/index.ts";

const ID = asId<ConnectorId>("plug");
const [like] = FELLRUNNER.pins;
const wire = (cavity: string, variant = ""): ConnectorPin => ({
  ...like!,
  ...{ id: asId<PinId>(`${cavity}-${variant}`), connectorId: ID, cavity, carries: cavity },
  variant: asId<VariantId>(variant),
});
const plug = (cavities: number, rows: number): Connector => ({
  ...{ id: ID, name: "Plug", where: "", at: "", cavities, rows },
});
const on = (pins: readonly ConnectorPin[], variant = ""): Vehicle => ({
  ...{ ...FELLRUNNER, pins: [...FELLRUNNER.pins, ...pins] },
  variant: asId<VariantId>(variant),
});

/** Rows of marks as they are read; a cavity with a wire in brackets. */
const seen = (
  pins: readonly ConnectorPin[],
  of: Connector,
  side: PlugSide = "mating",
  variant = "",
) => {
  const face = plugFace(on(pins, variant), of, side);
  return Array.from({ length: face.rows }, (_, row) =>
    face.cavities
      .filter((c) => c.row === row)
      .sort((a, b) => a.column - b.column)
      .map(({ cavity, pin }) => (pin ? `[${cavity}]` : cavity))
      .join(" "),
  );
};

describe("a plug as it is seen", () => {
  it("counts from the top left of its open face, and is the other way round from its wires", () => {
    const pins = [wire("2"), wire("5")];
    expect(seen(pins, plug(6, 2))).toEqual(["1 [2] 3", "4 [5] 6"]);
    expect(seen(pins, plug(6, 2), "wires")).toEqual(["3 [2] 1", "6 [5] 4"]);
    expect(seen([wire("4")], plug(6, 2), "wires")).toEqual(["3 2 1", "6 5 [4]"]);
  });

  it("has as many cavities as the last that is known, where nobody counted; more than four in two rows", () => {
    expect(seen([wire("3")], plug(0, 0))).toEqual(["1 2 [3]"]);
    expect(seen([wire("4")], plug(0, 0))).toEqual(["1 2 3 [4]"]);
    expect(seen([wire("5")], plug(0, 0))).toEqual(["1 2 3", "4 [5]"]);
    expect(seen([], plug(0, 0))).toEqual(["1"]);
    // Said too few: what is known is there all the same.
    expect(seen([wire("3")], plug(2, 1))).toEqual(["1 2 [3]"]);
    expect(seen([], plug(3, 10))).toEqual(["1", "2", "3"]);
  });

  it("takes letters in their order, and other marks where there is room", () => {
    expect(seen([wire("B"), wire("d")], plug(0, 1))).toEqual(["1 [B] 3 [d]"]);
    expect(seen([wire("+"), wire("\u2212"), wire("2")], plug(0, 1))).toEqual(["[+] [2] [\u2212]"]);
    expect(seen([wire("0"), wire("L2")], plug(0, 1))).toEqual(["[0] [L2]"]);
  });

  it("has the wire of this vehicle's variant, and none of another's", () => {
    const pins = [wire("1"), wire("1", "audio"), wire("2", "other")];
    const first = (variant: string) => {
      const { cavities } = plugFace(on(pins, variant), plug(2, 1), "mating");
      return cavities.map(({ pin }) => pin?.variant ?? null);
    };
    expect(first("")).toEqual(["", null]);
    expect(first("audio")).toEqual(["audio", null]);
    expect(first("other")).toEqual(["", "other"]);
    // Two of one mark are one cavity.
    expect(seen([wire("+"), wire("+", "audio")], plug(0, 1), "mating", "audio")).toEqual(["[+]"]);
  });

  it("has every known wire once and no two cavities in one place, whatever is said of it", () => {
    const marks = fc.uniqueArray(
      fc.oneof(fc.integer({ min: 1, max: 40 }).map(String), fc.constantFrom("+", "L2", "x", "A")),
      { maxLength: 12 },
    );
    fc.assert(
      fc.property(marks, fc.nat(60), fc.nat(10), (cavities, count, rows) => {
        const pins = cavities.map((m) => wire(m));
        const [mating, wires] = (["mating", "wires"] as const).map((side) =>
          plugFace(on(pins), plug(count, rows), side),
        );
        const there = mating!.cavities.flatMap(({ pin }) => (pin ? [pin.id] : []));
        expect([...there].sort()).toEqual(pins.map((p) => p.id).sort());
        for (const face of [mating!, wires!]) {
          const places = face.cavities.map(({ row, column }) => `${row}/${column}`);
          expect(new Set(places).size).toBe(places.length);
          const isOff = ({ row, column }: (typeof face.cavities)[number]) =>
            row >= face.rows || column < 0 || column >= face.columns;
          expect(face.cavities.filter(isOff)).toEqual([]);
        }
        const mirrored = wires!.cavities.map((c) => mating!.columns - 1 - c.column);
        expect(mating!.cavities.map((c) => c.column)).toEqual(mirrored);
      }),
    );
  });
});
