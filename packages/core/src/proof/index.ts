export { groupsOf, partOf, type CircuitGroup } from "./groups.ts";
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
  faultSlices,
  faultsOfCircuit,
  faultsOfFeeder,
  weakestPoints,
  type FaultOutcome,
  type FaultResult,
} from "./faults.ts";
export { faultSeverity } from "./faultSeverity.ts";
export { homeWords } from "./homeWords.ts";
export { getsHome, getsHomeWords, type GetsHome, type RidesHome } from "./getsHome.ts";
export { realSources } from "./faultScope.ts";
export { withFaults, type FaultChange } from "./withFaults.ts";
