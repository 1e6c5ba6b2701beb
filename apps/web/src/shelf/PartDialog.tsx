import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import {
  AWG_GAUGES,
  LIGHT_COLOURS,
  LOAD_FAMILIES,
  METRIC_GAUGES,
  ratingOf,
  stated,
  type Fact,
  type LoadPart,
  type LoadSpec,
  type Part,
  type RelayPart,
  type SwitchPart,
} from "@dragonet/core";
import { ApiError, ask } from "../app/api.ts";
import { Button } from "../ui/Button.tsx";
import { Choice } from "../ui/Choice.tsx";
import { FactRow } from "../ui/FactRow.tsx";
import { Modal } from "../ui/Modal.tsx";
import { FaultList } from "../ui/states.tsx";
import { NumberInput, TextInput } from "../ui/TextInput.tsx";
import type { Kept } from "../vehicles/vehicles.ts";
import { newPart } from "./newPart.ts";
import { BehaviourFields } from "./BehaviourFields.tsx";
import { PartLine as Line } from "./PartLine.tsx";
import { KitFields } from "./KitFields.tsx";
import { MoreLights } from "./MoreLights.tsx";
import { WayRatings } from "./WayRatings.tsx";
import { SourceFields } from "./SourceFields.tsx";

const LOAD_WORDS: Readonly<Record<LoadSpec["kind"], string>> = {
  drivenLed: "LED with a driver: constant power",
  filament: "filament bulb",
  resistive: "heater or LED strip: a resistor",
  constantCurrent: "horn or indicator: constant current",
  ledStrip: "LED strip by the metre",
};

const same = <T extends string>(values: readonly T[]) =>
  values.map((value) => ({ value, label: value }));

function blankLoad(kind: LoadSpec["kind"]): LoadSpec {
  switch (kind) {
    case "drivenLed":
      return { kind, powerW: stated(20), minV: 9, maxV: 32 };
    case "filament":
    case "resistive":
      return { kind, powerW: stated(21), ratedV: 12 };
    case "constantCurrent":
      return { kind, currentA: stated(3) };
    case "ledStrip":
      return {
        kind,
        powerWPerM: stated(4.8),
        ratedV: 12,
        forwardV: 9,
        groupM: 0.05,
        lengthM: 1,
      };
  }
}

/** The same kind of light at another rating. */
function withRating(load: LoadSpec, rating: Fact): LoadSpec {
  switch (load.kind) {
    case "constantCurrent":
      return { ...load, currentA: rating };
    case "ledStrip":
      return { ...load, powerWPerM: rating };
    default:
      return { ...load, powerW: rating };
  }
}

/** A dim light begins as a fifth of the main one. */
const dimmed = (load: LoadSpec): LoadSpec =>
  withRating(load, stated(Number((ratingOf(load).value / 5).toPrecision(2))));

function LoadFields({ part, onChange }: { part: LoadPart; onChange: (part: Part) => void }) {
  const { load } = part;
  const setLoad = (change: Partial<LoadSpec>): void =>
    onChange({ ...part, load: { ...load, ...change } as LoadSpec });
  return (
    <>
      <Line label="What it is">
        <Choice
          label="Family"
          value={part.family}
          options={same(LOAD_FAMILIES)}
          className="w-28"
          onChange={(family) => onChange({ ...part, family })}
        />
        <Choice
          label="Light"
          value={part.light}
          options={same(LIGHT_COLOURS)}
          className="w-32"
          onChange={(light) => onChange({ ...part, light })}
        />
      </Line>
      <Line label="Behaves as">
        <Choice
          label="Behaves as"
          value={load.kind}
          className="w-72"
          options={(Object.keys(LOAD_WORDS) as LoadSpec["kind"][]).map((value) => ({
            value,
            label: LOAD_WORDS[value],
          }))}
          onChange={(kind) => onChange({ ...part, load: blankLoad(kind) })}
        />
      </Line>
      {load.kind === "constantCurrent" ? (
        <FactRow
          label="Current"
          unit="A"
          fact={load.currentA}
          onChange={(currentA) => setLoad({ currentA })}
        />
      ) : load.kind === "ledStrip" ? (
        <FactRow
          label="Power of a metre"
          unit="W"
          fact={load.powerWPerM}
          onChange={(powerWPerM) => setLoad({ powerWPerM })}
        />
      ) : (
        <FactRow
          label="Power"
          unit="W"
          fact={load.powerW}
          onChange={(powerW) => setLoad({ powerW })}
        />
      )}
      {load.kind === "ledStrip" && (
        <Line label="Dies of a group need">
          <NumberInput
            label="Volts of the dies in a group"
            unit="V"
            value={load.forwardV}
            max={1000}
            onCommit={(forwardV) => setLoad({ forwardV })}
          />
          <NumberInput
            label="Cut every"
            unit="m"
            value={load.groupM}
            min={0.001}
            max={10}
            onCommit={(groupM) => setLoad({ groupM })}
          />
        </Line>
      )}
      {load.kind === "drivenLed" && (
        <Line label="Works from, to">
          <NumberInput
            label="Works from"
            unit="V"
            value={load.minV}
            min={1}
            max={1000}
            onCommit={(minV) => setLoad({ minV })}
          />
          <NumberInput
            label="Works to"
            unit="V"
            value={load.maxV}
            min={1}
            max={1000}
            onCommit={(maxV) => setLoad({ maxV })}
          />
        </Line>
      )}
      {(load.kind === "filament" || load.kind === "resistive" || load.kind === "ledStrip") && (
        <Line label="Rated at">
          <NumberInput
            label="Rated voltage"
            unit="V"
            value={load.ratedV}
            min={1}
            max={1000}
            onCommit={(ratedV) => setLoad({ ratedV })}
          />
        </Line>
      )}
      <FactRow
        label="Standing by"
        unit="A"
        fact={part.standbyA}
        onChange={(standbyA) => onChange({ ...part, standbyA })}
      />
      <Line label="Second, dim light">
        <Choice
          label="Second light"
          value={part.dim ? "yes" : "no"}
          className="w-56"
          options={[
            { value: "no", label: "none" },
            { value: "yes", label: "in the same housing" },
          ]}
          onChange={(v) =>
            onChange({ ...part, dim: v === "yes" ? (part.dim ?? dimmed(load)) : null })
          }
        />
      </Line>
      {part.dim && (
        <FactRow
          label="Dim light"
          unit={part.dim.kind === "constantCurrent" ? "A" : "W"}
          fact={ratingOf(part.dim)}
          onChange={(fact) => onChange({ ...part, dim: withRating(part.dim ?? load, fact) })}
        />
      )}
      <Line label="Its body is its negative">
        <Choice
          label="Body grounded"
          value={part.caseGround ? "yes" : "no"}
          className="w-56"
          options={[
            { value: "no", label: "no: a wire of its own" },
            { value: "yes", label: "yes: grounded by its mount" },
          ]}
          onChange={(v) => onChange({ ...part, caseGround: v === "yes" })}
        />
      </Line>
      <Line label="Own pigtail">
        <Choice
          label="Pigtail"
          value={part.pigtail}
          className="w-40"
          options={[
            { value: "", label: "none: terminals" },
            ...[...AWG_GAUGES, ...METRIC_GAUGES].map((g) => ({ value: g.id, label: g.id })),
          ]}
          onChange={(pigtail) => onChange({ ...part, pigtail })}
        />
      </Line>
    </>
  );
}

function RelayFields({ part, onChange }: { part: RelayPart; onChange: (part: Part) => void }) {
  return (
    <>
      <Line label="Contact carries">
        <NumberInput
          label="Contact rating"
          unit="A"
          value={part.contactA}
          max={500}
          onCommit={(contactA) => onChange({ ...part, contactA })}
        />
      </Line>
      <Line label="Coil made for">
        <NumberInput
          label="Coil voltage"
          unit="V"
          value={part.coilV}
          min={1}
          max={1000}
          onCommit={(coilV) => onChange({ ...part, coilV })}
        />
      </Line>
      <FactRow
        label="Coil"
        unit="Ω"
        fact={part.coilOhm}
        onChange={(coilOhm) => onChange({ ...part, coilOhm })}
      />
      <Line label="Diode across the coil">
        <Choice
          label="Diode"
          value={part.diode ? "yes" : "no"}
          className="w-56"
          options={[
            { value: "no", label: "no" },
            { value: "yes", label: "yes: 86 must be positive" },
          ]}
          onChange={(v) => onChange({ ...part, diode: v === "yes" })}
        />
      </Line>
    </>
  );
}

function SwitchFields({ part, onChange }: { part: SwitchPart; onChange: (part: Part) => void }) {
  return (
    <>
      <Line label="Carries">
        <NumberInput
          label="Switch rating"
          unit="A"
          value={part.contactA}
          max={500}
          onCommit={(contactA) => onChange({ ...part, contactA })}
        />
      </Line>
      <Line label="Tell-tale">
        <Choice
          label="Tell-tale"
          value={part.tellTale}
          className="w-56"
          options={[
            { value: "none", label: "none" },
            { value: "whenOn", label: "lit when on" },
            { value: "always", label: "always lit while fed" },
          ]}
          onChange={(tellTale) => onChange({ ...part, tellTale })}
        />
      </Line>
      {part.tellTale !== "none" && (
        <FactRow
          label="Tell-tale draws"
          unit="A"
          fact={part.tellTaleA}
          onChange={(tellTaleA) => onChange({ ...part, tellTaleA })}
        />
      )}
    </>
  );
}

interface PartDialogProps {
  readonly kept: Kept<Part>;
  readonly canEdit: boolean;
  readonly onClose: () => void;
}

/** One part of the shelf, looked at or changed. Jobs keep the copy they were planned with. */
export function PartDialog({ kept, canEdit, onClose }: PartDialogProps) {
  const [part, setPart] = useState(kept.value);
  const [revision, setRevision] = useState(kept.revision);
  const queries = useQueryClient();
  const done = async (): Promise<void> => {
    await queries.invalidateQueries({ queryKey: ["parts"] });
    onClose();
  };
  const save = useMutation({
    mutationFn: () => ask(`parts/${part.id}`, "PUT", { value: part, revision }),
    onSuccess: done,
  });
  const remove = useMutation({
    mutationFn: () => ask(`parts/${part.id}`, "DELETE"),
    onSuccess: done,
  });
  const error = save.error ?? remove.error;
  const theirs =
    save.error instanceof ApiError && save.error.status === 409
      ? (save.error.body.current as Kept<Part> | undefined)
      : undefined;
  return (
    <Modal open onClose={onClose} title={revision === 0 ? "New part" : kept.value.name}>
      <fieldset disabled={!canEdit} className="min-w-0">
        <legend className="sr-only">Part</legend>
        {revision === 0 && (
          <Line label="Kind">
            <Choice
              label="Kind of part"
              value={part.kind}
              className="w-56"
              options={[
                { value: "load", label: "lamp, horn, heater, outlet" },
                { value: "relay", label: "relay" },
                { value: "switch", label: "switch" },
                { value: "converter", label: "converter" },
                { value: "box", label: "fuse block, hub, relay board, module" },
                { value: "battery", label: "battery" },
                { value: "connector", label: "plug" },
                { value: "flasher", label: "flasher" },
                { value: "sundry", label: "sundry" },
                { value: "kit", label: "kit" },
              ]}
              onChange={(kind) => setPart(newPart(kind, part))}
            />
          </Line>
        )}
        <Line label="Name">
          <TextInput
            label="Part name"
            value={part.name}
            className="w-72"
            maxLength={120}
            onCommit={(name) => setPart({ ...part, name })}
          />
        </Line>
        {part.kind === "load" && <LoadFields part={part} onChange={setPart} />}
        {part.kind === "relay" && <RelayFields part={part} onChange={setPart} />}
        {part.kind === "switch" && <SwitchFields part={part} onChange={setPart} />}
        <SourceFields part={part} onChange={setPart} />
        {part.kind === "box" && <WayRatings part={part} onChange={setPart} />}
        {part.kind === "load" && <MoreLights part={part} onChange={setPart} />}
        {part.kind === "kit" && <KitFields part={part} onChange={setPart} />}
        {part.kind !== "sundry" && part.kind !== "kit" && (
          <Line label="Sealed to">
            <TextInput
              label="Ingress rating"
              value={part.ingress}
              placeholder="IP67, or empty"
              className="w-32"
              maxLength={6}
              check={(text) =>
                /^(IP[0-6X][0-9X]K?)?$/.test(text) ? null : "such as IP67 or IPX4, or empty"
              }
              onCommit={(ingress) => setPart({ ...part, ingress })}
            />
          </Line>
        )}
        {part.kind === "box" && part.form !== "fuseBlock" && (
          <BehaviourFields
            behaviours={part.behaviours}
            most={part.ways}
            onChange={(behaviours) => setPart({ ...part, behaviours })}
          />
        )}
        {part.kind === "load" && part.family === "lamp" && (
          <BehaviourFields
            behaviours={part.behaviour ? [part.behaviour] : []}
            most={1}
            onChange={([behaviour]) => setPart({ ...part, behaviour: behaviour ?? null })}
          />
        )}
        <Line label="Price, stock">
          <NumberInput
            label="Price"
            value={part.price}
            onCommit={(price) => setPart({ ...part, price })}
          />
          <NumberInput
            label="In stock"
            value={part.stock}
            onCommit={(stock) => setPart({ ...part, stock })}
          />
        </Line>
        <Line label="Note">
          <TextInput
            label="Note"
            value={part.note}
            className="w-96 max-w-full"
            onCommit={(note) => setPart({ ...part, note })}
          />
        </Line>
      </fieldset>
      {error && (
        <div role="alert" className="mt-3 font-bold">
          {error.message}
          {error instanceof ApiError && <FaultList error={error} />}
          {theirs && (
            <Button
              className="mt-2"
              onClick={() => {
                setPart(theirs.value);
                setRevision(theirs.revision);
                save.reset();
              }}
            >
              Show it as it stands now
            </Button>
          )}
        </div>
      )}
      {canEdit && (
        <div className="mt-4 flex gap-3">
          <Button
            look="main"
            disabled={save.isPending || part.name === ""}
            onClick={() => save.mutate()}
          >
            Save part
          </Button>
          {revision > 0 && (
            <Button disabled={remove.isPending} onClick={() => remove.mutate()}>
              Take off the shelf
            </Button>
          )}
        </div>
      )}
    </Modal>
  );
}
