export { groupsOf, type RunGroup } from "./groups.ts";
export {
  prove,
  proveGroup,
  type Cause,
  type Difference,
  type DifferenceKind,
  type Proof,
} from "./prove.ts";
export {
  faults,
  faultsOfElement,
  faultsOfRun,
  faultsOfTrunk,
  weakestPoints,
  type FaultResult,
  type RidesHome,
} from "./faults.ts";
