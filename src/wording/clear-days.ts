import type { CloudlessReading } from "@/core/cloudless";
import { catalogue } from "./catalogue";
import { number, percent } from "./format";
import type { Working } from "./workings/working";

const say = catalogue({
  fromClearDays: (days: string) => `From ${days} clear days of the meter alone, with no weather behind them: `,
  aYear: (rate: string, low: string, high: string) => `the modules lose ${rate} a year (${low} to ${high}, 95\u202f% interval).`,
  tooFewAYearApart: "too few lie a year apart to tell a rate.",
  turned: (degrees: string, side: string, half: string) =>
    ` Their curves lean as of modules that look ${degrees}° further ${side} than the book has it (± ${half}°).`,
  clockwise: "clockwise",
  counterClockwise: "counter-clockwise",
  none: "No clear day is told from the meter, so nothing is read from it alone.",
});

/** What clear days alone tell, in a sentence or two. */
export function clearDaysSentence({ clearDays, ageing, turn }: CloudlessReading): string {
  if (clearDays === 0) return say.none;
  const rate = ageing ? say.aYear(percent(ageing.perYearFrac), percent(ageing.low), percent(ageing.high)) : say.tooFewAYearApart;
  const lean = turn
    ? say.turned(number(Math.abs(turn.value)), turn.value > 0 ? say.clockwise : say.counterClockwise, number((turn.high - turn.low) / 2))
    : "";
  return `${say.fromClearDays(number(clearDays))}${rate}${lean}`;
}

/** How a rate of clear days came about. */
export const clearDaysWorking = ({ clearDays, ageing }: CloudlessReading): Working => ({
  title: "Ageing from clear days alone",
  value: ageing ? percent(ageing.perYearFrac, 2) : "–",
  unit: "a year",
  formula: "−median of ln(level of a day ÷ level of the day a year before); level = Σ metered ÷ Σ under a cloudless sky",
  inputs: [
    {
      name: "clear days",
      value: number(clearDays),
      from: "days whose hours follow on each other without a bend, among the best of their season",
    },
    { name: "pairs a year apart", value: ageing ? number(ageing.pairs) : "0", from: "three days off at the most" },
    {
      name: "interval",
      value: ageing ? `${percent(ageing.low, 2)} to ${percent(ageing.high, 2)}` : "–",
      from: "bootstrap over months of days, and skies that differ by 0.7 % from year to year",
    },
  ],
  source: "Jordan, Deline, Kurtz, Kimball & Anderson, 2018; Ineichen & Perez, 2002 (the cloudless sky).",
  assumptions: [
    "The air is the place’s usual one, the sky always as clear: what years differ by is in the interval.",
    "Dirt that grows over the years, and strings that went out, are not told from ageing.",
  ],
});
