export { AccountBar, type BarPart } from "./AccountBar";
export { BalanceCurve, type BalancePoint } from "./BalanceCurve";
export { DifferenceBar } from "./DifferenceBar";
export { accountColour, accountFill, Hatches } from "./hatches";
export { MonthCurves, type MonthPoint } from "./MonthCurves";
export { type Pair, PairBars } from "./PairBars";
export { type Curve, PowerCurves } from "./PowerCurves";
export { HEAT_BOUNDS, YearGlance } from "./YearGlance";
