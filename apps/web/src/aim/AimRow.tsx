import { useState } from "react";
import {
  ADJUSTERS,
  ADJUSTER_WORDS,
  BEAM_KINDS,
  BEAM_WORDS,
  decimal,
  lengthText,
  setAim,
  setIn,
  takeAimError,
  tapeText,
  undoText,
  type Aim,
  type WallMark,
} from "@dragonet/core";
import { mint } from "../base/mint.ts";
import { useCanEdit, useCurrentUser } from "../base/session.ts";
import { FootDepth } from "../fit/lamps/FootDepth.tsx";
import { useEdit, useJob } from "../job/store/jobStore.ts";
import { Button } from "../ui/Button.tsx";
import { Choice } from "../ui/forms/Choice.tsx";
import { NumberInput } from "../ui/forms/number/NumberInput.tsx";
import { fromMm, toMm, unitOf } from "./words.ts";

/** How far a beam stands off its mark, typed as it is measured. */
function ErrorFields({ mark, name }: { mark: WallMark; name: string }) {
  const job = useJob();
  const edit = useEdit();
  const me = useCurrentUser();
  const { units } = me.preferences;
  const [upMm, setUp] = useState(0);
  const [rightMm, setRight] = useState(0);
  const take = (): void => {
    const error = {
      ...{ distanceM: job.aiming.distanceM, rightMm, upMm },
      ...{ by: me.name, at: new Date().toISOString() },
    };
    edit(takeAimError(job, mark.mount, error, mint("aim")));
    setUp(0);
    setRight(0);
  };
  return (
    <span className="no-print inline-flex flex-wrap items-baseline gap-x-3 gap-y-1">
      <NumberInput
        label={`${name}: above its mark, − is below`}
        unit={`${unitOf(units)} above`}
        value={fromMm(upMm, units)}
        min={-5000}
        max={5000}
        className="w-16"
        onCommit={(v) => setUp(toMm(v, units))}
      />
      <NumberInput
        label={`${name}: right of its mark, − is left`}
        unit={`${unitOf(units)} right`}
        value={fromMm(rightMm, units)}
        min={-5000}
        max={5000}
        className="w-16"
        onCommit={(v) => setRight(toMm(v, units))}
      />
      <Button onClick={take}>Take it down</Button>
    </span>
  );
}

function HowItTurns({ mark, name }: { mark: WallMark; name: string }) {
  const job = useJob();
  const edit = useEdit();
  const canEdit = useCanEdit();
  const { aim, mount } = mark;
  const set = (change: Partial<Aim>): void => edit(setAim(job, mount, change, mint("aim")));
  return (
    <span className="inline-flex flex-wrap items-baseline gap-x-3 gap-y-1">
      <Choice
        label={`${name}: turned`}
        value={aim.adjuster}
        disabled={!canEdit}
        className="w-32"
        options={ADJUSTERS.map((value) => ({ value, label: ADJUSTER_WORDS[value] }))}
        onChange={(adjuster) => set({ adjuster })}
      />
      {aim.adjuster === "screw" && (
        <>
          <NumberInput
            label={`${name}: a turn moves the screw`}
            unit="mm a turn"
            metric
            value={aim.pitchMm}
            min={0.1}
            max={10}
            className="w-14"
            onCommit={(pitchMm) => set({ pitchMm })}
          />
          <NumberInput
            label={`${name}: screw from the pivot`}
            unit="mm from the pivot"
            value={aim.leverMm}
            min={1}
            max={1000}
            className="w-16"
            onCommit={(leverMm) => set({ leverMm })}
          />
        </>
      )}
      {aim.adjuster === "shim" && <FootDepth mount={mount} name={name} />}
    </span>
  );
}

/** One lamp: where its mark is, what it is held against, what was off and what undoes it. */
export function AimRow({ mark, number, name }: { mark: WallMark; number: number; name: string }) {
  const job = useJob();
  const edit = useEdit();
  const canEdit = useCanEdit();
  const { units } = useCurrentUser().preferences;
  const { aim, mount, rule } = mark;
  const last = aim.errors.at(-1);
  const side = mark.markRightM < -0.0005 ? "left of" : mark.markRightM > 0.0005 ? "right of" : "";
  return (
    <li className="border-t border-hair py-2">
      <div className="flex flex-wrap items-baseline gap-x-3 gap-y-1">
        <span className="num w-5 font-bold">{number}</span>
        <span className="min-w-40 font-bold">{name}</span>
        <span>
          {mark.groundM === null ? (
            <>
              {rule.of} <b className="num">{tapeText(mark.markUpM, units)}</b> up,{" "}
              {side === "" ? (
                "on the middle"
              ) : (
                <>
                  <b className="num">{tapeText(Math.abs(mark.markRightM), units)}</b> {side} the
                  middle
                </>
              )}
              {mark.behind && ", on a wall behind"}
            </>
          ) : (
            <>
              meets the ground after <b className="num">{lengthText(mark.groundM, units)}</b>
            </>
          )}
        </span>
        <span className={mark.withinRule ? "text-small text-muted" : "text-small font-bold"}>
          {mark.withinRule ? "within" : "outside"}{" "}
          {mark.groundM === null
            ? `${tapeText(Math.max(0, mark.lowUpM), units)} to ${tapeText(mark.highUpM, units)}`
            : `${decimal(-rule.highPct, 1)} to ${decimal(-rule.lowPct, 1)} % down`}
          : {rule.source}
        </span>
      </div>
      <div className="flex flex-wrap items-baseline gap-x-4 gap-y-1 pl-8">
        <Choice
          label={`${name}: beam`}
          value={aim.beam}
          disabled={!canEdit}
          className="w-36"
          options={BEAM_KINDS.map((value) => ({ value, label: BEAM_WORDS[value] }))}
          onChange={(beam) => edit(setAim(job, mount, { beam }, mint("aim")))}
        />
        <NumberInput
          label={`${name}: wanted, + is above level`}
          unit="° up"
          value={mount.wantedTiltDeg}
          min={-60}
          max={30}
          className="w-16"
          onCommit={(v) => edit([setIn("mount", mount.id, "wantedTiltDeg", v)])}
        />
        <NumberInput
          label={`${name}: wanted, + is to the right`}
          unit="° right"
          value={aim.toeDeg}
          min={-45}
          max={45}
          className="w-16"
          onCommit={(toeDeg) => edit(setAim(job, mount, { toeDeg }, mint("aim")))}
        />
        <HowItTurns mark={mark} name={name} />
      </div>
      <div className="flex flex-wrap items-baseline gap-x-4 gap-y-1 pt-1 pl-8">
        {canEdit && <ErrorFields mark={mark} name={name} />}
        {last ? (
          <span>
            last {tapeText(Math.abs(last.upMm) / 1000, units)} {last.upMm < 0 ? "low" : "high"},{" "}
            {tapeText(Math.abs(last.rightMm) / 1000, units)} to the{" "}
            {last.rightMm < 0 ? "left" : "right"}: <b>{undoText(last, aim, mount.footMm)}</b>
          </span>
        ) : (
          <span className="text-small text-muted">not measured at the wall yet</span>
        )}
      </div>
    </li>
  );
}
