import type { HealthSide } from "@/core/readings";
import { catalogue } from "./catalogue";
import { dateName, number, percent } from "./format";

/** How a reading stands: more than it should be is no fault. */
export const stateOf = ({ within, differenceKwh }: HealthSide): "below" | "within" | "above" =>
  within ? "within" : differenceKwh < 0 ? "below" : "above";

const words = catalogue({
  below: "below what was expected",
  within: "in tolerance",
  above: "above what was expected",
  belowPromise: "below the promise",
  withinPromise: "as promised",
  abovePromise: "above the promise",
  ofExpected: (share: string, expected: string) => `${share} of the ${expected} kWh that were expected`,
  ofPromised: (share: string, promised: string) => `${share} of the ${promised} kWh promised for those very days`,
  noWeather: "no weather stands for them, so a dull day can’t be told from a weak plant",
  weatherInPart: (share: string) => `weather stands for ${share} of them only`,
  byThen: "by then, as a cloudless day goes",
  neither: "Neither weather nor a promise stands in the book for those days; bring one of them",
});

interface Span {
  readonly kind: "day" | "lifetime";
  readonly readKwh: number;
  readonly from: string;
  readonly days: number;
  readonly expected: HealthSide | null;
  readonly knownFrac: number;
  readonly promise: HealthSide | null;
  readonly soFarFrac: number;
  readonly at: string;
}

/** Weather for fewer of the days than this leaves the promise to speak first. */
const WHOLE_FRAC = 0.98;

/** One figure of the display in a sentence of its own: a day is never set beside a year. */
export function spanInWords({ kind, readKwh, from, days, expected, knownFrac, promise, soFarFrac, at }: Span): string {
  const what =
    kind === "day"
      ? `${number(readKwh, 1)} kWh on ${dateName(from)}${soFarFrac < 1 ? ` by ${at}` : ""}`
      : `${number(readKwh)} kWh in ${number(days)} days, ${number(readKwh / Math.max(1, days), 1)} kWh a day`;
  const byThen = soFarFrac < 1 ? `, ${words.byThen}` : "";
  const promised = promise && words.ofPromised(percent(promise.ratio, 0), number(promise.measureKwh, kind === "day" ? 1 : 0));
  if (expected && knownFrac > WHOLE_FRAC) {
    const told = words.ofExpected(percent(expected.ratio, 0), number(expected.measureKwh, kind === "day" ? 1 : 0));
    return `${what}: ${words[stateOf(expected)]}, ${told}${promised ? `, and ${promised}` : ""}${byThen}.`;
  }
  if (promise === null || promised === null) return `${what}. ${words.neither}.`;
  const state = { below: words.belowPromise, within: words.withinPromise, above: words.abovePromise }[stateOf(promise)];
  return `${what}: ${state}, ${promised}; ${expected ? words.weatherInPart(percent(knownFrac, 0)) : words.noWeather}${byThen}.`;
}

/** Whether a reading asks for somebody's eye: against the weather where it is known, else against the promise. */
export const isBelow = ({ expected, knownFrac, promise }: Span): boolean => {
  const side = expected && knownFrac > WHOLE_FRAC ? expected : promise;
  return side !== null && stateOf(side) === "below";
};
