import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { decimal, ratedVOf, type Part } from "@dragonet/core";
import type { KeptPartAnswer } from "@dragonet/contract";
import { ApiError, ask } from "../base/api.ts";
import { Button } from "../ui/Button.tsx";
import { Choice } from "../ui/forms/Choice.tsx";
import { Modal } from "../ui/page/Modal.tsx";
import { FaultList } from "../ui/page/states.tsx";
import { NumberInput, TextInput } from "../ui/forms/TextInput.tsx";
import { newPart } from "./newPart.ts";
import { BeamFields } from "./fields/BeamFields.tsx";
import { BehaviourFields } from "./fields/BehaviourFields.tsx";
import { PartLine as Line } from "./fields/PartLine.tsx";
import { KitFields } from "./fields/KitFields.tsx";
import { MoreLights } from "./fields/MoreLights.tsx";
import { WayRatings } from "./fields/WayRatings.tsx";
import { SourceFields } from "./fields/SourceFields.tsx";
import { LoadFields } from "./fields/LoadFields.tsx";
import { RelayFields, SwitchFields } from "./fields/SmallPartFields.tsx";

/** Whether a part is one that breaks a current. */
const breaks = (part: Part): boolean => Number.isFinite(ratedVOf({ ...part, ratedV: 0 }));

interface PartDialogProps {
  readonly kept: KeptPartAnswer;
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
      ? (save.error.body.current as KeptPartAnswer | undefined)
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
        {breaks(part) && (
          <Line label="Breaks, direct">
            <NumberInput
              label="Direct voltage it may break, 0 for what its kind usually does"
              unit="V"
              value={part.ratedV}
              max={1000}
              onCommit={(ratedV) => setPart({ ...part, ratedV })}
            />
            {part.ratedV === 0 && (
              <span className="text-small text-muted">
                not said: taken as {decimal(ratedVOf(part), 0)} V
              </span>
            )}
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
          <BeamFields part={part} onChange={setPart} />
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
            lines={2}
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
