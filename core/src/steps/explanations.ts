import type { OperationName, OperationTypes } from '../operations';
import { explainDensity, explainDewPoint } from './air';
import { explainAssembly } from './assembly';
import { explainYorkRegression, explainMultiPoint, explainSinglePoint } from './airtightness';
import {
  explainBudget,
  explainUncertaintyPropagation,
  explainStageComparison,
  explainZone,
} from './house-leakage';
import {
  explainBags,
  explainBattCompression,
  explainCoverage,
  explainDensitySamples,
  explainDepth,
  explainDepthMap,
  explainGrade,
  explainHybridFill,
  explainMassPerArea,
  explainSampling,
} from './insulation';
import {
  explainAirSpace,
  explainCarbon,
  explainGround,
  explainMixedFrame,
  explainPayback,
} from './build-ups';
import { explainDegreeDays } from './climate';
import { explainBatts, explainFixing, explainJoints, explainPacks, explainSheet } from './take-off';
import { explainCavityFill, explainDefectPrices } from './defects';
import { explainDryAndDamp, explainInterfaces, explainMonthly } from './moisture';
import { explainHoldPoints } from './calendar';
import { explainJudgement } from './penetrations';
import { explainPlanSizes } from './plan';
import type { Step } from './step';
import {
  explainDesignHeatLoad,
  explainDoubleFrames,
  explainHouse,
  explainISection,
  explainRequirements,
  explainStudLayout,
} from './thermal';
import { explainIndoorYear, explainVapourPlan } from './vapour';
import { explainInfiltration, explainRequirement } from './ventilation';
import { explainAgreement, explainRegions } from './seen';
import { explainPathToTarget, explainTrace, explainVoids } from './whole-house';

type Explanations = {
  readonly [Name in OperationName]: (
    input: OperationTypes[Name]['input'],
    output: OperationTypes[Name]['output'],
  ) => readonly Step[];
};

const explanations: Explanations = {
  'air.density': explainDensity,
  'air.dewPoint': explainDewPoint,
  'airtightness.multiPoint': explainMultiPoint,
  'airtightness.singlePoint': explainSinglePoint,
  'airtightness.yorkRegression': explainYorkRegression,
  'airtightness.uncertaintyPropagation': explainUncertaintyPropagation,
  'airtightness.budget': explainBudget,
  'airtightness.stageComparison': explainStageComparison,
  'airtightness.zone': explainZone,
  'ventilation.infiltration': explainInfiltration,
  'ventilation.requirement': explainRequirement,
  'thermal.assembly': explainAssembly,
  'thermal.house': explainHouse,
  'thermal.requirements': explainRequirements,
  'thermal.designHeatLoad': explainDesignHeatLoad,
  'thermal.iSection': explainISection,
  'thermal.doubleFrames': explainDoubleFrames,
  'thermal.studLayout': explainStudLayout,
  'insulation.grade': explainGrade,
  'insulation.sampling': explainSampling,
  'insulation.battCompression': explainBattCompression,
  'insulation.densitySamples': explainDensitySamples,
  'insulation.massPerArea': explainMassPerArea,
  'insulation.bags': explainBags,
  'insulation.coverage': explainCoverage,
  'insulation.depth': explainDepth,
  'insulation.depthMap': explainDepthMap,
  'insulation.hybridFill': explainHybridFill,
  'moisture.interfaces': explainInterfaces,
  'moisture.monthly': explainMonthly,
  'moisture.dryAndDamp': explainDryAndDamp,
  'continuity.trace': explainTrace,
  'pathToTarget.evaluate': explainPathToTarget,
  'photo.voids': explainVoids,
  'photo.regions': explainRegions,
  'training.agreement': explainAgreement,
  'climate.degreeDays': explainDegreeDays,
  'thermal.airSpace': explainAirSpace,
  'thermal.ground': explainGround,
  'thermal.mixedFrame': explainMixedFrame,
  'thermal.carbon': explainCarbon,
  'thermal.payback': explainPayback,
  'takeOff.packs': explainPacks,
  'takeOff.batts': explainBatts,
  'takeOff.sheet': explainSheet,
  'takeOff.joint': explainJoints,
  'takeOff.fixing': explainFixing,
  'insulation.cavityFill': explainCavityFill,
  'insulation.defectPrices': explainDefectPrices,
  'moisture.indoorYear': explainIndoorYear,
  'moisture.vapourPlan': explainVapourPlan,
  'plan.sizes': explainPlanSizes,
  'calendar.holdPoints': explainHoldPoints,
  'penetration.judge': explainJudgement,
};

/**
 * The steps from an operation's input to its output, written so that they can be done again by hand.
 * @param input as it passed the operation's schema
 */
export function stepsOf<Name extends OperationName>(
  name: Name,
  input: OperationTypes[Name]['input'],
  output: OperationTypes[Name]['output'],
): readonly Step[] {
  return explanations[name](input, output);
}
