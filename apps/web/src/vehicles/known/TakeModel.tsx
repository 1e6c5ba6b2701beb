import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { useNavigate } from "react-router";
import { counted } from "@dragonet/core";
import type { ComparedModelAnswer, KeptVehicleAnswer } from "@dragonet/contract";
import { ApiError, ask } from "../../base/api.ts";
import { Button } from "../../ui/Button.tsx";
import { FileButton } from "../../ui/forms/FileButton.tsx";
import { Tick } from "../../ui/forms/Tick.tsx";
import { Modal } from "../../ui/page/Modal.tsx";
import { FaultList } from "../../ui/page/states.tsx";

interface Brought {
  readonly file: unknown;
  readonly compared: ComparedModelAnswer;
}

/** A file's text as what it holds; nothing of it is believed before the server has looked at it. */
function parsed(text: string): unknown {
  try {
    return JSON.parse(text) as unknown;
  } catch {
    return { format: "not JSON" };
  }
}

/** What another shop says otherwise, to be ticked thing by thing: nothing is taken that nobody chose. */
function Comparison({ brought, onClose }: { brought: Brought; onClose: () => void }) {
  const { compared, file } = brought;
  const { differences, measurements, shop, model, revision, profileId } = compared;
  const queries = useQueryClient();
  const navigate = useNavigate();
  const [taken, take] = useState<ReadonlySet<string>>(new Set());
  const save = useMutation({
    mutationFn: () =>
      ask<KeptVehicleAnswer>("models/take", "POST", { file, take: [...taken], revision }),
    onSuccess: async ({ value }) => {
      await queries.invalidateQueries({ queryKey: ["vehicles"] });
      await navigate(`/vehicles/${value.profileId}`);
    },
  });
  const toggle = (id: string) => (on: boolean) => {
    const next = new Set(taken);
    if (on) next.add(id);
    else next.delete(id);
    take(next);
  };
  const about =
    profileId === ""
      ? `${model} is new here: it comes whole, with ${counted(measurements, "measurement")}.`
      : `${counted(measurements, "measurement")} come with it and stand beside this shop’s own. Of the profile only what you tick is taken.`;
  return (
    <Modal open onClose={onClose} title={`${model}, by ${shop}`} about={about}>
      {profileId !== "" && differences.length === 0 && (
        <p className="text-muted">It says nothing that this shop’s profile does not say.</p>
      )}
      <ul aria-label="What it says otherwise" className="max-h-[50vh] overflow-y-auto">
        {differences.map(({ id, words, mine, theirs }) => (
          <li key={id} className="border-t border-hair py-1">
            <Tick checked={taken.has(id)} onChange={toggle(id)}>
              {words}
            </Tick>
            <span className="block pl-7 text-small">
              {mine === "" ? "new: " : <span className="text-muted">{mine} → </span>}
              <b>{theirs}</b>
            </span>
          </li>
        ))}
      </ul>
      {save.error && (
        <div role="alert" className="mt-2 font-bold">
          {save.error.message}
          {save.error instanceof ApiError && <FaultList error={save.error} />}
        </div>
      )}
      <div className="mt-3 flex flex-wrap justify-end gap-3">
        {differences.length > 1 && (
          <Button look="quiet" onClick={() => take(new Set(differences.map(({ id }) => id)))}>
            Tick all
          </Button>
        )}
        <Button onClick={onClose}>Not now</Button>
        <Button look="main" disabled={save.isPending} onClick={() => save.mutate()}>
          {profileId === ""
            ? "Take it in"
            : `Take ${taken.size === 0 ? "the measurements" : counted(taken.size, "thing")}`}
        </Button>
      </div>
    </Modal>
  );
}

/** Takes in what another shop knows of a model: compared first, merged by hand. */
export function TakeModel() {
  const [brought, bring] = useState<Brought | null>(null);
  const compare = useMutation({
    mutationFn: async (text: string) => {
      const file = parsed(text);
      return { file, compared: await ask<ComparedModelAnswer>("models/compare", "POST", { file }) };
    },
    onSuccess: bring,
  });
  return (
    <>
      <FileButton
        label="Take a model in"
        accept=".json,application/json"
        disabled={compare.isPending}
        onText={(text) => compare.mutate(text)}
      />
      {brought && <Comparison brought={brought} onClose={() => bring(null)} />}
      <Modal
        open={compare.error !== null}
        onClose={compare.reset}
        title="This file was not taken in"
      >
        <p className="font-bold">{compare.error?.message}</p>
        {compare.error instanceof ApiError && <FaultList error={compare.error} />}
      </Modal>
    </>
  );
}
