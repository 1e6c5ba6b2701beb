import { drillPlan, type PlacedHole, type Template } from "@dragonet/core";
import { useUnits } from "../../base/session.ts";

/** What to do for one hole, in order. */
export function DrillPlan({ placed, template }: { placed: PlacedHole; template: Template }) {
  return (
    <ol className="list-decimal pl-5">
      {drillPlan(placed, template, useUnits()).map((line) => (
        <li key={line}>{line}</li>
      ))}
    </ol>
  );
}
