import { Plus } from "lucide-react";
import { useDeferredValue, useState } from "react";
import {
  MATERIALS,
  append,
  asId,
  drillText,
  fineText,
  sizeText,
  patternOf,
  removeLandmark,
  removeTemplate,
  setIn,
  type HoleId,
  type LandmarkId,
  type Pattern,
  type Template,
  type TemplateId,
} from "@dragonet/core";
import { mint } from "../../base/mint.ts";
import { useCanEdit, useUnits } from "../../base/session.ts";
import { useEdit, useJob } from "../../job/store/jobStore.ts";
import { useOpenFile } from "../../job/papers/useOpenFile.ts";
import { Button } from "../../ui/Button.tsx";
import { Choice } from "../../ui/forms/Choice.tsx";
import { RemoveButton } from "../../ui/RemoveButton.tsx";
import { Section } from "../../ui/page/Section.tsx";
import { Empty } from "../../ui/page/states.tsx";
import { NumberInput } from "../../ui/forms/number/NumberInput.tsx";
import { TextInput } from "../../ui/forms/TextInput.tsx";
import { Tick } from "../../ui/forms/Tick.tsx";
import { DrillPlan } from "./DrillPlan.tsx";
import { HoleFields } from "./HoleFields.tsx";
import { TemplateDrawing } from "./TemplateDrawing.tsx";

const FILES = [
  ["pdf", "", "PDF, A4"],
  ["pdf", "paper=letter", "PDF, letter"],
  ["svg", "", "SVG"],
  ["dxf", "", "DXF"],
] as const;

/** The template on paper or for a cutter, at its true size. */
function Files({ template }: { template: Template }) {
  const openFile = useOpenFile();
  const [mirror, setMirror] = useState(false);
  const open = (ending: string, query: string): void => {
    const asked = [mirror ? "mirror=1" : "", query].filter((q) => q !== "").join("&");
    openFile(`templates/${template.id}.${ending}?${asked}`);
  };
  return (
    <div className="no-print mt-2 flex flex-wrap items-center gap-2">
      <span>At 1:1:</span>
      {FILES.map(([ending, query, words]) => (
        <Button key={words} onClick={() => open(ending, query)}>
          {words}
        </Button>
      ))}
      <Tick checked={mirror} onChange={setMirror}>
        mirrored, for the other side
      </Tick>
    </div>
  );
}

function Holes({ pattern }: { pattern: Pattern }) {
  const { template, holes, faults } = pattern;
  const units = useUnits();
  const job = useJob();
  const edit = useEdit();
  const [open, setOpen] = useState<HoleId | null>(null);
  const own = job.holes.filter((h) => h.templateId === template.id);
  return (
    <>
      <ol>
        {own.map((hole) => {
          const placed = holes.find((p) => p.hole.id === hole.id);
          const wrong = faults.filter((f) => f.hole.id === hole.id);
          return (
            <li key={hole.id} className="border-t border-hair py-1">
              <div className="flex flex-wrap items-baseline gap-x-3">
                <span className="font-bold">{hole.name}</span>
                {placed && (
                  <span className="num">
                    {hole.cut.kind === "rocker"
                      ? sizeText(hole.cut.widthMm, hole.cut.heightMm, units)
                      : `ø ${drillText(placed.diameterMm, units)}`}
                  </span>
                )}
                <Button
                  look="quiet"
                  className="no-print ml-auto"
                  aria-expanded={open === hole.id}
                  onClick={() => setOpen(open === hole.id ? null : hole.id)}
                >
                  {open === hole.id ? "Done" : "Change"}
                </Button>
              </div>
              {placed && (
                <p>
                  {placed.found}.{" "}
                  <span className="num text-muted">
                    {fineText(placed.xMm, units)} right, {fineText(placed.yMm, units)} down.
                  </span>
                </p>
              )}
              {wrong.map((f) => (
                <p key={f.words} role={f.severe ? "alert" : undefined} className="font-bold">
                  {f.severe ? "Not so: " : "Near: "}
                  {f.words}
                </p>
              ))}
              {open === hole.id && <HoleFields hole={hole} template={template} />}
              {placed && (
                <div className="text-small">
                  <details className="no-print">
                    <summary className="touch cursor-pointer text-accent">How it is made</summary>
                    <DrillPlan placed={placed} template={template} />
                  </details>
                  <div className="hidden print:block">
                    <DrillPlan placed={placed} template={template} />
                  </div>
                </div>
              )}
            </li>
          );
        })}
      </ol>
      <Button
        look="quiet"
        className="no-print"
        onPressed={() => {
          const id = asId<HoleId>(mint("hole"));
          edit([
            append(job, "hole", {
              id,
              templateId: template.id,
              name: `hole ${own.length + 1}`,
              by: {
                kind: "edge",
                edge: "left",
                inMm: template.widthMm / 2,
                alongMm: template.heightMm / 2,
              },
              cut: { kind: "bolt", size: "M6", fit: "medium" },
              behind: "",
              forWire: false,
            }),
          ]);
          setOpen(id);
        }}
      >
        <Plus size={14} aria-hidden /> Hole
      </Button>
    </>
  );
}

/** Marks a rule can be held to, from the panel's top left corner. */
function Marks({ pattern }: { pattern: Pattern }) {
  const { template, landmarks } = pattern;
  const job = useJob();
  const edit = useEdit();
  return (
    <div className="mt-2">
      <h3 className="text-small text-muted">Marks on the panel, from its top left corner</h3>
      <ul>
        {landmarks.map((l) => (
          <li key={l.id} className="flex flex-wrap items-baseline gap-2 border-t border-hair py-1">
            <TextInput
              label="Mark"
              value={l.name}
              className="w-44"
              maxLength={120}
              onCommit={(value) => edit([setIn("landmark", l.id, "name", value)])}
            />
            <NumberInput
              label={`${l.name}: right`}
              unit="mm right"
              value={l.rightMm}
              max={5000}
              className="w-16"
              onCommit={(value) => edit([setIn("landmark", l.id, "rightMm", value)])}
            />
            <NumberInput
              label={`${l.name}: down`}
              unit="mm down"
              value={l.downMm}
              max={5000}
              className="w-16"
              onCommit={(value) => edit([setIn("landmark", l.id, "downMm", value)])}
            />
            <RemoveButton what={l.name} onClick={() => edit(removeLandmark(job, l.id))} />
          </li>
        ))}
      </ul>
      <Button
        look="quiet"
        className="no-print"
        onPressed={() =>
          edit([
            append(job, "landmark", {
              id: asId<LandmarkId>(mint("landmark")),
              templateId: template.id,
              name: `mark ${landmarks.length + 1}`,
              rightMm: 20,
              downMm: 20,
            }),
          ])
        }
      >
        <Plus size={14} aria-hidden /> Mark
      </Button>
    </div>
  );
}

function PanelFields({ template }: { template: Template }) {
  const edit = useEdit();
  const canEdit = useCanEdit();
  const set = <F extends keyof Template>(field: F, value: Template[F]): void =>
    edit([setIn("template", template.id, field, value)]);
  return (
    <div className="no-print flex flex-wrap items-center gap-2 py-1">
      <TextInput
        label="Panel"
        value={template.name}
        className="w-52"
        maxLength={120}
        onCommit={(v) => set("name", v)}
      />
      <TextInput
        label="Which face, which way up"
        value={template.where}
        placeholder="which face, which way up"
        className="w-60"
        onCommit={(v) => set("where", v)}
      />
      {(
        [
          ["widthMm", "wide"],
          ["heightMm", "high"],
          ["thicknessMm", "thick"],
        ] as const
      ).map(([field, words]) => (
        <NumberInput
          key={field}
          label={`Panel ${words}`}
          unit={`mm ${words}`}
          value={template[field]}
          min={0.1}
          max={5000}
          className="w-16"
          onCommit={(v) => set(field, v)}
        />
      ))}
      <Choice
        label="Material"
        value={template.material}
        disabled={!canEdit}
        className="w-32"
        options={MATERIALS.map((value) => ({ value, label: value }))}
        onChange={(v) => set("material", v)}
      />
      <Tick checked={template.painted} onChange={(v) => set("painted", v)}>
        painted
      </Tick>
    </div>
  );
}

function Panel({ template }: { template: Template }) {
  const job = useJob();
  const edit = useEdit();
  const pattern = patternOf(job, template, useUnits());
  /** The picture follows what is edited, and keeps nobody's press waiting. */
  const drawn = useDeferredValue(pattern);
  return (
    <Section
      title={template.name}
      about={template.where}
      action={
        <RemoveButton
          what={`template ${template.name}`}
          onClick={() => edit(removeTemplate(job, template.id))}
        />
      }
    >
      <PanelFields template={template} />
      <div className="grid grid-cols-1 gap-x-8 lg:grid-cols-[minmax(0,6fr)_minmax(0,5fr)]">
        <div>
          <TemplateDrawing pattern={drawn} />
          <Files template={template} />
          <Marks pattern={pattern} />
        </div>
        <div>
          <Holes pattern={pattern} />
        </div>
      </div>
    </Section>
  );
}

/** What is drilled and sawn, found with a tape from marks on the vehicle. */
export function HolesPage() {
  const job = useJob();
  const edit = useEdit();
  const add = (): void =>
    edit([
      append(job, "template", {
        id: asId<TemplateId>(mint("template")),
        name: `panel ${job.templates.length + 1}`,
        where: "",
        widthMm: 200,
        heightMm: 120,
        material: "plastic",
        thicknessMm: 3,
        painted: false,
      }),
    ]);
  return (
    <>
      <p className="mb-2 text-small text-muted">
        Measure twice and try on cardboard first. Look behind the panel for fuel, brake lines, wires
        and airbags before a bit turns; eyes covered.
      </p>
      {job.templates.length === 0 && (
        <Empty title="Nothing to drill yet">
          A panel with its marks and holes becomes a paper template at its true size.
        </Empty>
      )}
      {job.templates.map((template) => (
        <Panel key={template.id} template={template} />
      ))}
      <Button className="no-print mt-2" onClick={add}>
        <Plus size={15} aria-hidden /> Panel
      </Button>
    </>
  );
}
