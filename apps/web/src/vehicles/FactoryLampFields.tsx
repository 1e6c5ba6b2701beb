import { FACTORY_LAMPS, LAMP_WORK_WORDS } from "@dragonet/core";
import { Choice } from "../ui/forms/Choice.tsx";
import { Section } from "../ui/page/Section.tsx";
import type { VehicleEditing } from "./editing.ts";

const UNCOUNTED = "uncounted";
const COUNTS = [
  { value: UNCOUNTED, label: "not counted" },
  ...[0, 1, 2, 3, 4].map((n) => ({ value: String(n), label: n === 0 ? "none" : String(n) })),
];

/** What it left the factory with: whether it rides home by night hangs on it, and what a place allows. */
export function FactoryLampFields({ job, edit, canEdit }: VehicleEditing) {
  const counts = job.vehicle.factoryLamps;
  return (
    <Section
      title="Lamps it left the factory with"
      about="Counted on the machine. A lamp that a job replaces is taken off by itself."
    >
      <ul className="flex flex-wrap gap-x-5 gap-y-2">
        {FACTORY_LAMPS.map((work) => {
          const words = `${LAMP_WORK_WORDS[work]}s`;
          return (
            <li key={work} className="inline-flex items-center gap-2">
              <span>{words}</span>
              <Choice
                label={`Factory ${words}`}
                value={counts[work] === null ? UNCOUNTED : String(counts[work])}
                disabled={!canEdit}
                className="w-32"
                options={COUNTS}
                onChange={(value) => {
                  const count = value === UNCOUNTED ? null : Number(value);
                  edit([{ kind: "setOnce", entity: "factoryLamps", field: work, value: count }]);
                }}
              />
            </li>
          );
        })}
      </ul>
    </Section>
  );
}
