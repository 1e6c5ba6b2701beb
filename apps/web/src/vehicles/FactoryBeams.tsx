import {
  BEAM_KINDS,
  BEAM_WORDS,
  append,
  assumed,
  setIn,
  type FactoryBeam,
  type Photometry,
} from "@dragonet/core";
import { mint } from "../base/mint.ts";
import { PhotometryFields } from "../shelf/fields/PhotometryFields.tsx";
import { Choice } from "../ui/forms/Choice.tsx";
import { FactFields } from "../ui/forms/FactRow.tsx";
import { RemoveButton } from "../ui/RemoveButton.tsx";
import { Section } from "../ui/page/Section.tsx";
import { NumberInput } from "../ui/forms/number/NumberInput.tsx";
import { TextInput } from "../ui/forms/TextInput.tsx";
import type { VehicleEditing } from "./editing.ts";

const KINDS = BEAM_KINDS.map((value) => ({ value, label: BEAM_WORDS[value] }));

/** Where a headlight usually sits, until somebody has put a tape to it. */
const USUAL: Omit<FactoryBeam, "id" | "photometry"> = {
  ...{ name: "headlight, low", beam: "low", rightM: 0, tiltDeg: -1 },
  ...{ heightM: assumed(0.9, 0.7, 1.1), backM: assumed(0.3, 0.1, 0.5) },
};

function BeamRow({ beam, edit, canEdit }: { beam: FactoryBeam } & Omit<VehicleEditing, "job">) {
  const set = <F extends keyof FactoryBeam>(field: F, value: FactoryBeam[F]): void =>
    edit([setIn("beam", beam.id, field, value)]);
  return (
    <li className="py-2">
      <div className="flex flex-wrap items-baseline gap-x-4 gap-y-1">
        <TextInput
          label="Lamp"
          value={beam.name}
          className="w-48"
          maxLength={80}
          onCommit={(name) => set("name", name)}
        />
        <Choice
          label={`Beam of ${beam.name}`}
          value={beam.beam}
          options={KINDS}
          disabled={!canEdit}
          onChange={(kind) => set("beam", kind)}
        />
        <NumberInput
          label={`Tilt of ${beam.name}`}
          unit="° up"
          min={-45}
          max={45}
          value={beam.tiltDeg}
          className="w-16"
          onCommit={(deg) => set("tiltDeg", deg)}
        />
        <NumberInput
          label={`Right of the middle, ${beam.name}`}
          unit="m right"
          min={-3}
          max={3}
          value={beam.rightM}
          className="w-16"
          onCommit={(m) => set("rightM", m)}
        />
        {canEdit && (
          <RemoveButton
            what={beam.name}
            onClick={() => edit([{ kind: "remove", entity: "beam", id: beam.id }])}
          />
        )}
      </div>
      <div className="flex flex-wrap items-baseline gap-x-4 gap-y-1 py-1">
        <span>above ground</span>
        <FactFields
          label={`${beam.name} above ground`}
          unit="m"
          fact={beam.heightM}
          max={3}
          disabled={!canEdit}
          onChange={(fact) => set("heightM", fact)}
        />
      </div>
      <PhotometryFields
        name={beam.name}
        photometry={beam.photometry}
        onChange={(photometry) =>
          photometry === null
            ? edit([{ kind: "remove", entity: "beam", id: beam.id }])
            : set("photometry", photometry)
        }
      />
    </li>
  );
}

/** Beams of the lamps that it left the factory with: what added light is held against. */
export function FactoryBeams({ job, edit, canEdit }: VehicleEditing) {
  const { beams } = job.vehicle;
  const add = (photometry: Photometry | null): void => {
    if (photometry) edit([append(job, "beam", { id: mint("beam"), ...USUAL, photometry })]);
  };
  return (
    <Section
      title="Beams of its own lamps"
      about="From a file, or from five readings on a wall: the picture of the light then shows the road before and after."
    >
      <ul>
        {beams.map((beam) => (
          <BeamRow key={beam.id} beam={beam} edit={edit} canEdit={canEdit} />
        ))}
      </ul>
      {canEdit && (
        <div className="pt-2">
          <b>{beams.length === 0 ? "Measure one" : "Measure another"}</b>
          <PhotometryFields name="headlight" photometry={null} onChange={add} />
        </div>
      )}
    </Section>
  );
}
