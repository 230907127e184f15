export { type BeforeAfter, beforeAfter, type IndexDay, LEAST_DAYS, type PeriodIndex } from "./before-after";
export { byBin, byHour, byLight, type Group, type Paired } from "./breakdown";
export { type ClippingDays, clippingDays } from "./clipping-days";
export { type DayEnds, dayEnds } from "./day-ends";
export { type Difference, differenceFrac, pairedDifference } from "./difference";
export { type ForeignEnergy, withoutForeign } from "./foreign-energy";
export {
  type ChangeFromTotals,
  type ChangeRow,
  changeFromTotals,
  LEAST_SPANS,
  type TotalRow,
  type TotalsReport,
  type TotalsSide,
  totalsTrial,
} from "./from-totals";
export { type NaiveTrial, naiveTrial } from "./naive";
export { type ShortPair, type ShortPairReport, shortPairs } from "./short-pairs";
export { atAcPoint, sideKwp, type TrialSide } from "./side";
export { CONVERSION_OFF, type ExpectedSide, runTrial, type SideReport, sharedAxis, type TrialInput, type TrialReport } from "./trial";
export { type Morning, type TwoMornings, twoMornings } from "./two-mornings";
export { DIFFERING, type Differing, type SideDifference, whatDiffers } from "./what-differs";
export { type FilledMonth, type WholeYear, wholeYear } from "./whole-year";
