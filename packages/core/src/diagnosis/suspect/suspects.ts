import type { Circuit, Element } from "../../circuit/index.ts";
import { chafePlaces, routeOf } from "../../fit/index.ts";
import { ownerName, type ElementId, type Job, type CircuitId } from "../../job/index.ts";
import { groupsOf, partOf, type FaultChange, type CircuitGroup } from "../../proof/index.ts";
import { insideOf, type FaultKind } from "../../unit/index.ts";
import {
  CHAFE_PLACE_FACTOR,
  FACTS_SHARE,
  FAULT_WEIGHT,
  OTHER_SHARE,
  SOUND_SHARE,
} from "./priors.ts";

interface Named {
  readonly id: string;
  readonly words: string;
  /** Likelihood before anything was looked at; all of a group together are 1. */
  readonly prior: number;
}

/** One fault, or several at once, as a change of the network. */
export interface FaultSuspect extends Named {
  readonly kind: "fault";
  readonly fault: FaultKind;
  readonly runId: CircuitId;
  readonly elementIds: readonly ElementId[];
  readonly changes: readonly FaultChange[];
}

interface Sound extends Named {
  readonly kind: "sound";
}
/** The vehicle or a part is not what was said of it. */
interface OtherFacts extends Named {
  readonly kind: "facts";
}
interface Other extends Named {
  readonly kind: "other";
}

/** What may be the case: all as built, a fault, or something that is not on the list. */
export type Suspect = FaultSuspect | Sound | OtherFacts | Other;

/** Runs that can trouble each other, with all that can be wrong with them. */
export interface TestGroup {
  readonly group: CircuitGroup;
  readonly circuit: Circuit;
  readonly suspects: readonly Suspect[];
}

const faultsOf = (job: Job, circuit: Circuit, element: Element): FaultSuspect[] =>
  insideOf(element)
    .faults(element, circuit)
    .map((spec): FaultSuspect => ({
      kind: "fault",
      id: `${element.id}:${spec.kind}`,
      words: `${ownerName(job, element.runId)}: ${spec.words}`,
      prior: FAULT_WEIGHT[spec.kind],
      fault: spec.kind,
      runId: element.runId,
      elementIds: [element.id],
      changes: [spec],
    }));

/** The suspects of a part of a circuit, their priors adding up to 1. */
function suspectsOf(job: Job, whole: Circuit, part: Circuit): Suspect[] {
  const route = routeOf(job, whole);
  const faults = [...part.elements.values()]
    .flatMap((element) => faultsOf(job, part, element))
    .map((fault) => {
      const [elementId] = fault.elementIds;
      const exposed =
        elementId !== undefined &&
        ["chafed", "open"].includes(fault.fault) &&
        chafePlaces(job, route, elementId).length > 0;
      return exposed ? { ...fault, prior: fault.prior * CHAFE_PLACE_FACTOR } : fault;
    });
  const total = faults.reduce((sum, fault) => sum + fault.prior, 0);
  const share = 1 - SOUND_SHARE - FACTS_SHARE - OTHER_SHARE;
  return [
    { kind: "sound", id: "sound", words: "as built", prior: SOUND_SHARE },
    ...faults.map((fault) => ({ ...fault, prior: (share * fault.prior) / total })),
    {
      ...{ kind: "facts" as const, id: "facts", prior: FACTS_SHARE },
      words: "the vehicle or a part is not as stated",
    },
    {
      ...{ kind: "other" as const, id: "other", prior: OTHER_SHARE },
      words: "something that is not on this list",
    },
  ];
}

/** The groups of a job, each with its suspects. Groups share nothing, so each is tested alone. */
export function testGroups(job: Job, circuit: Circuit): TestGroup[] {
  return groupsOf(job, circuit).map((group) => {
    const part = partOf(circuit, group.runs);
    return { group, circuit: part, suspects: suspectsOf(job, circuit, part) };
  });
}
