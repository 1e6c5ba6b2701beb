import { plugsOf, setIn, type TeardownStep } from "@dragonet/core";
import { useEdit, useJob } from "../../job/store/jobStore.ts";
import { RemoveButton } from "../../ui/RemoveButton.tsx";
import { Tick } from "../../ui/forms/Tick.tsx";

/** Plugs of a step: parted before it comes off, joined before it is back on. */
export function StepPlugs({ step, back }: { step: TeardownStep; back: boolean }) {
  const job = useJob();
  const edit = useEdit();
  const plugs = plugsOf(job, step.id);
  return (
    <ul>
      {plugs.map((plug) => (
        <li key={plug.id} className="flex flex-wrap items-center gap-2 border-t border-hair py-1">
          {back ? (
            <Tick
              checked={plug.joined}
              disabled={!plug.parted}
              onChange={(joined) => edit([setIn("plug", plug.id, "joined", joined)])}
            >
              joined: <b>{plug.name}</b> {plug.where}
            </Tick>
          ) : (
            <Tick
              checked={plug.parted}
              onChange={(parted) =>
                edit([
                  setIn("plug", plug.id, "parted", parted),
                  ...(parted ? [] : [setIn("plug", plug.id, "joined", false)]),
                ])
              }
            >
              parted: <b>{plug.name}</b> {plug.where}
            </Tick>
          )}
          <RemoveButton
            what={plug.name}
            onClick={() => edit([{ kind: "remove", entity: "plug", id: plug.id }])}
          />
        </li>
      ))}
    </ul>
  );
}
