import { Plus } from "lucide-react";
import {
  ADHESIVES,
  adhesiveOf,
  append,
  asId,
  curing,
  notPressable,
  setIn,
  slowedBy,
  decimal,
  type Bond,
  type BondId,
} from "@dragonet/core";
import { mint } from "../base/mint.ts";
import { useCanEdit } from "../base/session.ts";
import { momentText } from "../base/moment.ts";
import { useEdit, useJob } from "../job/store/jobStore.ts";
import { Button } from "../ui/Button.tsx";
import { Choice } from "../ui/forms/Choice.tsx";
import { RemoveButton } from "../ui/RemoveButton.tsx";
import { Section } from "../ui/page/Section.tsx";
import { Empty } from "../ui/page/states.tsx";
import { NumberInput } from "../ui/forms/number/NumberInput.tsx";
import { TextInput } from "../ui/forms/TextInput.tsx";
import { Tick } from "../ui/forms/Tick.tsx";
import { useNow } from "../ui/useNow.ts";

const waitText = (hours: number): string =>
  hours > 48 ? `${decimal(hours / 24, 1)} days` : `${decimal(hours, 1)} h`;

function BondRow({ bond }: { bond: Bond }) {
  const edit = useEdit();
  const canEdit = useCanEdit();
  const set = <F extends keyof Bond>(field: F, value: Bond[F]): void =>
    edit([setIn("bond", bond.id, field, value)]);
  const kind = adhesiveOf(bond.adhesive);
  const missing = notPressable(bond);
  const times = curing(bond);
  const slow = slowedBy(bond.surfaceC);
  const now = useNow();
  return (
    <li className="border-t border-hair py-2">
      <div className="flex flex-wrap items-center gap-2">
        <TextInput
          label="What is stuck on"
          value={bond.what}
          className="w-64 max-w-full"
          maxLength={120}
          onCommit={(v) => set("what", v)}
        />
        <Choice
          label={`${bond.what}: adhesive`}
          value={bond.adhesive}
          disabled={!canEdit}
          className="w-48"
          options={ADHESIVES.map((a) => ({ value: a.kind, label: a.name }))}
          onChange={(v) => set("adhesive", v)}
        />
        <NumberInput
          label={`${bond.what}: surface`}
          unit="°C surface"
          value={bond.surfaceC}
          min={-40}
          max={120}
          className="w-16"
          onCommit={(v) => set("surfaceC", v)}
        />
        <RemoveButton
          what={bond.what}
          onClick={() => edit([{ kind: "remove", entity: "bond", id: bond.id }])}
        />
      </div>
      <p className="text-small text-muted">
        {kind.leastC} to {kind.mostC} °C on the surface. Clean: {kind.cleaning}. Press: {kind.press}
        , {kind.pressS} s. Moved after {waitText(kind.handleH * slow)}, bears after{" "}
        {waitText(kind.cureH * slow)}
        {slow > 1 && ` (${decimal(slow, 1)} times as long as at 20 °C)`}. The data sheet of what is
        in your hand has the last word.
      </p>
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1">
        <Tick checked={bond.cleaned} onChange={(v) => set("cleaned", v)}>
          cleaned
        </Tick>
        <Tick checked={bond.dryFitted} onChange={(v) => set("dryFitted", v)}>
          tried dry
        </Tick>
        <Tick checked={bond.marked} onChange={(v) => set("marked", v)}>
          ends marked with tape
        </Tick>
        {times === null ? (
          <Button
            look={missing.length === 0 ? "main" : "plain"}
            disabled={missing.length > 0}
            onClick={() => set("pressedAt", new Date().toISOString())}
          >
            Pressed now
          </Button>
        ) : (
          <Button onClick={() => set("pressedAt", "")}>Not pressed after all</Button>
        )}
      </div>
      {times === null ? (
        missing.length > 0 && <p className="font-bold">Not yet: {missing.join("; ")}.</p>
      ) : (
        <p role="status">
          {now >= times.cured.getTime() ? (
            <b>Cured {momentText(times.cured)}.</b>
          ) : (
            <>
              {now < times.handle.getTime() && (
                <>Not to be moved before {momentText(times.handle)}. </>
              )}
              Holds its load from <b>{momentText(times.cured)}</b>; the bench shows the job as
              curing until then.
            </>
          )}
        </p>
      )}
    </li>
  );
}

/** What is stuck on: it gets one try, at the right warmth, and time. */
export function BondsPage() {
  const job = useJob();
  const edit = useEdit();
  return (
    <Section
      title="Stuck on"
      about="Whatever could fall into a wheel or onto the road is held by a screw or a tether as well."
      action={
        <Button
          look="quiet"
          className="no-print"
          onPressed={() =>
            edit([
              append(job, "bond", {
                id: asId<BondId>(mint("bond")),
                what: "cable clips",
                adhesive: "foamTape",
                surfaceC: 20,
                cleaned: false,
                dryFitted: false,
                marked: false,
                pressedAt: "",
              }),
            ])
          }
        >
          <Plus size={15} aria-hidden /> Bond
        </Button>
      }
    >
      {job.bonds.length === 0 ? (
        <Empty title="Nothing is stuck on">
          Tapes, clips and small lamps that are stuck on are entered here; their curing goes into
          the bench’s calendar.
        </Empty>
      ) : (
        <ul>
          {job.bonds.map((bond) => (
            <BondRow key={bond.id} bond={bond} />
          ))}
        </ul>
      )}
    </Section>
  );
}
