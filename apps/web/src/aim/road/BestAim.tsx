import { useMutation } from "@tanstack/react-query";
import { decimal, lengthText, type Job } from "@dragonet/core";
import { useCanEdit, useCurrentUser } from "../../base/session.ts";
import { useEdit } from "../../job/store/jobStore.ts";
import { Button } from "../../ui/Button.tsx";
import { NumberInput } from "../../ui/forms/number/NumberInput.tsx";
import type { LightRequest, ProposedAim, Turned } from "../../worker/light.ts";
import { planner } from "../../worker/port/planner.ts";
import { turnAll } from "../turnAll.ts";

/** What the search came to, and what holds it down. */
function Proposal({
  found,
  onTake,
}: {
  found: ProposedAim;
  onTake: (turned: Readonly<Record<string, Turned>>) => void;
}) {
  const canEdit = useCanEdit();
  const { units } = useCurrentUser().preferences;
  switch (found.kind) {
    case "blinds":
      return "None: what stays lit when dipped blinds even turned far down. Let it go out with the high beam, or take lamps with a cut-off.";
    case "nothingStays":
      return "All that is lit goes out with the high beam: no oncoming eye holds it down.";
    case "found": {
      const ways = Object.values(found.turned).map(
        (t) => `${decimal(t.tiltDeg, 2)}° up, ${decimal(t.toeDeg, 1)}° right`,
      );
      return (
        <>
          {[...new Set(ways)].join("; ")}: seen to {lengthText(Math.round(found.seeingM), units)},{" "}
          {decimal(found.glareCd, 0)} cd to an eye
          {found.heldAtM !== null &&
            `; half a degree higher blinds at ${lengthText(found.heldAtM, units)}`}{" "}
          {canEdit && (
            <Button look="quiet" onClick={() => onTake(found.turned)}>
              Take it
            </Button>
          )}
        </>
      );
    }
  }
}

/** The aim that gives the road most under a limit of glare, found by search. */
export function BestAim({ job, request }: { job: Job; request: LightRequest }) {
  const edit = useEdit();
  const search = useMutation({
    mutationFn: async (): Promise<ProposedAim> => planner().proposeAim(job, request),
  });
  const set = (glareCd: number): void =>
    edit([{ kind: "setOnce", entity: "aiming", field: "glareCd", value: glareCd }]);
  const take = (turned: Readonly<Record<string, Turned>>): void => {
    edit(turnAll(job, turned));
    search.reset();
  };
  return (
    <div className="flex flex-wrap items-baseline gap-x-4 gap-y-1 py-1">
      <NumberInput
        label="Most that an oncoming eye may get"
        unit="cd to an oncoming eye at most"
        value={job.aiming.glareCd}
        min={1}
        max={1e6}
        className="w-20"
        onCommit={set}
      />
      <Button disabled={search.isPending} onClick={() => search.mutate()}>
        Find the best aim
      </Button>
      <span role="status">
        {search.error?.message}
        {search.data && <Proposal found={search.data} onTake={take} />}
      </span>
    </div>
  );
}
