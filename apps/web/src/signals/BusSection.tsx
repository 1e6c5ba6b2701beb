import { proxy } from "comlink";
import { useState } from "react";
import {
  MODULE_FAILURES,
  PLAIN,
  compareModule,
  connect,
  newModule,
  readModule,
  rollBack,
  unplug,
  writeModule,
  type Fault,
  type ModuleAnswer,
  type ModuleFailure,
  type ModuleState,
} from "@dragonet/core";
import { useEdit, useJob } from "../job/store/jobStore.ts";
import { Button } from "../ui/Button.tsx";
import { Choice } from "../ui/forms/Choice.tsx";
import { FileButton } from "../ui/forms/FileButton.tsx";
import { saveText } from "../ui/saveText.ts";
import { Section } from "../ui/page/Section.tsx";
import { planner } from "../worker/port/planner.ts";
import { scriptOf } from "./usePlay.ts";

const FAILURE_WORDS: Readonly<Record<ModuleFailure, string>> = {
  none: "nothing goes wrong",
  unplugged: "unplugged mid-write",
  wrongVersion: "module of another version",
  lowVoltage: "battery low",
};

const download = (name: string, text: string): void => saveText(name, "text/plain", text);

/** A log of the vehicle's bus in, as events of the script; the simulated bus out. */
export function BusSection({ canEdit }: { canEdit: boolean }) {
  const job = useJob();
  const edit = useEdit();
  const [dbc, setDbc] = useState<{ name: string; text: string } | null>(null);
  const [faults, setFaults] = useState<readonly Fault[]>([]);
  const [share, setShare] = useState<number | null>(null);
  const [said, setSaid] = useState("");

  const takeDbc = async (file: File): Promise<void> => {
    const text = await file.text();
    const found = await planner().checkDbc(text);
    setFaults(found);
    if (found.length === 0) setDbc({ name: file.name, text });
  };
  const replay = async (file: File): Promise<void> => {
    setShare(0);
    setSaid("");
    const made = await planner().replay(file, dbc?.text ?? null, proxy(setShare));
    setShare(null);
    if (made === null) {
      setSaid("Stopped: nothing taken.");
      return;
    }
    setFaults(made.faults);
    if (made.script === "") {
      setSaid("No control was found in this log: choose the DBC file of this bus.");
      return;
    }
    setSaid(`${made.known} frames followed, ${made.unknown} of other messages.`);
    edit([{ kind: "setOnce", entity: "signals", field: "script", value: made.script }]);
  };
  return (
    <Section
      title="Bus"
      about={
        dbc
          ? `Messages of ${dbc.name}.`
          : "The simulated bus that ships with Dragonet; a DBC file of the vehicle takes its place."
      }
    >
      <div className="flex flex-wrap items-center gap-2 py-1">
        <FileButton
          label="DBC file in"
          accept=".dbc,text/plain"
          onFile={(file) => void takeDbc(file)}
        />
        {canEdit && (
          <FileButton
            label="Replay a candump log"
            accept=".log,.txt,text/plain"
            onFile={(file) => void replay(file)}
          />
        )}
        <Button
          onClick={() =>
            void planner()
              .busLog(job, scriptOf(job.signals.script))
              .then((log) => download("simulated-bus.log", log))
          }
        >
          Simulated log out
        </Button>
      </div>
      {share !== null && (
        <p className="flex items-center gap-2">
          <progress
            className="flex-1 accent-accent"
            aria-label="Reading the log"
            value={share}
            max={1}
          />
          <Button onClick={() => void planner().stopReplay()}>Stop</Button>
        </p>
      )}
      {said !== "" && <p role="status">{said}</p>}
      {faults.length > 0 && (
        <ul role="alert" className="font-bold">
          {faults.slice(0, 6).map((f) => (
            <li key={f.path + f.message}>
              {f.path}: {f.message}
            </li>
          ))}
        </ul>
      )}
    </Section>
  );
}

/** The simulated programmable module: connect, read, compare, write, verify, roll back. */
export function ModuleSection({ canEdit }: { canEdit: boolean }) {
  const job = useJob();
  const boxes = job.parts.filter((p) => p.kind === "box" && p.behaviours.length > 0);
  const [state, setState] = useState<ModuleState>(() =>
    newModule([{ ...PLAIN, label: "as sold: follows its input" }]),
  );
  const [failure, setFailure] = useState<ModuleFailure>("none");
  const [said, setSaid] = useState("");
  const [box] = boxes;
  if (box?.kind !== "box") return null;
  const planned = box.behaviours;
  const take = (answer: ModuleAnswer): void => {
    setState(answer.state);
    setSaid(answer.said);
  };
  const differ = state.connected ? compareModule(state, planned) : [];
  return (
    <Section
      title={`${box.name}, simulated`}
      about="A stand-in that ships with Dragonet: no real module is touched."
    >
      <fieldset disabled={!canEdit} className="flex flex-wrap items-center gap-2 py-1">
        <legend className="sr-only">Module</legend>
        {state.connected ? (
          <Button
            onClick={() => {
              setState(unplug(state));
              setSaid("Unplugged.");
            }}
          >
            Unplug
          </Button>
        ) : (
          <Button onClick={() => take(connect(state))}>Connect</Button>
        )}
        <Button
          disabled={!state.connected}
          onClick={() => take(writeModule(state, planned, { supplyV: 12.6, failure }))}
        >
          Write and verify
        </Button>
        <Button disabled={!state.connected} onClick={() => take(rollBack(state))}>
          Roll back
        </Button>
      </fieldset>
      <Choice<ModuleFailure>
        label="What goes wrong"
        value={failure}
        className="w-full"
        options={MODULE_FAILURES.map((value) => ({ value, label: FAILURE_WORDS[value] }))}
        onChange={setFailure}
      />
      {said !== "" && (
        <p role="status" className="mt-1 font-bold">
          {said}
        </p>
      )}
      {state.connected && (
        <table className="mt-1 w-full border-collapse text-small">
          <thead>
            <tr>
              <th scope="col">Channel</th>
              <th scope="col">In the module</th>
              <th scope="col">Planned</th>
            </tr>
          </thead>
          <tbody>
            {Array.from({ length: Math.max(planned.length, readModule(state).length) }, (_, i) => (
              <tr
                key={i}
                className={`border-t border-hair ${differ.includes(i) ? "font-bold" : ""}`}
              >
                <td className="num">{i + 1}</td>
                <td>{readModule(state)[i]?.label ?? "nothing"}</td>
                <td>{planned[i]?.label ?? "nothing"}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </Section>
  );
}
