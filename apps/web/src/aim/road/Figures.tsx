import { andHigh, decimal, lengthText, setIn, withHighOnly, type CircuitId } from "@dragonet/core";
import { useCanEdit, useCurrentUser } from "../../base/session.ts";
import { useEdit, useJob } from "../../job/store/jobStore.ts";
import { Button } from "../../ui/Button.tsx";
import type { LightFigures } from "../../worker/light.ts";

/** Circuits that blind while they stay lit: they may go out with the high beam. */
function DipWithHigh({ runs }: { runs: readonly CircuitId[] }) {
  const job = useJob();
  const edit = useEdit();
  const canEdit = useCanEdit();
  // Without a wire that is live with the high beam nobody can build it.
  const wired = job.vehicle.pins.some((pin) => pin.liveWhen === "high");
  const asked = job.runs.filter((run) => runs.includes(run.id) && !withHighOnly(run.condition));
  if (!wired || !canEdit || asked.length === 0) return null;
  return (
    <li className="flex flex-wrap items-baseline gap-x-3">
      Where they go out with the high beam, nobody oncoming has to bear them:
      {asked.map((run) => (
        <Button
          key={run.id}
          look="quiet"
          onClick={() => edit([setIn("run", run.id, "condition", andHigh(run.condition))])}
        >
          {run.name} with the high beam only
        </Button>
      ))}
    </li>
  );
}

/** What the light comes to, in a line each. */
export function Figures({ figures, runs }: { figures: LightFigures; runs: readonly CircuitId[] }) {
  const job = useJob();
  const { units } = useCurrentUser().preferences;
  const { glareCd, darkPlace } = job.aiming;
  const m = (metres: number): string => lengthText(Math.round(metres), units);
  const worst = Math.max(0, ...figures.glare.map(({ cd }) => cd));
  return (
    <ul className="py-1">
      <li>
        Somebody in grey gets {figures.seenLux} lx{" "}
        {figures.seeingM > 0 ? (
          <>
            as far as <b>{m(figures.seeingM)}</b>
          </>
        ) : (
          "nowhere ahead"
        )}
      </li>
      <li>
        At {m(10)} the ground is lit{" "}
        {figures.spread ? <b>{m(figures.spread[1] - figures.spread[0])} wide</b> : "nowhere"};{" "}
        {decimal(100 * figures.spillShare, 0)} % of the light goes above level
        {figures.overlap !== null &&
          `; left and right share ${decimal(100 * figures.overlap, 0)} % of what they light`}
      </li>
      <li>
        {figures.dipped === 0 ? (
          "All of it goes out with the high beam: nobody oncoming is asked to bear it"
        ) : (
          <>
            Oncoming eyes get{" "}
            {figures.glare.map(({ eye, lux, cd }, i) => (
              <span key={eye.ahead}>
                {i > 0 && ", "}
                <b>{decimal(lux, lux < 0.1 ? 3 : lux < 1 ? 2 : 1)} lx</b> at {m(eye.ahead)} (
                {decimal(cd, 0)} cd)
              </span>
            ))}
            :{" "}
            {worst > glareCd ? (
              <b>above the {decimal(glareCd, 0)} cd they may</b>
            ) : (
              "within the limit"
            )}
          </>
        )}
      </li>
      {worst > glareCd && <DipWithHigh runs={runs} />}
      {darkPlace && figures.darkLux !== null && (
        <li>
          {darkPlace.name} gets <b>{decimal(figures.darkLux, 4)} lx</b>,{" "}
          {figures.darkLux > darkPlace.mostLux ? "above" : "within"} its {darkPlace.mostLux} lx
        </li>
      )}
    </ul>
  );
}
