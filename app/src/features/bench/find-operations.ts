import type { OperationName } from '@calvet/core/operations';
import { CATALOGUE, SHELVES, type Shelf } from './catalogue';

/** What else people call what an operation is about: abbreviations, the words of both unit worlds, and what they fear. */
export const ALSO_CALLED: Readonly<Record<OperationName, string>> = {
  'insulation.bags': 'dense pack, cellulose, blown-in, loose fill, bag count, density, coverage',
  'insulation.coverage':
    'coverage chart, settled thickness, attic, loft, cellulose, blown-in, loose fill, R-value',
  'insulation.battCompression':
    'squeezed, compression, fiberglass, fibreglass, mineral wool, rock wool, R-value',
  'insulation.densitySamples':
    'core sample, spray foam, SPF, closed cell, open cell, dense pack, cellulose, pcf',
  'insulation.massPerArea': 'weight per square foot, core sample, blown-in, loose fill, attic, loft',
  'insulation.depth': 'thickness, spray foam, SPF, settling, attic, loft, R-value, probe',
  'insulation.hybridFill': 'flash and batt, spray foam, closed cell, condensation, mould, mold',
  'insulation.grade':
    'installation quality, workmanship, gaps, voids, compression, grade 1, grade 2, grade 3',
  'insulation.sampling': 'sample size, how many, spot check, confidence, grade',
  'air.dewPoint': 'relative humidity, RH, condensation, mould, mold, dampness',
  'moisture.interfaces':
    'surface temperature, condensing plane, sheathing, mould, mold, dew point, ISO 13788',
  'moisture.monthly':
    'interstitial condensation, vapour diffusion, vapor barrier, perm, mould, mold, ISO 13788',
  'moisture.dryAndDamp': 'smart membrane, variable, vapour retarder, vapor retarder, perm, mould, mold',
  'air.density': 'altitude, barometric pressure, viscosity, humidity',
  'ventilation.requirement': 'fresh air, MVHR, HRV, ERV, whole-house fan, extract, supply, cfm',
  'ventilation.infiltration': 'air leakage, natural ventilation, ACH, natural air change, wind, stack effect',
  'thermal.assembly':
    'R-value, U-value, RSI, effective R, clear wall, whole wall, thermal bridge, studs, ISO 6946',
  'thermal.studLayout': 'framing factor, advanced framing, timber fraction, studs, lumber, 2x4, 2x6',
  'thermal.doubleFrames': 'double stud, staggered stud, service cavity, twin wall, thermal bridge',
  'thermal.iSection': 'I-joist, web, flange, thermal bridge',
  'thermal.house': 'UA, transmission, heat transfer coefficient, psi value, thermal bridge, junction',
  'thermal.requirements':
    'code compliance, building regulations, U-value limit, R-value minimum, trade-off, UA',
  'thermal.designHeatLoad': 'heating load, sizing, Btu, kW, boiler, furnace, heat pump, peak',
  'airtightness.multiPoint':
    'blower door, fan pressurisation, fan pressurization, ACH50, CFM50, n50, q50, air permeability, ISO 9972, ASTM E779, leakage curve',
  'airtightness.singlePoint': 'blower door, one point, quick test, ACH50, CFM50, n50, q50',
  'airtightness.yorkRegression': 'blower door, windy, gusts, uncertainty, ACH50, CFM50, weighted fit',
  'airtightness.budget': 'target, limit, ACH50, CFM50, n50, pass, fail, hole, ELA, EqLA',
  'airtightness.uncertaintyPropagation': 'error, tolerance, volume, accuracy, ACH50, n50, blower door',
  'airtightness.stageComparison': 'before and after, change, retest, blower door, difference',
  'airtightness.zone':
    'zone pressure, ZPD, attic, garage, crawl space, pressure pan, series leakage, blower door',
  'continuity.trace': 'air barrier, red line, penetrations, junctions, sealed, membrane, air sealing',
  'pathToTarget.evaluate': 'air sealing, optimise, priorities, what to seal first, cheapest, ACH50, target',
  'photo.voids': 'picture, camera, measure, gaps, area, cavity',
};

/** Small letters and figures alone: `R-Value` and `r value` are one. */
function folded(text: string): string {
  return text
    .normalize('NFKD')
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, ' ')
    .trim();
}

const joined = (text: string): string => folded(text).replaceAll(' ', '');

/** True where every word that was typed is found, or all of them written as one. */
function answers(wanted: string, text: string): boolean {
  const words = folded(wanted).split(' ');
  const all = ` ${folded(text)}`;
  return words.every((word) => all.includes(word)) || joined(text).includes(joined(wanted));
}

/** What can be worked out that goes by these words, shelf by shelf; everything where nothing was typed. */
export function shelvesFor(wanted: string): readonly Shelf[] {
  return SHELVES.map(({ title, names }) => ({
    title,
    names: names.filter((name) => {
      const { title: own, tells } = CATALOGUE[name];
      return answers(wanted, `${title}, ${own}, ${tells}, ${ALSO_CALLED[name]}`);
    }),
  })).filter(({ names }) => names.length > 0);
}
