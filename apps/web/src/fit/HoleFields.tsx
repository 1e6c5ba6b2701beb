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
  type LandmarkId,
  type Template,
} from "@dragonet/core";
import { useCanEdit } from "../app/session.ts";
import { useEdit, useJob } from "../job/jobStore.ts";
import { Choice } from "../ui/Choice.tsx";
import { RemoveButton } from "../ui/RemoveButton.tsx";
import { NumberInput, TextInput } from "../ui/TextInput.tsx";
import { Tick } from "../ui/Tick.tsx";

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

/** Measures may go both ways from a mark. */
const BOTH_WAYS = { min: -5000, max: 5000 } as const;

function Placing({ hole, template }: FieldsProps) {
  const job = useJob();
  const edit = useEdit();
  const canEdit = useCanEdit();
  const marks = job.landmarks.filter((l) => l.templateId === template.id);
  const others = job.holes.filter(
    (h) => h.templateId === template.id && h.id !== hole.id && h.by.kind !== "mirror",
  );
  const { by } = hole;
  const put = (placing: HolePlacing): void => edit([setIn("hole", hole.id, "by", placing)]);
  const kinds = (Object.keys(PLACING_WORDS) as HolePlacing["kind"][]).flatMap((kind) => {
    const made = placingOf(
      kind,
      marks.map((m) => m.id),
      others.map((h) => h.id),
    );
    return made || kind === by.kind ? [{ kind, made }] : [];
  });
  const markOptions = marks.map((m) => ({ value: m.id, label: m.name }));
  return (
    <>
      <Choice
        label={`${hole.name}: how it is found`}
        value={by.kind}
        disabled={!canEdit}
        className="w-44"
        options={kinds.map(({ kind }) => ({ value: kind, label: PLACING_WORDS[kind] }))}
        onChange={(kind) => {
          const made = kinds.find((k) => k.kind === kind)?.made;
          if (made) put(made);
        }}
      />
      {by.kind === "between" && (
        <>
          <Choice
            label={`${hole.name}: from mark`}
            value={by.fromId}
            disabled={!canEdit}
            className="w-40"
            options={markOptions}
            onChange={(fromId) => put({ ...by, fromId })}
          />
          <Choice
            label={`${hole.name}: to mark`}
            value={by.toId}
            disabled={!canEdit}
            className="w-40"
            options={markOptions}
            onChange={(toId) => put({ ...by, toId })}
          />
          <NumberInput
            label={`${hole.name}: share of the way`}
            unit="%"
            value={Math.round(by.share * 1000) / 10}
            max={100}
            className="w-14"
            onCommit={(value) => put({ ...by, share: value / 100 })}
          />
          <NumberInput
            label={`${hole.name}: down from the line`}
            unit="mm down"
            value={by.downMm}
            {...BOTH_WAYS}
            className="w-16"
            onCommit={(downMm) => put({ ...by, downMm })}
          />
        </>
      )}
      {by.kind === "from" && (
        <>
          <Choice
            label={`${hole.name}: mark`}
            value={by.landmarkId}
            disabled={!canEdit}
            className="w-40"
            options={markOptions}
            onChange={(landmarkId) => put({ ...by, landmarkId })}
          />
          <NumberInput
            label={`${hole.name}: right of the mark`}
            unit="mm right"
            value={by.rightMm}
            {...BOTH_WAYS}
            className="w-16"
            onCommit={(rightMm) => put({ ...by, rightMm })}
          />
          <NumberInput
            label={`${hole.name}: below the mark`}
            unit="mm down"
            value={by.downMm}
            {...BOTH_WAYS}
            className="w-16"
            onCommit={(downMm) => put({ ...by, downMm })}
          />
        </>
      )}
      {by.kind === "edge" && (
        <>
          <Choice
            label={`${hole.name}: edge`}
            value={by.edge}
            disabled={!canEdit}
            className="w-28"
            options={PANEL_EDGES.map((value) => ({ value, label: value }))}
            onChange={(edge) => put({ ...by, edge })}
          />
          <NumberInput
            label={`${hole.name}: in from the edge`}
            unit="mm in"
            value={by.inMm}
            max={5000}
            className="w-16"
            onCommit={(inMm) => put({ ...by, inMm })}
          />
          <NumberInput
            label={`${hole.name}: along the edge`}
            unit="mm along"
            value={by.alongMm}
            max={5000}
            className="w-16"
            onCommit={(alongMm) => put({ ...by, alongMm })}
          />
        </>
      )}
      {by.kind === "mirror" && (
        <Choice
          label={`${hole.name}: mirror of`}
          value={by.holeId}
          disabled={!canEdit}
          className="w-40"
          options={others.map((h) => ({ value: h.id, label: h.name }))}
          onChange={(holeId) => put({ kind: "mirror", holeId })}
        />
      )}
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
