import { LAMP_JOINTS, LAMP_LIGHTS, type Lamp, type LoadPart, setIn } from "@dragonet/core";
import { useEdit, useJob } from "../../../job/store/jobStore.ts";
import { Choice } from "../../../ui/forms/Choice.tsx";
import { NumberInput } from "../../../ui/forms/number/NumberInput.tsx";
import { JOINT_WORDS } from "../../fields/jointWords.ts";

/** Every light that a part has, by what a lamp says of it. */
const lightsOf = (part: LoadPart): { value: string; label: string }[] => [
  { value: LAMP_LIGHTS[0], label: "main light" },
  ...(part.dim ? [{ value: LAMP_LIGHTS[1], label: "dim light" }] : []),
  ...part.lights.map(({ name }) => ({ value: name, label: `${name} light` })),
];

/** What a lamp takes the place of and how it joins, which light of its part it is, how long. */
export function LampDetail({ lamp }: { lamp: Lamp }) {
  const job = useJob();
  const edit = useEdit();
  const part = job.parts.find((p) => p.id === lamp.partId);
  if (part?.kind !== "load") return null;
  const set = <F extends "light" | "housing" | "lengthM" | "replaces" | "joint">(
    field: F,
    value: Lamp[F],
  ): void => edit([setIn("lamp", lamp.id, field, value)]);
  const hosts = job.lamps.filter(
    (other) => other.partId === lamp.partId && other.id !== lamp.id && other.housing === "",
  );
  const { baseLoads } = job.vehicle;
  const lights = lightsOf(part);
  return (
    <>
      {lamp.factory && <span className="text-small">the vehicle’s own</span>}
      {baseLoads.length > 0 && !lamp.factory && (
        <Choice
          label={`What ${lamp.label} takes the place of`}
          value={lamp.replaces}
          className="w-44"
          options={[
            { value: "", label: "added lamp" },
            ...baseLoads.map((load) => ({ value: load.id, label: `in place of ${load.name}` })),
          ]}
          onChange={(replaces) => set("replaces", replaces)}
        />
      )}
      {!lamp.factory && (
        <Choice
          label={`How ${lamp.label} joins`}
          value={lamp.joint}
          className="w-44"
          options={LAMP_JOINTS.map((value) => ({ value, label: JOINT_WORDS[value] }))}
          onChange={(joint) => set("joint", joint)}
        />
      )}
      {lights.length > 1 && (
        <Choice
          label={`Light of ${lamp.label}`}
          value={lamp.light}
          className="w-32"
          options={lights}
          onChange={(light) => set("light", light)}
        />
      )}
      {lights.length > 1 && hosts.length > 0 && (
        <Choice
          label={`Housing of ${lamp.label}`}
          value={lamp.housing}
          className="w-40"
          options={[
            { value: "", label: "own housing" },
            ...hosts.map((h) => ({ value: h.id, label: `with ${h.label}` })),
          ]}
          onChange={(id) => set("housing", hosts.find((h) => h.id === id)?.id ?? "")}
        />
      )}
      {part.load.kind === "ledStrip" && (
        <NumberInput
          label={`Length of ${lamp.label}`}
          unit="m"
          value={lamp.lengthM}
          max={1000}
          className="w-16"
          onCommit={(m) => set("lengthM", m)}
        />
      )}
    </>
  );
}
