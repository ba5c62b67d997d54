/**
 * Saturation vapour pressure over water (θ ≥ 0 °C) or ice (θ < 0 °C), Pa.
 * ISO 13788, annex E.
 * @example saturationPressurePa(20) // 2337.0
 */
export function saturationPressurePa(temperatureC: number): number {
  return temperatureC >= 0
    ? 610.5 * Math.exp((17.269 * temperatureC) / (237.3 + temperatureC))
    : 610.5 * Math.exp((21.875 * temperatureC) / (265.5 + temperatureC));
}

/**
 * Temperature at which air of this vapour pressure is saturated, °C: the inverse of {@link saturationPressurePa}.
 * ISO 13788, annex E. The pressure must be above 0 Pa.
 * @example temperatureAtSaturationC(1168.5) // 9.27
 */
export function temperatureAtSaturationC(vapourPressurePa: number): number {
  const logRatio = Math.log(vapourPressurePa / 610.5);
  return logRatio >= 0 ? (237.3 * logRatio) / (17.269 - logRatio) : (265.5 * logRatio) / (21.875 - logRatio);
}
