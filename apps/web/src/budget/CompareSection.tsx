import { memo, useCallback, useState } from "react";
import { decimal, type CircuitId, type FeedOption } from "@dragonet/core";
import { useEdit, useJob } from "../job/store/jobStore.ts";
import { useAtHand } from "../shelf/parts.ts";
import { Button } from "../ui/Button.tsx";
import { Choice } from "../ui/forms/Choice.tsx";
import { LazyChart } from "../ui/LazyChart.tsx";
import { Section } from "../ui/page/Section.tsx";
import { SeverityMark } from "../ui/Severity.tsx";
import { Empty, Loading } from "../ui/page/states.tsx";
import { planner } from "../worker/port/planner.ts";
import { useWorked } from "../worker/useWorked.ts";

const DASHES = [undefined, "8 4", "3 3", "12 3 2 3"] as const;

/** What a pack is brought down by, or left alone with. */
const WAYS = ["converter", "battery"];

function useWays(runId: CircuitId | null): readonly FeedOption[] | null {
  const job = useJob();
  const parts = useAtHand(WAYS);
  const ask = useCallback(
    async (): Promise<readonly FeedOption[]> =>
      runId === null ? [] : planner().compare(job, runId, parts),
    [job, runId, parts],
  );
  return useWorked(runId === null ? null : ask);
}

const WayRow = memo(function WayRow({ way, canEdit }: { way: FeedOption; canEdit: boolean }) {
  const edit = useEdit();
  const [first, last] = [way.points[0], way.points[way.points.length - 1]];
  const { evening } = way;
  if (way.refused !== "") {
    return (
      <tr className="border-t border-hair align-top">
        <th scope="row" className="w-80 py-2 align-top! font-bold! text-ink!">
          {way.label}
        </th>
        <td colSpan={6} className="py-2">
          <SeverityMark severity="stop" word={false} /> {way.refused}
        </td>
        <td />
      </tr>
    );
  }
  return (
    <tr className={`border-t border-hair align-top ${way.current ? "bg-accent-wash" : ""}`}>
      <th scope="row" className="w-80 py-2 align-top! font-bold! text-ink!">
        {way.label}
        <span className="block text-small font-normal text-muted">{way.effect}</span>
        {way.stops.map((f) => (
          <span key={f.rule + f.title} className="block text-small font-normal">
            <SeverityMark severity={f.severity} word={false} /> {f.title}
          </span>
        ))}
      </th>
      <td className="num py-2 pr-4">
        {first && last ? `${decimal(first.lowV, 1)}–${decimal(last.highV, 1)} V` : ""}
        {way.worstV !== null && (
          <span className="block text-small text-muted">
            up to {decimal(way.worstV, 1)} V by tolerance
          </span>
        )}
      </td>
      <td className="num py-2 pr-4">{evening ? `${decimal(evening.lostShare * 100, 0)} %` : ""}</td>
      <td className="num py-2 pr-4">
        {evening ? (evening.parkedW < 0.001 ? "0" : `${decimal(evening.parkedW, 1)} W`) : ""}
      </td>
      <td className="num py-2 pr-4">
        {evening && evening.apartAh > 0.01 ? (
          <>
            {decimal(evening.apartAh, 1)} Ah apart an evening
            <span className="block text-small">
              half flat after {evening.eveningsToHalf} evenings,{" "}
              {decimal(evening.yearsToHalf ?? 0, 1)} years: {decimal(evening.halfV, 2)} V below the
              others
            </span>
          </>
        ) : (
          "alike"
        )}
      </td>
      <td className="py-2 pr-4">
        <span className="num">
          {way.darkWithOne} of {way.lamps}
        </span>{" "}
        dark
        {way.shorted !== "" && (
          <span className="block text-small text-muted">shorted: {way.shorted}</span>
        )}
      </td>
      <td className="num py-2 pr-3 text-right">{decimal(way.money, 2)}</td>
      <td className="py-2 text-right">
        {way.current ? (
          <span className="font-bold">chosen</span>
        ) : (
          canEdit && <Button onClick={() => edit(way.edits)}>Choose</Button>
        )}
      </td>
    </tr>
  );
});

const HEADS = [
  "Option",
  "At the lamps, empty to full",
  "Lost",
  "Parked",
  "Blocks",
  "One lamp dead",
  "Parts",
  "",
];

/** The four ways to feed the same lamps from a pack, side by side; choosing one rewires the circuit. */
export function CompareSection({ canEdit }: { canEdit: boolean }) {
  const job = useJob();
  const [chosen, setChosen] = useState("");
  const run = job.runs.find((r) => r.id === chosen) ?? job.runs[0];
  const ways = useWays(run?.id ?? null);
  if (!run) {
    return (
      <Section title="Compare options">
        <Empty title="Nothing to feed yet">
          Add a circuit at stage 3, then compare options here.
        </Empty>
      </Section>
    );
  }
  if (!ways) return <Loading what="the options" />;
  const shown = ways.filter((w) => w.refused === "" && w.points.length > 0);
  const rows = (shown[0]?.points ?? []).map((p, i) => ({
    packV: p.packV,
    ...Object.fromEntries(shown.map((w) => [w.kind, w.points[i]?.highV ?? null])),
  }));
  return (
    <Section
      title="Compare options"
      action={
        job.runs.length > 1 ? (
          <Choice
            label="Circuit to compare"
            value={run.id}
            className="w-48"
            options={job.runs.map((r) => ({ value: r.id, label: r.name }))}
            onChange={setChosen}
          />
        ) : undefined
      }
    >
      <div className="relative overflow-x-auto" tabIndex={0} role="group" aria-label="Options">
        <table className="w-full border-collapse">
          <thead>
            <tr>
              {HEADS.map((head, i) => (
                <th key={head} scope="col" className={i === 6 ? "pr-3 text-right" : "pr-3"}>
                  {head}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {ways.map((way) => (
              <WayRow key={way.kind} way={way} canEdit={canEdit} />
            ))}
          </tbody>
        </table>
      </div>
      <h3 className="mt-4">Volts per lamp over the pack’s range</h3>
      <LazyChart
        label="Volts at a lamp against the pack's voltage, for each option"
        x={{ key: "packV", unit: "V of the pack", name: "pack" }}
        unit="V"
        rows={rows}
        lines={shown.map((w, i) => ({
          key: w.kind,
          name: w.label,
          width: w.current ? 3 : 1.6,
          ...(DASHES[i] ? { dash: DASHES[i] } : {}),
        }))}
      />
    </Section>
  );
}
