/** Loose fill over an attic, thin at its eaves. */
export const depthMapExample = {
  kind: 'looseFill',
  widthM: 9,
  heightM: 5,
  readings: [
    { xM: 1, yM: 1, depthM: 0.37 },
    { xM: 4.5, yM: 2.5, depthM: 0.4 },
    { xM: 8, yM: 4, depthM: 0.38 },
    { xM: 8.6, yM: 0.4, depthM: 0.21 },
    { xM: 2, yM: 4.4, depthM: 0.36 },
  ],
  conductivityWmK: 0.04,
  specifiedDepthM: 0.36,
  restRsi: 0.4,
  settlingFraction: 0.12,
} as const;
