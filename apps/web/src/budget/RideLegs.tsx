import { Plus } from "lucide-react";
import { append, decimal, type RideLeg, setIn } from "@dragonet/core";
import { mint } from "../base/mint.ts";
import { useEdit, useJob } from "../job/store/jobStore.ts";
import { Button } from "../ui/Button.tsx";
import { RemoveButton } from "../ui/RemoveButton.tsx";
import { NumberInput } from "../ui/forms/number/NumberInput.tsx";
import { TextInput } from "../ui/forms/TextInput.tsx";

const NUMBERS = [
  ["minutes", "min", 1440],
  ["rpm", "rpm", 30000],
  ["brake", "", 1],
  ["turn", "", 1],
  ["starts", "", 100],
  ["extraA", "A", 1000],
] as const;

const HEADS = ["Leg", "Time", "Engine", "Brake", "Turning", "Starts", "Besides", ""];

/** The legs of a ride: read, or written where the ride is the job's own. */
export function RideLegs({ usual, canEdit }: { usual: readonly RideLeg[]; canEdit: boolean }) {
  const job = useJob();
  const edit = useEdit();
  const own = job.ride.length > 0;
  // What is written in is the job's as it stands, and not what was last computed of it.
  const legs = own ? job.ride : usual;
  const set = <F extends keyof RideLeg>(leg: RideLeg, field: F, value: RideLeg[F]): void =>
    edit([setIn("rideLeg", leg.id, field, value)]);
  return (
    <fieldset disabled={!canEdit || !own} className="min-w-0">
      <legend className="sr-only">Legs of the ride</legend>
      <div className="relative overflow-x-auto">
        <table className="w-full border-collapse text-small">
          <thead>
            <tr>
              {HEADS.map((head) => (
                <th key={head} scope="col">
                  {head}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {legs.map((leg) => (
              <tr key={leg.id} className="border-t border-hair">
                <td className="py-0.5 pr-2">
                  {own ? (
                    <TextInput
                      label="Leg"
                      value={leg.name}
                      className="w-44"
                      maxLength={120}
                      onCommit={(v) => set(leg, "name", v)}
                    />
                  ) : (
                    leg.name
                  )}
                </td>
                {NUMBERS.map(([field, unit, max]) => (
                  <td key={field} className="num pr-2">
                    {own ? (
                      <NumberInput
                        label={`${leg.name}: ${field}`}
                        {...(unit === "" ? {} : { unit })}
                        value={leg[field]}
                        min={field === "minutes" ? 0.1 : 0}
                        max={max}
                        className="w-14"
                        onCommit={(v) => set(leg, field, field === "starts" ? Math.round(v) : v)}
                      />
                    ) : (
                      `${decimal(leg[field], 2)} ${unit}`
                    )}
                  </td>
                ))}
                <td>
                  {own && (
                    <RemoveButton
                      what={leg.name}
                      onClick={() => edit([{ kind: "remove", entity: "rideLeg", id: leg.id }])}
                    />
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {own && canEdit && (
        <Button
          look="quiet"
          onClick={() =>
            edit([
              append(job, "rideLeg", {
                id: mint("leg"),
                name: "next leg",
                minutes: 10,
                rpm: 2000,
                brake: 0,
                turn: 0,
                starts: 0,
                extraA: 0,
              }),
            ])
          }
        >
          <Plus size={15} aria-hidden /> Leg
        </Button>
      )}
    </fieldset>
  );
}
