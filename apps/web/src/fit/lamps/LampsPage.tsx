import {
  HANDS,
  MOUNT_CHECKS,
  MOUNT_CHECK_WORDS,
  MOUNT_SIDES,
  append,
  decimal,
  fineText,
  tapeText,
  boundedValue,
  mountCheckId,
  pairsOf,
  setIn,
  shimMm,
  signEdits,
  type Lamp,
  type Mount,
} from "@dragonet/core";
import { mint } from "../../base/mint.ts";
import { useCanEdit, useCurrentUser, useUnits } from "../../base/session.ts";
import { useEdit, useJob } from "../../job/store/jobStore.ts";
import { PlaceFindings } from "../../job/PlaceFindings.tsx";
import { Button } from "../../ui/Button.tsx";
import { Choice } from "../../ui/forms/Choice.tsx";
import { RemoveButton } from "../../ui/RemoveButton.tsx";
import { Section } from "../../ui/page/Section.tsx";
import { Empty } from "../../ui/page/states.tsx";
import { NumberInput } from "../../ui/forms/number/NumberInput.tsx";
import { Tick } from "../../ui/forms/Tick.tsx";
import { FootDepth } from "./FootDepth.tsx";
import { LampViews } from "./LampViews.tsx";

const HAND_WORDS = { any: "either side", left: "left only", right: "right only" } as const;

const MEASURES = [
  ["outM", "from the middle"],
  ["heightM", "above the ground"],
  ["backM", "behind the front"],
] as const;

/** What brings the beam to where it is wanted. */
function Shim({ mount, name }: { mount: Mount; name: string }) {
  const edit = useEdit();
  const turn = mount.wantedTiltDeg - mount.tiltDeg;
  const units = useUnits();
  const shim = shimMm(mount.footMm, turn);
  const set = (field: "tiltDeg" | "wantedTiltDeg" | "footMm", value: number): void =>
    edit([setIn("mount", mount.id, field, value)]);
  return (
    <div className="flex flex-wrap items-baseline gap-x-3 gap-y-1">
      <NumberInput
        label={`${name}: beam found at, + is above level`}
        unit="° found"
        value={mount.tiltDeg}
        min={-45}
        max={45}
        className="w-16"
        onCommit={(v) => set("tiltDeg", v)}
      />
      <NumberInput
        label={`${name}: beam wanted at`}
        unit="° wanted"
        value={mount.wantedTiltDeg}
        min={-45}
        max={45}
        className="w-16"
        onCommit={(v) => set("wantedTiltDeg", v)}
      />
      <FootDepth mount={mount} name={name} />
      <span>
        {Math.abs(turn) < 0.05 ? (
          "no shim"
        ) : (
          <>
            shim of <b className="num">{fineText(Math.abs(shim), units)}</b> under the{" "}
            {shim > 0 ? "front" : "rear"} edge of a foot that stands {shim > 0 ? "lifts" : "lowers"}{" "}
            the beam by {decimal(Math.abs(turn), 1)}°
          </>
        )}
      </span>
    </div>
  );
}

function MountRow({ mount, number, name }: { mount: Mount; number: number; name: string }) {
  const job = useJob();
  const edit = useEdit();
  const canEdit = useCanEdit();
  const me = useCurrentUser();
  return (
    <li className="border-t border-hair py-2">
      <div className="flex flex-wrap items-baseline gap-x-3 gap-y-1">
        <span className="num w-5 font-bold">{number}</span>
        <span className="min-w-40 font-bold">{name}</span>
        <Choice
          label={`${name}: side`}
          value={mount.side}
          disabled={!canEdit}
          className="w-28"
          options={MOUNT_SIDES.map((value) => ({ value, label: value }))}
          onChange={(value) => edit([setIn("mount", mount.id, "side", value)])}
        />
        {MEASURES.map(([field, words]) => (
          <NumberInput
            key={field}
            label={`${name}: ${words}`}
            unit={`mm ${words}`}
            value={Math.round(mount[field].value * 1000)}
            max={20_000}
            className="w-16"
            onCommit={(mm) =>
              edit([setIn("mount", mount.id, field, boundedValue(mm / 1000, "measured"))])
            }
          />
        ))}
        <Choice
          label={`${name}: bracket`}
          value={mount.hand}
          disabled={!canEdit}
          className="w-32"
          options={HANDS.map((value) => ({ value, label: HAND_WORDS[value] }))}
          onChange={(value) => edit([setIn("mount", mount.id, "hand", value)])}
        />
        <RemoveButton
          what={`place of ${name}`}
          onClick={() => edit([{ kind: "remove", entity: "mount", id: mount.id }])}
        />
      </div>
      <div className="pl-8">
        <Shim mount={mount} name={name} />
        <div className="flex flex-wrap gap-x-4">
          {MOUNT_CHECKS.map((check) => {
            const id = mountCheckId(mount, check);
            const signed = job.checks.find((c) => c.id === id);
            return (
              <Tick
                key={check}
                checked={signed !== undefined}
                onChange={(done) => edit(signEdits(job, id, me.name, done))}
              >
                {MOUNT_CHECK_WORDS[check]}
                {signed && <span className="text-small text-muted"> · {signed.by}</span>}
              </Tick>
            );
          })}
        </div>
      </div>
    </li>
  );
}

const SIDE_OF: Partial<Record<Lamp["place"], Mount["side"]>> = { left: "left", right: "right" };

/** Where the lamps sit, by tape, beside each other and beside the rules. */
export function LampsPage() {
  const units = useUnits();
  const job = useJob();
  const edit = useEdit();
  const { vehicle } = job;
  const lamps = job.lamps.filter((lamp) => {
    const part = job.parts.find((p) => p.id === lamp.partId);
    return part?.kind === "load" && part.family === "lamp";
  });
  const unplaced = lamps.filter((lamp) => !job.mounts.some((m) => m.lampId === lamp.id));
  const label = (mount: Mount): string => job.lamps.find((l) => l.id === mount.lampId)?.label ?? "";
  const number = (mount: Mount): number => job.mounts.indexOf(mount) + 1;
  const measure = (lamp: Lamp): void => {
    const place = vehicle.places.find((p) => p.id === lamp.at);
    const far = lamp.place === "rear" ? vehicle.size.lengthM.value : 0;
    edit([
      append(job, "mount", {
        id: mint("mount"),
        lampId: lamp.id,
        side: SIDE_OF[lamp.place] ?? "centre",
        outM: boundedValue(Math.abs(place?.rightM ?? 0), "assumed"),
        heightM: boundedValue(0.6, "assumed"),
        backM: boundedValue(place?.backM ?? far, "assumed"),
        hand: "any",
        tiltDeg: 0,
        wantedTiltDeg: 0,
        footMm: 40,
      }),
    ]);
  };
  if (lamps.length === 0) {
    return <Empty title="No lamps yet">Lamps are added under Circuit.</Empty>;
  }
  return (
    <>
      <h2 className="sr-only">Views</h2>
      <LampViews job={job} number={number} label={label} />
      <Section
        title="By the tape"
        about="The vehicle on level ground, its tyres at their pressure. Taps and tries at full lock and full travel are ticked by whoever did them."
      >
        <ul>
          {job.mounts.map((mount) => (
            <MountRow key={mount.id} mount={mount} number={number(mount)} name={label(mount)} />
          ))}
        </ul>
        {pairsOf(job).map(({ left, right }) => (
          <p key={left.id} className="text-small text-muted">
            {label(left)} and {label(right)}:{" "}
            <span className="num">{tapeText(left.outM.value + right.outM.value, units)}</span> apart
          </p>
        ))}
        {unplaced.length > 0 && (
          <div className="no-print mt-2 flex flex-wrap gap-2">
            {unplaced.map((lamp) => (
              <Button key={lamp.id} onClick={() => measure(lamp)}>
                Measure {lamp.label}
              </Button>
            ))}
          </div>
        )}
      </Section>
      <PlaceFindings rule="lamps-in-place" />
    </>
  );
}
