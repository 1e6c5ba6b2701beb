import { chargingCurve } from "./source/chargingCurve.ts";
import { placeAsks } from "./placeAsks.ts";
import { blockTapped } from "./fuse/blockTapped.ts";
import { ledStrips } from "./light/ledStrips.ts";
import { stringSpread } from "./light/stringSpread.ts";
import { bodyGround } from "./fuse/bodyGround.ts";
import { boxFits } from "./build/boxFits.ts";
import { converterFits } from "./source/converterFits.ts";
import { packFacts } from "./source/packFacts.ts";
import { packWiring } from "./source/packWiring.ts";
import { polesTooFew } from "./contact/polesTooFew.ts";
import { chargingShort } from "./source/chargingShort.ts";
import { coilDiodeReversed } from "./contact/coilDiodeReversed.ts";
import { contactOverRating } from "./contact/contactOverRating.ts";
import { dropOverTarget } from "./light/dropOverTarget.ts";
import type { Rule } from "./finding.ts";
import { routeFits } from "./build/routeFits.ts";
import { ledgerOpen } from "./build/ledgerOpen.ts";
import { lampsInPlace } from "./light/lampsInPlace.ts";
import { holesOnPanel } from "./build/holesOnPanel.ts";
import { bondNotYet } from "./build/bondNotYet.ts";
import { fuseAboveWeakest } from "./fuse/fuseAboveWeakest.ts";
import { fuseBelowDraw } from "./fuse/fuseBelowDraw.ts";
import { fuseFarFromBattery } from "./fuse/fuseFarFromBattery.ts";
import { kitPartMissing } from "./build/kitPartMissing.ts";
import { lampVolts } from "./light/lampVolts.ts";
import { loadOnIgnition } from "./contact/loadOnIgnition.ts";
import { notBuildable } from "./build/notBuildable.ts";
import { ownBatteryShort } from "./source/ownBatteryShort.ts";
import { parkedDraw } from "./source/parkedDraw.ts";
import { radioNoise } from "./source/radioNoise.ts";
import { relayMissing } from "./contact/relayMissing.ts";
import { smallFuseUpstream } from "./fuse/smallFuseUpstream.ts";
import { switchOverRating } from "./contact/switchOverRating.ts";
import { alternatingFeed } from "./light/alternatingFeed.ts";
import { flashRate } from "./light/flashRate.ts";
import { flasherBypassed } from "./light/flasherBypassed.ts";
import { harnessFits } from "./build/harnessFits.ts";
import { harnessJoints } from "./build/harnessJoints.ts";
import { ingressFits } from "./build/ingressFits.ts";
import { momentaryHolds } from "./contact/momentaryHolds.ts";
import { monitorSees } from "./light/monitorSees.ts";
import { tapOverLimit } from "./fuse/tapOverLimit.ts";
import { voltsOverRating } from "./contact/voltsOverRating.ts";
import { shortCircuit } from "./fuse/shortCircuit.ts";
import { unfusedWire } from "./fuse/unfusedWire.ts";
import { terminalTakes } from "./build/terminalTakes.ts";
import { wiredOtherwise } from "./build/wiredOtherwise.ts";

/** Every rule, in the order their findings are told within a severity. */
export const RULES: readonly Rule[] = [
  notBuildable,
  wiredOtherwise,
  terminalTakes,
  shortCircuit,
  unfusedWire,
  fuseFarFromBattery,
  fuseAboveWeakest,
  fuseBelowDraw,
  loadOnIgnition,
  smallFuseUpstream,
  tapOverLimit,
  flasherBypassed,
  flashRate,
  harnessFits,
  harnessJoints,
  momentaryHolds,
  alternatingFeed,
  monitorSees,
  ingressFits,
  relayMissing,
  switchOverRating,
  contactOverRating,
  voltsOverRating,
  coilDiodeReversed,
  converterFits,
  boxFits,
  bodyGround,
  polesTooFew,
  packFacts,
  packWiring,
  lampVolts,
  stringSpread,
  blockTapped,
  ledStrips,
  dropOverTarget,
  parkedDraw,
  chargingCurve,
  chargingShort,
  ownBatteryShort,
  radioNoise,
  placeAsks,
  kitPartMissing,
  bondNotYet,
  holesOnPanel,
  lampsInPlace,
  ledgerOpen,
  routeFits,
];
