import type { Element, SynthesisIssue } from "../../circuit/index.ts";
import { asId, type ElementId, type Job, ownerOfElement } from "../../job/index.ts";

/** Wires as somebody has said that they are, and what was said of wires that are not there. */
export interface ChosenWires {
  readonly elements: ReadonlyMap<ElementId, Element>;
  readonly gaps: readonly SynthesisIssue[];
}

/**
 * Gives single wires what was said about them: the harness that they come in, their size, their
 * own length. A wire of a harness has no size to be chosen; the way it has to bridge is kept
 * beside its length, so that one too short is told.
 */
export function chooseWires(job: Job, elements: ReadonlyMap<ElementId, Element>): ChosenWires {
  if (job.wireChoices.length === 0) return { elements, gaps: [] };
  const names = new Map(job.harnesses.map((h) => [h.id as string, h.name]));
  const changed = new Map(elements);
  const gaps: SynthesisIssue[] = [];
  for (const choice of job.wireChoices) {
    const id = asId<ElementId>(choice.wire);
    const wire = elements.get(id);
    if (wire?.kind !== "wire") {
      const what =
        choice.harnessId === "" ? choice.wire : `${names.get(choice.harnessId)}: ${choice.wire}`;
      const detail = `${what} is not among the wires of this job: it ends nowhere`;
      gaps.push({ runId: asId(ownerOfElement(choice.wire)), kind: "wireNowhere", detail });
      continue;
    }
    const sized = choice.gaugeId !== "";
    changed.set(id, {
      ...wire,
      harness:
        choice.harnessId === "" ? wire.harness : (names.get(choice.harnessId) ?? wire.harness),
      harnessId: choice.harnessId,
      gaugeId: sized ? choice.gaugeId : wire.gaugeId,
      group: sized ? "" : wire.group,
      lengthM: choice.lengthM ?? wire.lengthM,
      bridgesM: choice.lengthM ? wire.lengthM : wire.bridgesM,
    });
  }
  return { elements: changed, gaps };
}
