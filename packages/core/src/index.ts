/** The heart of Dragonet: pure computation on job documents. No framework, no I/O, no clock. */
export * from "./present/index.ts";
export * from "./quantity/index.ts";
export * from "./wire/index.ts";
export * from "./protection/index.ts";
export * from "./part/index.ts";
export * from "./vehicle/index.ts";
export * from "./job/index.ts";
export * from "./source/index.ts";
export * from "./circuit/index.ts";
export * from "./solve/index.ts";
export * from "./network/index.ts";
export * from "./synthesis/index.ts";
export {
  inputOf,
  insideOf,
  lookOf,
  thingOf,
  wireOhm,
  type FaultKind,
  type LaneLook,
} from "./unit/index.ts";
export * from "./budget/index.ts";
export * from "./rule/index.ts";
export * from "./proof/index.ts";
export * from "./lineDiagram/index.ts";
export * from "./plan/index.ts";
export * from "./format/index.ts";
export * from "./loom/index.ts";
export * from "./ride/index.ts";
export * from "./compare/index.ts";
export * from "./signal/index.ts";
export * from "./place/index.ts";
export * from "./outline/index.ts";
export * from "./bus/index.ts";
export { UnitSites, Ways, lengthOf, costOf, waysFrom, type MapWay } from "./way/index.ts";
export * from "./photometry/index.ts";
export * from "./money/index.ts";
export * from "./fit/index.ts";
export * from "./aim/index.ts";
export * from "./handover/index.ts";
export * from "./knowledge/index.ts";
export * from "./quote/index.ts";
export * from "./invoice/index.ts";
export * from "./figures/index.ts";
export * from "./schedule/index.ts";
export * from "./sentence/index.ts";
export * from "./sync/index.ts";
export * from "./diagnosis/index.ts";
export * from "./training/index.ts";
