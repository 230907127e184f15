/** Six coefficients k1 to k6 of the relative efficiency of crystalline silicon. Source: Huld et al., 2011, A power-rating model for crystalline silicon PV modules, table 2. */
export const HULD_CRYSTALLINE_SI = [-0.017237, -0.040465, -0.004702, 0.000149, 0.00017, 0.000005] as const;
export type HuldCoefficients = readonly [number, number, number, number, number, number];

/**
 * Efficiency relative to standard test conditions at an irradiance, W/m2, and a cell temperature, C; 0 without light.
 * Source: Huld et al., 2011, eq. 5.
 */
export function huldEfficiency(irradianceWm2: number, cellTempC: number, k: HuldCoefficients): number {
  if (irradianceWm2 <= 0) return 0;
  const log = Math.log(irradianceWm2 / 1000);
  const warmer = cellTempC - 25;
  return Math.max(0, 1 + log * (k[0] + k[1] * log) + warmer * (k[2] + log * (k[3] + k[4] * log) + k[5] * warmer));
}

/** The low-light part alone (25 C), which goes with the datasheet's own temperature coefficient. */
export const lowLightFactor = (irradianceWm2: number): number => huldEfficiency(irradianceWm2, 25, HULD_CRYSTALLINE_SI);
