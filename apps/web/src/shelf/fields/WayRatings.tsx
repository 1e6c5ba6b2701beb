import { wayRatingA, type BoxPart, type Part } from "@dragonet/core";
import { NumberInput } from "../../ui/forms/number/NumberInput.tsx";
import { PartLine } from "./PartLine.tsx";

/** Ratings of a box's channels where they differ, one after the other. */
export function WayRatings({ part, onChange }: { part: BoxPart; onChange: (part: Part) => void }) {
  const set = (n: number, amps: number): void => {
    const all = Array.from({ length: part.ways }, (_, i) =>
      i + 1 === n ? amps : wayRatingA(part, i + 1),
    );
    const alike = all.every((a) => a === part.wayA);
    onChange({ ...part, wayRatings: alike ? [] : all });
  };
  return (
    <PartLine label="Channel by channel">
      {Array.from({ length: part.ways }, (_, i) => i + 1).map((n) => (
        <NumberInput
          key={n}
          label={`Channel ${n} carries`}
          unit="A"
          value={wayRatingA(part, n)}
          min={0.1}
          max={500}
          className="w-14"
          onCommit={(amps) => set(n, amps)}
        />
      ))}
    </PartLine>
  );
}
