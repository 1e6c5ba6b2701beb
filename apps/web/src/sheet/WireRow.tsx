import { lengthText, type UnitSystem, type WireLine } from "@dragonet/core";
import type { Head } from "../ui/DataTable.tsx";
import { WireSwatch } from "../ui/WireSwatch.tsx";

/** Heads of a list of wires, `done` being what is ticked on the paper. */
export const wireHeads = (done: string): readonly Head[] =>
  ["Flag", "Size", "Colour", "Length", "From, to", done].map((words) => ({
    words,
    className: "pr-1.5",
  }));

/** The cells of one wire on paper: flag, size, colour, length, ends, a box to tick. */
export function WireCells({ wire, units }: { wire: WireLine; units: UnitSystem }) {
  return (
    <>
      <td className="num pr-3 max-sm:pr-1.5">{wire.label}</td>
      <td className="num pr-3 max-sm:pr-1.5 whitespace-nowrap">{wire.gaugeId}</td>
      <td className="pr-3 max-sm:pr-1.5">
        <WireSwatch colour={wire.colour} />
      </td>
      <td className="num pr-3 max-sm:pr-1.5 whitespace-nowrap">
        {lengthText(wire.lengthM, units)}
      </td>
      <td>
        {wire.from}, {wire.to}
      </td>
      <td>
        <span className="inline-block size-3.5 border border-edge" aria-hidden />
      </td>
    </>
  );
}
