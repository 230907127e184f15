export interface StringLimitsIn {
  readonly modulesInSeries: number;
  readonly vocStcV: number;
  readonly vmpStcV: number;
  readonly betaVocPerK: number;
  readonly vmpCoeffPerK: number;
  readonly recordLowCellTempC: number;
  readonly hotCellTempC: number;
  readonly maxSystemV: number;
  readonly mpptMinV: number;
}

export interface StringLimits {
  readonly stringVocColdV: number;
  readonly stringVmpHotV: number;
  readonly maxModules: number;
  readonly minModules: number;
}

/** Voltage of modules in series at a cell temperature, linear from 25 C. Source: IEC 60891:2021. */
export const seriesV = (modulesInSeries: number, stcV: number, perK: number, cellTempC: number): number =>
  modulesInSeries * stcV * (1 + perK * (cellTempC - 25));

/** Voltage of a string on the coldest morning and in the heat, and how many modules fit between the two limits. Source: IEC 62548-1:2023, Photovoltaic (PV) arrays: design requirements. */
export function stringLimits(input: StringLimitsIn): StringLimits {
  const cold = seriesV(1, input.vocStcV, input.betaVocPerK, input.recordLowCellTempC);
  const hot = seriesV(1, input.vmpStcV, input.vmpCoeffPerK, input.hotCellTempC);
  return {
    stringVocColdV: input.modulesInSeries * cold,
    stringVmpHotV: input.modulesInSeries * hot,
    maxModules: Math.floor(input.maxSystemV / cold),
    minModules: Math.ceil(input.mpptMinV / hot),
  };
}
