/** Of copper at 20 C, ohm mm2/m, and its relative rise a kelvin. Source: IEC 60228; IEC 60028, resistivity of standard annealed copper. */
export const COPPER_OHM_MM2_PER_M = 0.017241;
export const COPPER_PER_K = 0.00393;

export interface Cable {
  readonly oneWayLengthM: number;
  readonly areaMm2: number;
  readonly conductorTempC: number;
  readonly currentA: number;
  readonly voltageV: number;
}

export interface CableLoss {
  readonly loopResistanceOhm: number;
  readonly dropV: number;
  readonly lossW: number;
  readonly lossFrac: number;
}

/** Voltage drop and loss of a two-wire cable there and back. Source: Ohm's law; IEC 60228. */
export function cableLoss(cable: Cable): CableLoss {
  const resistivity = COPPER_OHM_MM2_PER_M * (1 + COPPER_PER_K * (cable.conductorTempC - 20));
  const loopResistanceOhm = (2 * cable.oneWayLengthM * resistivity) / cable.areaMm2;
  const dropV = cable.currentA * loopResistanceOhm;
  return { loopResistanceOhm, dropV, lossW: cable.currentA * dropV, lossFrac: dropV / cable.voltageV };
}
