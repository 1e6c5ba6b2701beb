import { Outlet } from "react-router";
import { useCanEdit } from "../base/session.ts";
import { Tab } from "../ui/page/Tab.tsx";
import { useJob } from "../job/store/jobStore.ts";

const PARTS = [
  ["strip", "Take apart"],
  ["route", "Route"],
  ["cut", "Cut list"],
  ["holes", "Holes"],
  ["lamps", "Lamps in place"],
  ["adhesive", "Adhesive"],
] as const;

/** At the lift: what comes off, where wires run, what is cut, drilled, mounted and stuck. */
export function FitLayout() {
  const canEdit = useCanEdit();
  const { card, vehicle } = useJob();
  return (
    <div className="mx-auto w-full max-w-7xl p-4 pt-2">
      <p className="mb-2 hidden print:block">
        <b>{card.title}</b>, {vehicle.model}
        {vehicle.machine !== "" && `, ${vehicle.machine}`}
      </p>
      <nav
        aria-label="Parts of fitting"
        className="no-print mb-3 flex gap-x-4 max-md:overflow-x-auto md:flex-wrap"
      >
        {PARTS.map(([to, words]) => (
          <Tab key={to} to={to}>
            {words}
          </Tab>
        ))}
      </nav>
      <fieldset disabled={!canEdit} className="min-w-0">
        <legend className="sr-only">Fit</legend>
        <Outlet />
      </fieldset>
    </div>
  );
}
