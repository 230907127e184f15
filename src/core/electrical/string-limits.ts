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

/** Voltage of a string on the coldest morning and in the heat, and how many modules fit between the two limits. Source: IEC 62548-1:2023, Photovoltaic (PV) arrays: design requirements. */
export function stringLimits(input: StringLimitsIn): StringLimits {
  const cold = input.vocStcV * (1 + input.betaVocPerK * (input.recordLowCellTempC - 25));
  const hot = input.vmpStcV * (1 + input.vmpCoeffPerK * (input.hotCellTempC - 25));
  return {
    stringVocColdV: input.modulesInSeries * cold,
    stringVmpHotV: input.modulesInSeries * hot,
    maxModules: Math.floor(input.maxSystemV / cold),
    minModules: Math.ceil(input.mpptMinV / hot),
  };
}
