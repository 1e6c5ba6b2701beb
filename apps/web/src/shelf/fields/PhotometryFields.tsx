import { useMemo, useState } from "react";
import {
  decimal,
  fitBeam,
  lumensOf,
  peakCd,
  printIes,
  printLdt,
  readIes,
  readLdt,
  toTypeC,
  type FiveReadings,
  type Photometry,
} from "@dragonet/core";
import { useCurrentUser } from "../../base/session.ts";
import { Button } from "../../ui/Button.tsx";
import { FileButton } from "../../ui/forms/FileButton.tsx";
import { saveText } from "../../ui/saveText.ts";
import { NumberInput } from "../../ui/forms/number/NumberInput.tsx";

const SOURCE_WORDS: Readonly<Record<Photometry["source"], string>> = {
  file: "from a file",
  fiveReadings: "an estimate from five readings",
  invented: "invented",
};

const FIELDS: readonly (readonly [keyof FiveReadings, string, string])[] = [
  ["distanceM", "Lamp to the wall", "m to the wall"],
  ["centreLux", "Brightest place", "lx at the brightest place"],
  ["sideM", "How far aside", "m aside of it"],
  ["leftLux", "Left of it", "lx to the left"],
  ["rightLux", "Right of it", "lx to the right"],
  ["heightM", "How far above and below", "m above and below"],
  ["aboveLux", "Above it", "lx above"],
  ["belowLux", "Below it", "lx below"],
];

const FIRST: FiveReadings = {
  ...{ distanceM: 5, centreLux: 0, sideM: 0.5, heightM: 0.5 },
  ...{ leftLux: 0, rightLux: 0, aboveLux: 0, belowLux: 0 },
};

/** Five readings of a lux meter on a wall square to the beam, for a lamp without a file. */
function FiveFields({ name, onFit }: { name: string; onFit: (beam: Photometry) => void }) {
  const me = useCurrentUser();
  const [readings, setReadings] = useState(FIRST);
  const [wrong, setWrong] = useState("");
  const fit = (): void => {
    const made = fitBeam(readings, name, me.name);
    if (made.ok) onFit(made.value);
    else setWrong(`${FIELDS.find(([field]) => field === made.path)?.[1] ?? ""}: ${made.message}`);
  };
  return (
    <details className="py-1">
      <summary>No file? Five readings of a lux meter</summary>
      <div className="flex flex-wrap items-baseline gap-x-4 gap-y-1 py-1">
        {FIELDS.map(([field, label, unit]) => (
          <NumberInput
            key={field}
            label={label}
            unit={unit}
            value={readings[field]}
            className="w-16"
            onCommit={(value) => {
              setWrong("");
              setReadings({ ...readings, [field]: value });
            }}
          />
        ))}
        <Button onClick={fit}>Take as its beam</Button>
      </div>
      {wrong !== "" && (
        <p role="alert" className="font-bold">
          {wrong}
        </p>
      )}
    </details>
  );
}

/** What a lamp sends where: read from a file or fitted, and given out again. */
export function PhotometryFields({
  name,
  photometry,
  onChange,
}: {
  name: string;
  photometry: Photometry | null;
  onChange: (photometry: Photometry | null) => void;
}) {
  const [wrong, setWrong] = useState("");
  const lumens = useMemo(() => (photometry ? lumensOf(photometry) : 0), [photometry]);
  const take = async (file: File): Promise<void> => {
    const text = await file.text();
    const read = /\.ldt$/i.test(file.name) ? readLdt(text) : readIes(text);
    if (read.ok) onChange(read.value);
    setWrong(read.ok ? "" : `${file.name}, line ${read.line}: ${read.message}. Nothing was taken.`);
  };
  return (
    <section aria-label="Beam" className="border-b border-hair py-2">
      <h3 className="text-small text-muted">What it sends where (photometry)</h3>
      {photometry ? (
        <p>
          {photometry.name === "" ? "Without a name" : photometry.name},{" "}
          {SOURCE_WORDS[photometry.source]}
          {photometry.by !== "" && `, by ${photometry.by}`}: {decimal(peakCd(photometry), 0)} cd at
          most, {decimal(lumens, 0)} lm
          {photometry.lampLumens !== null &&
            ` of the ${decimal(photometry.lampLumens, 0)} lm it states`}
        </p>
      ) : (
        <p>Nobody has measured it: it is not in pictures of the light.</p>
      )}
      <div className="flex flex-wrap items-center gap-3 py-1">
        <FileButton label="File in" accept=".ies,.ldt,.txt" onFile={(file) => void take(file)} />
        {photometry && (
          <>
            <Button
              look="quiet"
              onClick={() => saveText(`${name}.ies`, "text/plain", printIes(photometry))}
            >
              LM-63 out
            </Button>
            <Button
              look="quiet"
              onClick={() =>
                saveText(`${name}.ldt`, "text/plain", printLdt(toTypeC(photometry), lumens))
              }
            >
              EULUMDAT out
            </Button>
            <Button look="quiet" onClick={() => onChange(null)}>
              Forget it
            </Button>
          </>
        )}
      </div>
      <FiveFields name={name} onFit={onChange} />
      {wrong !== "" && (
        <p role="alert" className="font-bold">
          {wrong}
        </p>
      )}
    </section>
  );
}
