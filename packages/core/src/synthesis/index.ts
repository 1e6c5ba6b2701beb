export { synthesise } from "./synthesise.ts";
export { deviationLacks } from "./deviate.ts";
export { designCurrentA, drawOf, loadsOf, standbyOf } from "./draw.ts";
export { pinText, tapsFor } from "./tap.ts";
export { COIL_FUSE_A } from "./defaults.ts";
export { feedPointOf, type FeedPoint } from "./feedPoint.ts";
export { runsOnControl } from "./kitControl.ts";
export { ownerOf } from "./decideTrunks.ts";
export { trunkV } from "./trunkVolts.ts";
