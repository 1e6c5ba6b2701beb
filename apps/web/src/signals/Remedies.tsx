import { decimal, type FlashRemedy } from "@dragonet/core";
import { useEdit } from "../job/store/jobStore.ts";
import { Button } from "../ui/Button.tsx";
import { Section } from "../ui/page/Section.tsx";

export function Remedies({
  remedies,
  canEdit,
}: {
  remedies: readonly FlashRemedy[];
  canEdit: boolean;
}) {
  const edit = useEdit();
  const [asItIs, ...others] = remedies;
  if (!asItIs || asItIs.verdict === "" || others.length === 0) return null;
  return (
    <Section title={asItIs.verdict === "a proper flash" ? "Remedies" : "Remedies for the flash"}>
      {asItIs.sides.map((side) => (
        <p key={side.side} className="py-0.5">
          <span className="font-bold">{side.side}</span>, engine {side.running ? "running" : "off"}:{" "}
          {side.timing.why}
          {side.timing.flashes && (
            <>
              {" → "}
              <span className="num font-bold">
                {decimal(60 / (side.timing.onS + side.timing.offS), 0)}
              </span>{" "}
              a minute
            </>
          )}
        </p>
      ))}
      <ul>
        {remedies.map((r) => (
          <li
            key={r.kind}
            className="flex flex-wrap items-baseline gap-x-4 border-t border-hair py-2"
          >
            <span className="min-w-52 flex-1">
              <span className="font-bold">{r.label}</span>
              <span className="block text-small text-muted">{r.why}</span>
            </span>
            <span className="num w-32">
              {r.perMin > 0 ? `${decimal(r.perMin, 0)} a minute` : "steady"}
              <span className="block font-sans text-small">{r.verdict}</span>
            </span>
            <span className="num w-36">
              {r.litW > 0 ? `${decimal(r.litW, 1)} W lit` : "no heat"}
              {r.litW > 0 && (
                <span className="block text-small text-muted">
                  {decimal(r.heatW, 1)} W flashing
                </span>
              )}
            </span>
            <span className="num w-16 text-right">{r.money > 0 ? decimal(r.money, 2) : "–"}</span>
            <span className="w-24 text-right">
              {r.edits.length > 0 && canEdit ? (
                <Button onClick={() => edit(r.edits)}>Choose</Button>
              ) : (
                r.kind === "asItIs" && <span className="text-muted">current choice</span>
              )}
            </span>
          </li>
        ))}
      </ul>
    </Section>
  );
}
