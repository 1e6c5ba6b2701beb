import { Download, Printer, Tags } from "lucide-react";
import { memo, useCallback, useState } from "react";
import {
  ENDS_M,
  SLACK_SHARE,
  SPOOL_M,
  cutListCsv,
  decimal,
  fineText,
  lengthText,
  type CutLine,
  type CutList,
  type Job,
  type SpoolLine,
  type UnitSystem,
  type WireEnd,
} from "@dragonet/core";
import { useCurrentUser, useUnits } from "../base/session.ts";
import { useNarrow } from "../base/useNarrow.ts";
import { useOfJob } from "../job/useOfJob.ts";
import { useOpenFile } from "../job/papers/useOpenFile.ts";
import { Button } from "../ui/Button.tsx";
import { saveText } from "../ui/saveText.ts";
import { DataTable, type Head } from "../ui/DataTable.tsx";
import { Section } from "../ui/page/Section.tsx";
import { Empty, Loading } from "../ui/page/states.tsx";
import { NumberInput } from "../ui/forms/number/NumberInput.tsx";
import { WireSwatch } from "../ui/WireSwatch.tsx";
import { planner } from "../worker/port/planner.ts";

const save = (list: CutList): void => saveText("cut-list.csv", "text/csv", cutListCsv(list));

const HEADS: readonly Head[] = [
  { words: "Flag", className: "pr-3" },
  "Size",
  "Colour",
  { words: "Cut", className: "px-3" },
  "From",
  "Strip, terminal, shrink",
  "To",
  "Strip, terminal, shrink",
  "Cut it",
];

function EndCell({ end }: { end: WireEnd }) {
  const units = useUnits();
  return (
    <td className="pr-3 text-muted">
      <span className="num whitespace-nowrap">{fineText(end.stripMm, units)}</span>, {end.terminal}
      {end.shrinkMm > 0 && (
        <>
          , shrink <span className="num whitespace-nowrap">{fineText(end.shrinkMm, units)}</span>
        </>
      )}
    </td>
  );
}

function endText({ at, stripMm, terminal, shrinkMm }: WireEnd, units: UnitSystem): string {
  const shrink = shrinkMm > 0 ? `, shrink ${fineText(shrinkMm, units)}` : "";
  return `${at}: ${fineText(stripMm, units)}, ${terminal}${shrink}`;
}

/** A wire as a line of a phone's list: what is cut, and what goes on its ends. */
function WireItem({ line, units }: { line: CutLine; units: UnitSystem }) {
  return (
    <li className="border-t border-hair py-1.5">
      <p className="flex flex-wrap items-center gap-x-3">
        <b className="num">{line.label}</b>
        <span className="num">{line.gaugeId}</span>
        <WireSwatch colour={line.colour} />
        <b className="num ml-auto">{lengthText(line.cutM, units)}</b>
      </p>
      <p className="text-small">
        {endText(line.from, units)}
        <br />
        {endText(line.to, units)}
      </p>
    </li>
  );
}

const Wires = memo(function Wires({ list, units }: { list: CutList; units: UnitSystem }) {
  const openFile = useOpenFile();
  const phone = useNarrow("md");
  return (
    <Section
      title="Cut list"
      about={`As routed, ${decimal(SLACK_SHARE * 100, 0)} % for bends and ${lengthText(ENDS_M, units)} of service loop at the ends added, rounded up. Start at the lamp: what is over ends at the battery.`}
      action={
        <span className="no-print inline-flex gap-2">
          <Button look="quiet" onClick={() => save(list)}>
            <Download size={15} aria-hidden /> CSV
          </Button>
          <Button look="quiet" onClick={() => openFile("labels.pdf")}>
            <Tags size={15} aria-hidden /> Flags
          </Button>
          <Button look="quiet" onClick={() => window.print()}>
            <Printer size={15} aria-hidden /> Print
          </Button>
        </span>
      }
    >
      {phone ? (
        <ul>
          {list.lines.map((line) => (
            <WireItem key={line.label} line={line} units={units} />
          ))}
        </ul>
      ) : (
        <DataTable label="Cut list" heads={HEADS} className="print:text-small">
          {list.lines.map((line) => (
            <tr key={line.label} className="border-t border-hair">
              <td className="num py-1 pr-3 font-bold">{line.label}</td>
              <td className="num pr-3 whitespace-nowrap">{line.gaugeId}</td>
              <td>
                <WireSwatch colour={line.colour} />
              </td>
              <td className="num px-3 font-bold whitespace-nowrap">
                {lengthText(line.cutM, units)}
              </td>
              <td className="pr-3">{line.from.at}</td>
              <EndCell end={line.from} />
              <td className="pr-3">{line.to.at}</td>
              <EndCell end={line.to} />
              <td>
                <span className="inline-block size-3.5 border border-edge" aria-hidden />
              </td>
            </tr>
          ))}
        </DataTable>
      )}
    </Section>
  );
});

/** One spool as a bar: its cuts in order, what is left at the end. */
function SpoolBar({
  line,
  index,
  list,
  spoolM,
}: {
  line: SpoolLine;
  index: number;
  list: CutList;
  spoolM: number;
}) {
  const units = useUnits();
  const labels = line.cuts[index] ?? [];
  const length = (label: string): number => list.lines.find((l) => l.label === label)?.cutM ?? 0;
  const left = line.plan.offCutM[index] ?? 0;
  return (
    <div
      className="my-1 flex h-6 w-full border border-edge"
      role="img"
      aria-label={`spool ${index + 1}: ${labels.join(", ")}; ${lengthText(left, units)} left`}
    >
      {labels.map((label) => (
        <span
          key={label}
          className="num flex items-center justify-center overflow-hidden border-r border-ink text-small"
          style={{ width: `${(100 * length(label)) / spoolM}%` }}
          title={`${label}: ${lengthText(length(label), units)}`}
        >
          {length(label) / spoolM > 0.04 ? label : ""}
        </span>
      ))}
    </div>
  );
}

const Spools = memo(function Spools({
  list,
  spoolM,
  setSpoolM,
}: {
  list: CutList;
  spoolM: number;
  setSpoolM: (m: number) => void;
}) {
  return (
    <Section
      title="Off the spools"
      action={
        <NumberInput
          label="Length of a spool"
          unit="m a spool"
          value={spoolM}
          min={1}
          max={1000}
          onCommit={setSpoolM}
        />
      }
    >
      {list.spools.map((line) => (
        <div key={`${line.gaugeId} ${line.colour}`} className="border-t border-hair py-1">
          <p className="flex items-center gap-3">
            <span className="num font-bold">{line.gaugeId}</span>
            <WireSwatch colour={line.colour} />
            <span className="num">{decimal(line.totalM, 2)} m</span>
            {!line.plan.exact && (
              <span className="text-small text-muted">
                {line.plan.spools.length} spools; {line.plan.leastSpools} at the least
              </span>
            )}
          </p>
          {line.plan.spools.map((_, i) => (
            <SpoolBar
              key={i}
              line={line}
              index={i}
              list={list}
              spoolM={Math.max(spoolM, ...list.lines.map((l) => l.cutM))}
            />
          ))}
        </div>
      ))}
    </Section>
  );
});

const Bundles = memo(function Bundles({ list }: { list: CutList }) {
  const units = useUnits();
  return (
    <Section title="Bundles" about="Each circuit’s own wires laid together: D = 1.2 √(Σ d²).">
      <table className="w-full border-collapse">
        <thead>
          <tr>
            <th scope="col">Circuit</th>
            <th scope="col" className="text-right">
              Wires
            </th>
            <th scope="col" className="text-right">
              Thick
            </th>
            <th scope="col" className="text-right">
              Sleeve, grommet
            </th>
          </tr>
        </thead>
        <tbody>
          {list.bundles.map((b) => (
            <tr key={b.owner} className="border-t border-hair">
              <td className="py-0.5">{b.owner}</td>
              <td className="num text-right">{b.wires}</td>
              <td className="num text-right">{fineText(b.diameterM * 1000, units)}</td>
              <td className="num text-right">
                {b.sleeveMm === null ? "part it in two" : fineText(b.sleeveMm, units)}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </Section>
  );
});

/** What is cut, how it comes off the spools, and how thick it lies. */
export function CutListPage() {
  const { units } = useCurrentUser().preferences;
  const [spoolM, setSpoolM] = useState(SPOOL_M);
  const list = useOfJob(useCallback((job: Job) => planner().cutList(job, spoolM), [spoolM]));
  if (!list) return <Loading what="the cut list" />;
  if (list.lines.length === 0) {
    return <Empty title="Nothing to cut yet">Circuits are added at stage 3.</Empty>;
  }
  return (
    <>
      <Wires list={list} units={units} />
      <div className="grid grid-cols-1 gap-x-10 lg:grid-cols-[minmax(0,7fr)_minmax(0,4fr)]">
        <Spools list={list} spoolM={spoolM} setSpoolM={setSpoolM} />
        <Bundles list={list} />
      </div>
    </>
  );
}
