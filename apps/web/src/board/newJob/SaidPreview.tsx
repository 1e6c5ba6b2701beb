import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useDeferredValue, useEffect, useMemo, useRef, useState, type RefObject } from "react";
import { useNavigate } from "react-router";
import { understoodWords, vehicleName, type SaidCircuit, type SaidJob } from "@dragonet/core";
import { dayText } from "../../base/moment.ts";
import { useMe } from "../../base/session.ts";
import { usePractices } from "../../settings/practices.ts";
import { SINGLE_PARTS, choicesOf, usePartsNear } from "../../shelf/parts.ts";
import { Button } from "../../ui/Button.tsx";
import { TYPING_MS, useSettled } from "../../ui/useSettled.ts";
import { ProfileChoice } from "../../vehicles/ProfileChoice.tsx";
import { knownOf } from "../../vehicles/known/known.ts";
import { useProfileChoices, useProfilesNear } from "../../vehicles/vehicles.ts";
import { planner } from "../../worker/planner.ts";
import { useCustomers } from "../jobs.ts";
import { openJob } from "./openJob.ts";

function CircuitLine({ circuit }: { circuit: SaidCircuit }) {
  return (
    <li className="border-t border-hair py-1">
      <b>{circuit.name}</b>: {understoodWords(circuit)}
    </li>
  );
}

/** What was taken as usual and what was not understood, so that nothing is dropped silently. */
function Remarks({ said }: { said: SaidJob }) {
  return (
    <>
      {said.assumed.map((line) => (
        <p key={line} className="text-small text-muted">
          {line}.
        </p>
      ))}
      {said.notUnderstood.length > 0 && (
        <p role="status">
          <b>Not understood:</b> {said.notUnderstood.map((words) => `“${words}”`).join(", ")}
        </p>
      )}
    </>
  );
}

interface SaidPreviewProps {
  readonly text: string;
  /** Called when Enter is pressed in the sentence. */
  readonly plan: RefObject<(() => void) | null>;
  /** Nothing is written beside it: its button takes the focus when it can be pressed. */
  readonly alone?: boolean;
}

/** A sentence as it was read, to look over, and the press that makes the job. */
export function SaidPreview({ text, plan, alone = false }: SaidPreviewProps) {
  const sentence = useDeferredValue(text);
  const near = useSettled(text, TYPING_MS);
  const { data: atHand } = useQuery(choicesOf(SINGLE_PARTS));
  const { data: partsNear } = usePartsNear(near);
  const { data: vehiclesNear } = useProfilesNear(near);
  const { data: customers } = useCustomers();
  const { data: practices } = usePractices();
  const [profileId, setProfileId] = useState("");
  const choices = useProfileChoices(profileId);
  const [said, setSaid] = useState<SaidJob | null>(null);
  const [failed, setFailed] = useState("");
  const navigate = useNavigate();
  const queries = useQueryClient();
  const me = useMe().id;
  const profiles = choices?.profiles;
  const world = useMemo(() => {
    // Read before the shelf is there, everything would be taken for something the shelf has not.
    if (!profiles || !customers || !atHand) return null;
    const vehicles = [...(vehiclesNear ?? []).map(({ value }) => value), ...profiles];
    return {
      vehicles: [...new Map(vehicles.map((v) => [v.profileId, v])).values()],
      shelf: [
        ...new Map(
          [...atHand.parts, ...(partsNear ?? [])].map(({ value }) => [value.id, value]),
        ).values(),
      ],
      customers,
      vehicle: vehicles.find((v) => v.profileId === profileId) ?? null,
    };
  }, [profiles, vehiclesNear, atHand, partsNear, customers, profileId]);

  useEffect(() => {
    if (!world) return;
    let stale = false;
    void planner()
      .read(sentence, { ...world, today: new Date() })
      .then((read) => {
        if (!stale) setSaid(read);
      })
      .catch((error: unknown) => {
        if (!stale) setFailed(error instanceof Error ? error.message : String(error));
      });
    return () => {
      stale = true;
    };
  }, [sentence, world]);

  const make = useMutation({
    mutationFn: async (read: SaidJob) => {
      if (!world || !practices) throw new Error("the shelf is not there yet: try again");
      // The vehicle begins as machines of its model have shown themselves.
      const known = await knownOf(read.vehicle?.profileId ?? "");
      const made = await planner().plannedJob(read, practices, world.shelf, known);
      return openJob(made, sentence, me);
    },
    onSuccess: async (id) => {
      await queries.invalidateQueries({ queryKey: ["jobs"] });
      await navigate(`/jobs/${id}/circuit`);
    },
  });
  const ready = said?.vehicle && said.circuits.length > 0 && !make.isPending ? said : null;
  useEffect(() => {
    plan.current = ready ? () => make.mutate(ready) : null;
    return () => {
      plan.current = null;
    };
  });
  const press = useRef<HTMLButtonElement>(null);
  const canPress = alone && ready !== null;
  useEffect(() => {
    if (canPress) press.current?.focus();
  }, [canPress]);
  if (failed !== "") return <p role="alert">{failed}</p>;
  if (!said || !world) return <p className="mt-1 text-muted">Reading …</p>;
  const { vehicle, machine, customer, promised } = said;
  return (
    <div className="mt-2 border-l-2 border-accent pl-4">
      <p className="flex flex-wrap items-baseline gap-x-3 gap-y-1">
        {vehicle ? (
          <b>{vehicleName({ model: vehicle.model, machine })}</b>
        ) : (
          choices && (
            <ProfileChoice
              {...{ label: "Which vehicle", value: "", none: "Which vehicle?", className: "w-64" }}
              {...{ choices, onChange: setProfileId }}
            />
          )
        )}
        {customer !== "" && <span>for {customer}</span>}
        {promised !== "" && <span>by {dayText(new Date(`${promised}T12:00:00`))}</span>}
      </p>
      <ul className="mt-1">
        {said.circuits.map((circuit) => (
          <CircuitLine key={circuit.name} circuit={circuit} />
        ))}
      </ul>
      {said.circuits.length === 0 && (
        <p>Say what is added: a bar, two pods, a horn, turn lamps …</p>
      )}
      <Remarks said={said} />
      {make.error && (
        <p role="alert" className="font-bold">
          {make.error.message}
        </p>
      )}
      <Button ref={press} look="main" type="submit" className="mt-2" disabled={!ready}>
        Plan it
      </Button>
    </div>
  );
}
