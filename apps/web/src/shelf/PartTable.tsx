import { decimal, shelfName } from "@dragonet/core";
import type { PartRowAnswer } from "@dragonet/contract";

/** Parts in a row, each with what is there and what open jobs take of it. */
export function PartTable({
  parts,
  taken,
  onOpen,
}: {
  parts: readonly PartRowAnswer[];
  taken: ReadonlyMap<string, number>;
  onOpen: (id: string) => void;
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
            <th scope="col" className="pl-4 text-right whitespace-nowrap">
              In stock
            </th>
            <th scope="col" className="pl-4 text-right">
              Reserved
            </th>
          </tr>
        </thead>
        <tbody>
          {parts.map((part) => {
            const reserved = taken.get(shelfName(part.name)) ?? 0;
            const short = reserved > part.stock;
            return (
              <tr key={part.id} className="border-t border-hair">
                <td className="py-1 pr-4">
                  <button
                    type="button"
                    className="touch text-left font-bold text-accent"
                    onClick={() => onOpen(part.id)}
                  >
                    {part.name}
                  </button>
                  <span className="block text-small md:hidden">{part.facts}</span>
                  <span className="block text-small text-muted md:hidden">{part.note}</span>
                </td>
                <td className="pr-4 max-md:hidden">{part.facts}</td>
                <td className="pr-4 text-small text-muted max-md:hidden">{part.note}</td>
                <td className="num text-right">{part.price.toFixed(2)}</td>
                <td className={`num pl-4 text-right ${part.stock === 0 ? "font-bold" : ""}`}>
                  {decimal(part.stock, 0)}
                  {part.stock < part.least && (
                    <span className="block text-small whitespace-nowrap">
                      {decimal(part.least, 0)} to keep
                    </span>
                  )}
                </td>
                <td className={`num pl-4 text-right ${short ? "font-bold" : "text-muted"}`}>
                  {reserved === 0 ? "" : decimal(reserved, 1)}
                  {short && (
                    <span className="block text-small whitespace-nowrap">
                      {decimal(reserved - part.stock, 1)} short
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
