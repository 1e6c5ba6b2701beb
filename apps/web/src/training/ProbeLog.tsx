import { decimal } from "@dragonet/core";
import type { ShownProbe } from "../worker/training.ts";
import { VERDICT_WORDS } from "./words.ts";

/** What a probe tells, in bits: one parts what may be wrong in two halves. */
const bitsWord = (bits: number): string => {
  const said = decimal(bits, 1);
  return `${said} ${said === "1" ? "bit" : "bits"}`;
};

function Worth({ probe }: { probe: ShownProbe }) {
  const { verdict, bits, best, bestBits } = probe;
  if (verdict === "good") return <>It could tell {bitsWord(bits)}.</>;
  const told =
    verdict === "wasted" ? "It could tell nothing more." : `It could tell ${bitsWord(bits)}.`;
  return (
    <>
      {told}
      {best !== "" && ` More for its minutes: ${best} (${bitsWord(bestBits)}).`}
    </>
  );
}

/** Every probe so far, what it read, and what it was worth before anybody knew. */
export function ProbeLog({ probes }: { probes: readonly ShownProbe[] }) {
  const minutes = probes.reduce((sum, p) => sum + p.minutes, 0);
  return (
    <div aria-live="polite">
      <h3 className="mt-2 font-bold">
        {probes.length === 0 ? "Nothing tried yet" : `${decimal(minutes, 1)} min so far`}
      </h3>
      <ol>
        {probes.map((probe, i) => (
          <li key={i} className="border-t border-hair py-1.5">
            <span className="flex flex-wrap items-baseline gap-x-3">
              <span className="min-w-48 flex-1">{probe.words}</span>
              <b className="num">{probe.reading}</b>
              <span className={probe.off ? "border-l-4 border-ink pl-2 font-bold" : "text-muted"}>
                {probe.off ? "off" : "as it should be"}
              </span>
              <span className="w-16 font-bold">{VERDICT_WORDS[probe.verdict]}</span>
            </span>
            <span className="block text-small text-muted">
              With {probe.controls}; as built {probe.expected}. <Worth probe={probe} />
            </span>
          </li>
        ))}
      </ol>
    </div>
  );
}
