import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useEffect, useRef, useState } from "react";
import { useNavigate } from "react-router";
import {
  counted,
  understoodWords,
  vehicleName,
  type KitPart,
  type SaidCircuit,
  type SaidJob,
} from "@dragonet/core";
import { dayText } from "../../base/moment.ts";
import { useCurrentUser } from "../../base/session.ts";
import { Button } from "../../ui/Button.tsx";
import { ProfileChoice } from "../../vehicles/ProfileChoice.tsx";
import { knownOf } from "../../vehicles/known/known.ts";
import type { SaidWorld } from "../../worker/port/oncePort.ts";
import { planner } from "../../worker/port/planner.ts";
import { useSaidWorld } from "./useSaidWorld.ts";
import { openJob } from "./openJob.ts";

function CircuitLine({ circuit }: { circuit: SaidCircuit }) {
  return (
    <li className="border-t border-hair py-1">
      <b>{circuit.name}</b>: {understoodWords(circuit)}
    </li>
  );
}

function KitLine({ kit }: { kit: KitPart }) {
  const names = kit.content.runs.map((circuit) => circuit.name);
  return (
    <li className="border-t border-hair py-1">
      <b>{kit.name}</b>: unboxed, {counted(names.length, "circuit")}: {names.join(", ")}
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

/** What a sentence says, and in what it was read. */
interface Read {
  readonly text: string;
  readonly world: SaidWorld;
  readonly said: SaidJob;
}

interface SaidPreviewProps {
  readonly text: string;
  /** See {@link useAskedSentence}. */
  readonly asked: string;
  /** The sentence that was asked for is taken up, or is none that can be planned. */
  readonly onTaken: () => void;
  /** Nothing is written beside it: its button takes the focus when it can be pressed. */
  readonly alone?: boolean;
}

/** A sentence as it was read, to look over, and the press that makes the job. */
export function SaidPreview({ text, asked, onTaken, alone = false }: SaidPreviewProps) {
  const [profileId, setProfileId] = useState("");
  const { world, choices, practices, near, isAsking } = useSaidWorld(text, profileId);
  const [read, setRead] = useState<Read | null>(null);
  const said = read?.said ?? null;
  const [failed, setFailed] = useState("");
  const navigate = useNavigate();
  const queries = useQueryClient();
  const me = useCurrentUser().id;
  useEffect(() => {
    if (!world || text.trim() === "") return;
    let stale = false;
    void planner()
      .read(text, world, new Date())
      .then((answer) => {
        if (!stale) setRead({ text, world, said: answer });
      })
      .catch((error: unknown) => {
        if (!stale) setFailed(error instanceof Error ? error.message : String(error));
      });
    return () => {
      stale = true;
    };
  }, [text, world]);

  const make = useMutation({
    mutationFn: async (of: SaidJob) => {
      if (!world || !practices) throw new Error("the shelf is not there yet: try again");
      // The vehicle begins as machines of its model have shown themselves.
      const known = await knownOf(of.vehicle?.profileId ?? "");
      const made = await planner().plannedJob(of, practices, world.shelf, known);
      return openJob(made, text, me);
    },
    onSuccess: async (id) => {
      await queries.invalidateQueries({ queryKey: ["jobs"] });
      await navigate(`/jobs/${id}/circuit`);
    },
  });
  const isAny = said !== null && said.circuits.length + said.kits.length > 0;
  const ready = isAny && said.vehicle && !make.isPending ? said : null;
  // What was written last is planned, with all that the shop has of it, and not what had been read
  // when Enter was pressed.
  const isRead = read?.text === text && read.world === world && near === text;
  const isDue = asked === text && isRead && !isAsking;
  const { mutate } = make;
  useEffect(() => {
    if (!isDue) return;
    onTaken();
    if (ready) mutate(ready);
  }, [isDue, ready, mutate, onTaken]);
  const press = useRef<HTMLButtonElement>(null);
  const canPress = alone && ready !== null;
  useEffect(() => {
    if (canPress) press.current?.focus();
  }, [canPress]);
  if (text.trim() === "") return null;
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
        {said.kits.map((kit, i) => (
          <KitLine key={i} kit={kit} />
        ))}
      </ul>
      {!isAny && <p>Say what is added: a bar, two pods, a horn, turn lamps, a kit …</p>}
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
