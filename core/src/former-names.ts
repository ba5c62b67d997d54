/** What operations were called in the version before; they answer to it until the next one. */
export const FORMER_NAMES: Readonly<Record<string, string>> = {
  'airtightness.bothAxes': 'airtightness.yorkRegression',
  'airtightness.carriedUncertainty': 'airtightness.uncertaintyPropagation',
};
