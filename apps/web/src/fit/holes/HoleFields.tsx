import {
  BOLTS,
  BOLT_FITS,
  PANEL_EDGES,
  removeHole,
  setIn,
  type Hole,
  type HoleCut,
  type HoleId,
  type HolePlacing,
  type Job,
  type LandmarkId,
  type Template,
} from "@dragonet/core";
import { useCanEdit } from "../../base/session.ts";
import { useEdit, useJob } from "../../job/store/jobStore.ts";
import { Choice } from "../../ui/forms/Choice.tsx";
import { RemoveButton } from "../../ui/RemoveButton.tsx";
import { NumberInput } from "../../ui/forms/number/NumberInput.tsx";
import { TextInput } from "../../ui/forms/TextInput.tsx";
import { Tick } from "../../ui/forms/Tick.tsx";

const PLACING_WORDS: Readonly<Record<HolePlacing["kind"], string>> = {
  between: "between two marks",
  from: "from a mark",
  edge: "in from an edge",
  mirror: "mirror of a hole",
};

const CUT_WORDS: Readonly<Record<HoleCut["kind"], string>> = {
  round: "round hole",
  bolt: "clear of a bolt",
  tap: "tapped",
  rocker: "rocker cut-out",
};

const FIT_WORDS: Readonly<Record<(typeof BOLT_FITS)[number], string>> = {
  close: "close",
  medium: "medium",
  free: "free",
  shop: "as shops drill",
};

interface FieldsProps {
  readonly hole: Hole;
  readonly template: Template;
}

/** A placing of another kind, with what the panel has to offer. */
function placingOf(
  kind: HolePlacing["kind"],
  marks: readonly LandmarkId[],
  others: readonly HoleId[],
): HolePlacing | null {
  const [a, b] = marks;
  switch (kind) {
    case "between":
      return a && b ? { kind, fromId: a, toId: b, share: 0.5, downMm: 0 } : null;
    case "from":
      return a ? { kind, landmarkId: a, rightMm: 0, downMm: 20 } : null;
    case "edge":
      return { kind, edge: "left", inMm: 20, alongMm: 20 };
    case "mirror":
      return others[0] ? { kind, holeId: others[0] } : null;
  }
}

interface MeasureProps {
  readonly what: string;
  readonly unit: string;
  readonly value: number;
  readonly min?: number;
  readonly onCommit: (value: number) => void;
}

/** From a mark a measure may go both ways, from an edge only inwards. */
const BOTH_WAYS = -5000;

const Measure = ({ what, min = 0, ...rest }: MeasureProps) => (
  <NumberInput label={what} min={min} max={5000} className="w-16" {...rest} />
);

function PlacingFields({ hole, template }: FieldsProps) {
  const job = useJob();
  const edit = useEdit();
  const canEdit = useCanEdit();
  const marks = job.landmarks.filter((l) => l.templateId === template.id);
  const { by, name } = hole;
  const put = (placing: HolePlacing): void => edit([setIn("hole", hole.id, "by", placing)]);
  const mark = (words: string, value: LandmarkId, onChange: (id: LandmarkId) => void) => (
    <Choice
      label={`${name}: ${words}`}
      value={value}
      disabled={!canEdit}
      className="w-40"
      options={marks.map((m) => ({ value: m.id, label: m.name }))}
      onChange={onChange}
    />
  );
  const down = (what: string, value: number, onCommit: (downMm: number) => void) => (
    <Measure
      what={`${name}: ${what}`}
      unit="mm down"
      min={BOTH_WAYS}
      value={value}
      onCommit={onCommit}
    />
  );
  switch (by.kind) {
    case "between":
      return (
        <>
          {mark("from mark", by.fromId, (fromId) => put({ ...by, fromId }))}
          {mark("to mark", by.toId, (toId) => put({ ...by, toId }))}
          <NumberInput
            label={`${name}: share of the distance`}
            unit="%"
            value={Math.round(by.share * 1000) / 10}
            max={100}
            className="w-14"
            onCommit={(value) => put({ ...by, share: value / 100 })}
          />
          {down("down from the line", by.downMm, (downMm) => put({ ...by, downMm }))}
        </>
      );
    case "from":
      return (
        <>
          {mark("mark", by.landmarkId, (landmarkId) => put({ ...by, landmarkId }))}
          <Measure
            what={`${name}: right of the mark`}
            unit="mm right"
            min={BOTH_WAYS}
            value={by.rightMm}
            onCommit={(rightMm) => put({ ...by, rightMm })}
          />
          {down("below the mark", by.downMm, (downMm) => put({ ...by, downMm }))}
        </>
      );
    case "edge":
      return (
        <>
          <Choice
            label={`${name}: edge`}
            value={by.edge}
            disabled={!canEdit}
            className="w-28"
            options={PANEL_EDGES.map((value) => ({ value, label: value }))}
            onChange={(edge) => put({ ...by, edge })}
          />
          <Measure
            what={`${name}: in from the edge`}
            unit="mm in"
            value={by.inMm}
            onCommit={(inMm) => put({ ...by, inMm })}
          />
          <Measure
            what={`${name}: along the edge`}
            unit="mm along"
            value={by.alongMm}
            onCommit={(alongMm) => put({ ...by, alongMm })}
          />
        </>
      );
    case "mirror":
      return (
        <Choice
          label={`${name}: mirror of`}
          value={by.holeId}
          disabled={!canEdit}
          className="w-40"
          options={othersOf(job, hole).map((h) => ({ value: h.id, label: h.name }))}
          onChange={(holeId) => put({ kind: "mirror", holeId })}
        />
      );
  }
}

/** Holes of the same panel that this one may mirror. */
const othersOf = (job: Job, hole: Hole): Hole[] =>
  job.holes.filter(
    (h) => h.templateId === hole.templateId && h.id !== hole.id && h.by.kind !== "mirror",
  );

function Placing({ hole, template }: FieldsProps) {
  const job = useJob();
  const edit = useEdit();
  const canEdit = useCanEdit();
  const marks = job.landmarks.filter((l) => l.templateId === template.id).map((m) => m.id);
  const others = othersOf(job, hole).map((h) => h.id);
  const kinds = (Object.keys(PLACING_WORDS) as HolePlacing["kind"][]).flatMap((kind) => {
    const made = placingOf(kind, marks, others);
    return made || kind === hole.by.kind ? [{ kind, made }] : [];
  });
  return (
    <>
      <Choice
        label={`${hole.name}: how it is found`}
        value={hole.by.kind}
        disabled={!canEdit}
        className="w-44"
        options={kinds.map(({ kind }) => ({ value: kind, label: PLACING_WORDS[kind] }))}
        onChange={(kind) => {
          const made = kinds.find((k) => k.kind === kind)?.made;
          if (made) edit([setIn("hole", hole.id, "by", made)]);
        }}
      />
      <PlacingFields hole={hole} template={template} />
    </>
  );
}

const cutOf = (kind: HoleCut["kind"]): HoleCut => {
  switch (kind) {
    case "round":
      return { kind, diameterMm: 10 };
    case "bolt":
      return { kind, size: "M6", fit: "medium" };
    case "tap":
      return { kind, size: "M6" };
    case "rocker":
      return { kind, widthMm: 37, heightMm: 21, cornerMm: 2 };
  }
};

function Cut({ hole }: Pick<FieldsProps, "hole">) {
  const edit = useEdit();
  const canEdit = useCanEdit();
  const { cut } = hole;
  const put = (value: HoleCut): void => edit([setIn("hole", hole.id, "cut", value)]);
  const sizes = BOLTS.map((b) => ({ value: b.size, label: b.size }));
  return (
    <>
      <Choice
        label={`${hole.name}: what is cut`}
        value={cut.kind}
        disabled={!canEdit}
        className="w-40"
        options={(Object.keys(CUT_WORDS) as HoleCut["kind"][]).map((value) => ({
          value,
          label: CUT_WORDS[value],
        }))}
        onChange={(kind) => put(cutOf(kind))}
      />
      {cut.kind === "round" && (
        <NumberInput
          label={`${hole.name}: diameter`}
          unit="mm"
          value={cut.diameterMm}
          min={0.5}
          max={500}
          className="w-16"
          onCommit={(diameterMm) => put({ ...cut, diameterMm })}
        />
      )}
      {(cut.kind === "bolt" || cut.kind === "tap") && (
        <Choice
          label={`${hole.name}: thread`}
          value={cut.size}
          disabled={!canEdit}
          className="w-28"
          options={sizes}
          onChange={(size) => put({ ...cut, size })}
        />
      )}
      {cut.kind === "bolt" && (
        <Choice
          label={`${hole.name}: fit`}
          value={cut.fit}
          disabled={!canEdit}
          className="w-36"
          options={BOLT_FITS.map((value) => ({ value, label: FIT_WORDS[value] }))}
          onChange={(fit) => put({ ...cut, fit })}
        />
      )}
      {cut.kind === "rocker" &&
        (
          [
            ["widthMm", "wide"],
            ["heightMm", "high"],
            ["cornerMm", "corner"],
          ] as const
        ).map(([field, words]) => (
          <NumberInput
            key={field}
            label={`${hole.name}: ${words}`}
            unit={`mm ${words}`}
            value={cut[field]}
            min={0.5}
            max={500}
            className="w-14"
            onCommit={(value) => put({ ...cut, [field]: value })}
          />
        ))}
    </>
  );
}

/** Everything about one hole that a person measures or decides. */
export function HoleFields({ hole, template }: FieldsProps) {
  const job = useJob();
  const edit = useEdit();
  return (
    <div className="no-print space-y-1 pb-2">
      <div className="flex flex-wrap items-baseline gap-2">
        <TextInput
          label="Hole"
          value={hole.name}
          className="w-44"
          maxLength={120}
          onCommit={(value) => edit([setIn("hole", hole.id, "name", value)])}
        />
        <Cut hole={hole} />
        <RemoveButton what={hole.name} onClick={() => edit(removeHole(job, hole.id))} />
      </div>
      <div className="flex flex-wrap items-baseline gap-2">
        <Placing hole={hole} template={template} />
      </div>
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1">
        <TextInput
          label={`${hole.name}: what is behind`}
          value={hole.behind}
          placeholder="what is behind, looked at and felt"
          className="w-80 max-w-full"
          onCommit={(value) => edit([setIn("hole", hole.id, "behind", value)])}
        />
        <Tick
          checked={hole.forWire}
          onChange={(value) => edit([setIn("hole", hole.id, "forWire", value)])}
        >
          a wire goes through
        </Tick>
      </div>
    </div>
  );
}
