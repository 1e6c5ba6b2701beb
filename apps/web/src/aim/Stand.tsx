import {
  AIM_CHECKS,
  METRES_PER_FOOT,
  ROAD_SIDES,
  decimal,
  noseRiseDeg,
  signEdits,
  type Aiming,
  setOnce,
} from "@dragonet/core";
import { useCanEdit, useCurrentUser } from "../base/session.ts";
import { useEdit, useJob } from "../job/store/jobStore.ts";
import { Button } from "../ui/Button.tsx";
import { Choice } from "../ui/forms/Choice.tsx";
import { RemoveButton } from "../ui/RemoveButton.tsx";
import { NumberInput } from "../ui/forms/number/NumberInput.tsx";
import { TextInput } from "../ui/forms/TextInput.tsx";
import { Tick } from "../ui/forms/Tick.tsx";

const NEW_DARK_PLACE = { name: "Window", aheadM: 20, rightM: 8, upM: 2.5, mostLux: 0.1 };

const DARK_FIELDS = [
  ["aheadM", "m ahead"],
  ["rightM", "m to the right"],
  ["upM", "m up"],
  ["mostLux", "lx at most"],
] as const;

/** A neighbour's window or a dome that wants the dark, where there is one. */
function DarkPlaceFields() {
  const { darkPlace } = useJob().aiming;
  const edit = useEdit();
  const canEdit = useCanEdit();
  const set = (value: Aiming["darkPlace"]): void =>
    edit([{ kind: "setOnce", entity: "aiming", field: "darkPlace", value }]);
  if (!darkPlace) {
    if (!canEdit) return null;
    return (
      <Button look="quiet" className="no-print" onClick={() => set(NEW_DARK_PLACE)}>
        A window or dome that wants the dark
      </Button>
    );
  }
  return (
    <div className="flex flex-wrap items-baseline gap-x-4 gap-y-1 py-1">
      <TextInput
        label="What wants the dark"
        value={darkPlace.name}
        className="w-44"
        maxLength={80}
        onCommit={(name) => set({ ...darkPlace, name })}
      />
      {DARK_FIELDS.map(([field, unit]) => (
        <NumberInput
          key={field}
          label={`${darkPlace.name}: ${unit}`}
          unit={unit}
          value={darkPlace[field]}
          min={field === "aheadM" || field === "rightM" ? -1000 : 0}
          max={field === "upM" ? 200 : 1000}
          className="w-16"
          onCommit={(v) => set({ ...darkPlace, [field]: v })}
        />
      ))}
      {canEdit && <RemoveButton what={darkPlace.name} onClick={() => set(null)} />}
    </div>
  );
}

/** How the vehicle stands at the wall: the distance, its sag, and what is signed before. */
export function Stand() {
  const job = useJob();
  const { aiming } = job;
  const edit = useEdit();
  const canEdit = useCanEdit();
  const me = useCurrentUser();
  const feet = me.preferences.units === "us";
  const set = <F extends keyof Aiming>(field: F, value: Aiming[F]): void =>
    edit([setOnce("aiming", field, value)]);
  const sag = (field: "frontSagMm" | "rearSagMm" | "baseMm", label: string, unit: string) => (
    <NumberInput
      label={label}
      unit={unit}
      value={aiming[field]}
      min={field === "baseMm" ? 100 : -500}
      max={field === "baseMm" ? 10_000 : 500}
      className="w-16"
      onCommit={(v) => set(field, v)}
    />
  );
  const rise = noseRiseDeg(aiming);
  return (
    <div className="mb-2">
      <div className="flex flex-wrap items-baseline gap-x-5 gap-y-1 py-1">
        <NumberInput
          label="Lamps to the wall"
          unit={feet ? "ft to the wall" : "m to the wall"}
          value={Number((feet ? aiming.distanceM / METRES_PER_FOOT : aiming.distanceM).toFixed(2))}
          min={feet ? 2 : 0.5}
          max={feet ? 300 : 100}
          className="w-16"
          onCommit={(v) => set("distanceM", feet ? v * METRES_PER_FOOT : v)}
        />
        {sag("frontSagMm", "Lower in front as ridden", "mm lower in front")}
        {sag("rearSagMm", "Lower behind as ridden", "mm lower behind")}
        {sag("baseMm", "Between the two places", "mm between")}
        <span className="text-small text-muted">
          {Math.abs(rise) < 0.005
            ? "aimed as it is ridden"
            : `the nose ${rise > 0 ? "rises" : "sinks"} ${decimal(Math.abs(rise), 1)}° as it is ridden: marks stand ${rise > 0 ? "lower" : "higher"} for it`}
        </span>
        <Choice
          label="Side of the road"
          value={aiming.keeps}
          disabled={!canEdit}
          className="w-40"
          options={ROAD_SIDES.map((value) => ({ value, label: `rides on the ${value}` }))}
          onChange={(keeps) => set("keeps", keeps)}
        />
      </div>
      <DarkPlaceFields />
      <div className="flex flex-wrap gap-x-5">
        {Object.entries(AIM_CHECKS).map(([id, words]) => {
          const signed = job.checks.find((c) => c.id === id);
          return (
            <Tick
              key={id}
              checked={signed !== undefined}
              disabled={!canEdit}
              onChange={(done) => edit(signEdits(job, id, me.name, done))}
            >
              {words}
              {signed && <span className="text-small text-muted"> · {signed.by}</span>}
            </Tick>
          );
        })}
      </div>
    </div>
  );
}
