import { decimal, shelfName } from "@dragonet/core";
import type { KeptPartAnswer } from "@dragonet/contract";
import { factsOf } from "./partFacts.ts";

/** Parts in a row, each with what is there and what open jobs take of it. */
export function PartTable({
  parts,
  taken,
  onOpen,
}: {
  parts: readonly KeptPartAnswer[];
  taken: ReadonlyMap<string, number>;
  onOpen: (kept: KeptPartAnswer) => void;
}) {
  return (
    <div className="relative overflow-x-auto">
      <table className="w-full border-collapse">
        <thead>
          <tr>
            <th scope="col">Part</th>
            <th scope="col" className="max-md:hidden">
              Facts
            </th>
            <th scope="col" className="max-md:hidden">
              Note
            </th>
            <th scope="col" className="text-right">
              Price
            </th>
            <th scope="col" className="pl-4 text-right">
              In stock
            </th>
            <th scope="col" className="pl-4 text-right">
              Reserved
            </th>
          </tr>
        </thead>
        <tbody>
          {parts.map((kept) => {
            const reserved = taken.get(shelfName(kept.value.name)) ?? 0;
            const short = reserved > kept.value.stock;
            return (
              <tr key={kept.value.id} className="border-t border-hair">
                <td className="py-1 pr-4">
                  <button
                    type="button"
                    className="touch text-left font-bold text-accent"
                    onClick={() => onOpen(kept)}
                  >
                    {kept.value.name}
                  </button>
                  <span className="block text-small md:hidden">{factsOf(kept.value)}</span>
                  <span className="block text-small text-muted md:hidden">{kept.value.note}</span>
                </td>
                <td className="pr-4 max-md:hidden">{factsOf(kept.value)}</td>
                <td className="pr-4 text-small text-muted max-md:hidden">{kept.value.note}</td>
                <td className="num text-right">{kept.value.price.toFixed(2)}</td>
                <td className={`num pl-4 text-right ${kept.value.stock === 0 ? "font-bold" : ""}`}>
                  {decimal(kept.value.stock, 0)}
                  {kept.value.least !== undefined && kept.value.stock < kept.value.least && (
                    <span className="block text-small whitespace-nowrap">
                      {decimal(kept.value.least, 0)} to keep
                    </span>
                  )}
                </td>
                <td className={`num pl-4 text-right ${short ? "font-bold" : "text-muted"}`}>
                  {reserved === 0 ? "" : decimal(reserved, 1)}
                  {short && (
                    <span className="block text-small whitespace-nowrap">
                      {decimal(reserved - kept.value.stock, 1)} short
                    </span>
                  )}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </div>
  );
}
