export {
  intensity,
  lumensOf,
  peakCd,
  rises,
  samplerOf,
  MOST_ANGLES,
  MOST_CANDELA,
  type Direction,
  type Photometry,
  type Sampler,
} from "./photometry.ts";
export { printIes, readIes, type PhotometryRead } from "./ies.ts";
export { printLdt, readLdt } from "./ldt.ts";
export { toTypeC } from "./toTypeC.ts";
export { fitBeam, type BeamFit, type FiveReadings } from "./simpleBeam.ts";
export { isPhotometry, photometryFault } from "./angles.ts";
