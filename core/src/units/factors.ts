/** Exact or standard factors between imperial and SI units. */
export const METRES_PER_FOOT = 0.3048;
export const METRES_PER_INCH = 0.0254;
/** One cubic foot a minute in m³/h. */
export const M3H_PER_CFM = METRES_PER_FOOT ** 3 * 60;
/** One litre a second in m³/h. */
export const M3H_PER_LITRE_SECOND = 3.6;
/** One h·ft²·°F/Btu in m²·K/W. */
export const RSI_PER_R = 0.1761101838;
/** One pound in kilograms. */
export const KG_PER_POUND = 0.45359237;
/** One lb/ft³ in kg/m³. */
export const KGM3_PER_LBFT3 = 16.01846337;
/** One US perm in ng/(s·m²·Pa). */
export const NG_PER_PERM = 57.2135;
/** One Btu/(h·°F) in W/K. */
export const WK_PER_BTUHF = 0.5275279;
