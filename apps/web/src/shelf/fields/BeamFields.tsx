import type { LoadPart, Part, Photometry } from "@dragonet/core";
import { PhotometryFields } from "./PhotometryFields.tsx";

/** What a part of the shelf sends where; a part that nobody measured has none. */
export function BeamFields({ part, onChange }: { part: LoadPart; onChange: (part: Part) => void }) {
  const take = (photometry: Photometry | null): void => {
    const kept = Object.fromEntries(
      Object.entries(part).filter(([field]) => field !== "photometry"),
    ) as unknown as LoadPart;
    onChange(photometry ? { ...kept, photometry } : kept);
  };
  return <PhotometryFields name={part.name} photometry={part.photometry ?? null} onChange={take} />;
}
