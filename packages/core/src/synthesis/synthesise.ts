import { rootV, type Circuit } from "../circuit/index.ts";
import { onceOfJob, type Job } from "../job/index.ts";
import { restVolts } from "../source/index.ts";
import { decide, withBrakesApart, type Decided } from "./decide/decide.ts";
import { ownerOf } from "./decide/decideFeeders.ts";
import { deviate } from "./deviate.ts";
import { supplyInputA } from "./draw/trunkDraw.ts";
import { layOut, type LaidOut } from "./layOut/layOut.ts";
import { chooseWires, type ChosenWires } from "./wire/chooseWires.ts";
import { namingsOf } from "./wire/namings.ts";
import { coloursOf, nameWires } from "./wire/nameWires.ts";
import { routeWires, type RoutedWires } from "./wire/routeWires.ts";
import { sizeWires, type Sized } from "./wire/size.ts";
import { groupsOf } from "./wire/wireGroups.ts";

/** Everything that the sizes rest on: what is carried, behind what, through which stretches. */
function size(
  job: Job,
  decided: Decided,
  { runs, feeders, blocks, assembly }: LaidOut,
  { elements, stretches }: ChosenWires & Pick<RoutedWires, "stretches">,
): Sized {
  const rest = restVolts(job.vehicle);
  const converters = decided.supplies.filter(({ part }) => part?.kind === "converter");
  return sizeWires({
    ...{ job, runs, feeders, elements, stretches },
    units: assembly.units,
    groups: groupsOf(decided, blocks),
    inputA: new Map(
      converters.map(({ supply }) => [
        ownerOf(supply.id),
        supplyInputA(job, decided.plans, supply).mid,
      ]),
    ),
    voltsOf: (source) => rootV("feedRoot" in source ? source.feedRoot : source.root, rest),
  });
}

function synthesiseJob(given: Job): Circuit {
  const job = withBrakesApart(given);
  const decided = decide(job);
  const laidOut = layOut(job, decided);
  const { assembly, runs, feeders } = laidOut;
  const { elements, stretches } = routeWires(job, assembly.units, assembly.elements);
  const chosen = chooseWires(job, elements);
  const sized = size(job, decided, laidOut, { ...chosen, stretches });
  return deviate(job, {
    units: assembly.units,
    posts: assembly.posts,
    elements: nameWires(sized.elements, namingsOf(job, laidOut), coloursOf(job)),
    runs,
    feeders,
    choices: [...decided.choices, ...laidOut.choices, ...sized.choices],
    gaps: [...decided.gaps, ...laidOut.gaps, ...chosen.gaps],
  });
}

/**
 * From circuits as they were said to what can be built, in five passes, each a pure function of
 * what those before it answered: decide, lay out units and wires, route them over the vehicle's
 * map, size, name. With a reason for every part picked. Pure and deterministic: the same job
 * gives the same circuit. What cannot be built is listed in `gaps` and never left out in silence.
 */
export const synthesise = onceOfJob(synthesiseJob);
