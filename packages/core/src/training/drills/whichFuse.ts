import { elementsOf } from "../../circuit/index.ts";
import { BLADE_FUSE_RATINGS_A } from "../../protection/index.ts";
import { decimal } from "../../quantity/index.ts";
import { pickOf } from "../chance.ts";
import { drillOf, type MakeDrill } from "../drill.ts";

const OPTIONS = 4;

/** A circuit of the job with what it draws: which fuse does the shop's own rule give? */
export const whichFuse: MakeDrill = ({ job, circuit, chance }) => {
  const ladder: readonly number[] = BLADE_FUSE_RATINGS_A;
  const runs = circuit.runs.flatMap((run) => {
    const said = job.runs.find((r) => r.id === run.runId);
    const [fuse] = elementsOf(circuit, run.out, "fuse").filter((f) => !f.builtIn && !f.resets);
    const reason = circuit.choices.find((c) => c.runId === run.runId && c.kind === "fuse");
    return said?.fuse.kind === "auto" && fuse && ladder.includes(fuse.ratingA) && reason
      ? [{ run, said, fuse, reason }]
      : [];
  });
  const chosen = pickOf(runs, chance);
  if (!chosen) return null;
  const { run, said, fuse, reason } = chosen;
  const at = ladder.indexOf(fuse.ratingA);
  const from = Math.max(0, Math.min(at - Math.floor(chance() * OPTIONS), ladder.length - OPTIONS));
  const options = ladder.slice(from, from + OPTIONS).map((a) => `${decimal(a)} A`);
  return drillOf(
    "whichFuse",
    `${said.name} draws ${decimal(run.drawA.mid, 1)} A, ${decimal(run.drawA.high, 1)} A at most. Which fuse?`,
    options,
    `${decimal(fuse.ratingA)} A`,
    reason.reason,
  );
};
