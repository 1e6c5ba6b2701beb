import { chargingCurve } from "./chargingCurve.ts";
import { placeAsks } from "./placeAsks.ts";
import { blockTapped } from "./blockTapped.ts";
import { ledStrips } from "./ledStrips.ts";
import { stringSpread } from "./stringSpread.ts";
import { bodyGround } from "./bodyGround.ts";
import { boxFits } from "./boxFits.ts";
import { converterFits } from "./converterFits.ts";
import { packFacts } from "./packFacts.ts";
import { packWiring } from "./packWiring.ts";
import { polesTooFew } from "./polesTooFew.ts";
import { chargingShort } from "./chargingShort.ts";
import { coilDiodeReversed } from "./coilDiodeReversed.ts";
import { contactOverRating } from "./contactOverRating.ts";
import { dropOverTarget } from "./dropOverTarget.ts";
import type { Rule } from "./finding.ts";
import { routeFits } from "./routeFits.ts";
import { ledgerOpen } from "./ledgerOpen.ts";
import { lampsInPlace } from "./lampsInPlace.ts";
import { holesOnPanel } from "./holesOnPanel.ts";
import { bondNotYet } from "./bondNotYet.ts";
import { fuseAboveWeakest } from "./fuseAboveWeakest.ts";
import { fuseBelowDraw } from "./fuseBelowDraw.ts";
import { fuseFarFromBattery } from "./fuseFarFromBattery.ts";
import { kitPartMissing } from "./kitPartMissing.ts";
import { lampVolts } from "./lampVolts.ts";
import { loadOnIgnition } from "./loadOnIgnition.ts";
import { notBuildable } from "./notBuildable.ts";
import { ownBatteryShort } from "./ownBatteryShort.ts";
import { parkedDraw } from "./parkedDraw.ts";
import { relayMissing } from "./relayMissing.ts";
import { smallFuseUpstream } from "./smallFuseUpstream.ts";
import { switchOverRating } from "./switchOverRating.ts";
import { alternatingFeed } from "./alternatingFeed.ts";
import { flashRate } from "./flashRate.ts";
import { flasherBypassed } from "./flasherBypassed.ts";
import { harnessFits } from "./harnessFits.ts";
import { ingressFits } from "./ingressFits.ts";
import { momentaryHolds } from "./momentaryHolds.ts";
import { monitorSees } from "./monitorSees.ts";
import { tapOverLimit } from "./tapOverLimit.ts";
import { voltsOverRating } from "./voltsOverRating.ts";
import { wiredOtherwise } from "./wiredOtherwise.ts";

/** Every rule, in the order their findings are told within a severity. */
export const RULES: readonly Rule[] = [
  notBuildable,
  wiredOtherwise,
  fuseFarFromBattery,
  fuseAboveWeakest,
  fuseBelowDraw,
  loadOnIgnition,
  smallFuseUpstream,
  tapOverLimit,
  flasherBypassed,
  flashRate,
  harnessFits,
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
  placeAsks,
  kitPartMissing,
  bondNotYet,
  holesOnPanel,
  lampsInPlace,
  ledgerOpen,
  routeFits,
];
