import { diodeAt, operatingPoint } from "../module";
import { type ArrayCurve, arrayCurve } from "./array-curve";
import type { StringModule } from "./cell-group";

export interface MixedReport extends ArrayCurve {
  /** Highest power on one input, each string on its own input, each module on its own, W. */
  readonly togetherW: number;
  readonly byStringW: number;
  readonly byModuleW: number;
  /** The rule of thumb: lowest current rules a string, lowest voltage strings side by side. */
  readonly rule: { readonly voltageV: number; readonly currentA: number; readonly powerW: number };
  /** How far the rule lies from the curve, as a share; negative where it is too gloomy. */
  readonly ruleOffFrac: number;
  /** Least power of a module over the middle one's. */
  readonly weakestOfMiddle: number;
}

/** Within the tolerance of nameplates a rule of thumb holds. Source: IEC 61215 sorting classes. */
const RULE_HOLDS_FRAC = 0.03;

/** Whether the rule of thumb says what really happens. */
export const ruleHolds = ({ ruleOffFrac }: MixedReport): boolean => Math.abs(ruleOffFrac) <= RULE_HOLDS_FRAC;

/** A mixed array at one moment: its curve, its maxima, and what each way of connecting would give. */
export function mixedReport(strings: readonly { readonly modules: readonly StringModule[] }[], bypassDropV: number): MixedReport {
  const curve = arrayCurve({ strings, bypassDropV });
  const alone = strings.map(({ modules }) => modules.map(aloneOf(bypassDropV)));
  const topOf = (each: ArrayCurve): number => each.peaks[0]?.powerW ?? 0;
  const ruled = alone.map((modules) => ({
    currentA: Math.min(...modules.map((each) => each.impA)),
    voltageV: modules.reduce((sum, each) => sum + each.vmpV, 0),
  }));
  const voltageV = Math.min(...ruled.map((each) => each.voltageV));
  const currentA = ruled.reduce((sum, each) => sum + each.currentA, 0);
  const togetherW = topOf(curve);
  const powers = alone
    .flat()
    .map(({ pmpW }) => pmpW)
    .sort((a, b) => a - b);
  return {
    ...curve,
    togetherW,
    byStringW: strings.length > 1 ? strings.reduce((sum, each) => sum + topOf(arrayCurve({ strings: [each], bypassDropV })), 0) : togetherW,
    byModuleW: powers.reduce((sum, each) => sum + each, 0),
    rule: { voltageV, currentA, powerW: voltageV * currentA },
    ruleOffFrac: togetherW > 0 ? (voltageV * currentA) / togetherW - 1 : 0,
    weakestOfMiddle: (powers[0] ?? 0) / (powers[powers.length >> 1] || 1),
  };
}

/** A module's own maximum: by its circuit where its light is even, else by its groups. */
const aloneOf =
  (bypassDropV: number) =>
  (module: StringModule): { impA: number; vmpV: number; pmpW: number } => {
    const [first, ...rest] = module.groupIrradianceWm2;
    if (rest.every((light) => light === first)) return operatingPoint(diodeAt(module.reference, first ?? 0, module.cellTempC));
    const peak = arrayCurve({ strings: [{ modules: [module] }], bypassDropV }).peaks[0];
    return { impA: peak?.currentA ?? 0, vmpV: peak?.voltageV ?? 0, pmpW: peak?.powerW ?? 0 };
  };
