"use client";

import { PaybackDays, paybackDaysHeight } from "@/charts";
import { type PaybackDoubts, type PaybackTerms, type TornadoTerm, tornado } from "@/core/money";
import { DAY_MS, DAYS_PER_YEAR } from "@/core/units";
import { ChartFrame } from "@/features/kit/save/ChartFrame";
import { monthName, number } from "@/wording/format";
import { say } from "@/wording/screens/money-payback";

const NAMES: Readonly<Record<TornadoTerm, (by: number) => string>> = {
  yield: (by) => `yield ± ${number(by * 100)} %`,
  price: (by) => `price ± ${number(by * 100)} %`,
  "price-rise": (by) => say.priceRiseAYear2(number(by * 100, 1)),
  ageing: (by) => say.ageingAYear(number(by * 100, 1)),
  "self-use": (by) => say.usedOnTheSpot3(number(by * 100)),
  upkeep: (by) => `upkeep ± ${number(by * 100)} %`,
  cost: (by) => `cost ± ${number(by * 100)} %`,
};

interface FactorsProps {
  readonly slug: string;
  readonly terms: PaybackTerms;
  readonly doubts: PaybackDoubts;
  readonly years: number | null;
  /** Day from which the years count; null where the book does not say it. */
  readonly startsOn: string | null;
}

const YEAR_MS = DAYS_PER_YEAR * DAY_MS;

/** "May 2033", or so many years where the plant's first day is not known. */
const dayOf = (startsOn: string | null, years: number): string => {
  if (startsOn === null) return say.nYears(number(years, 1));
  const day = new Date(Date.parse(startsOn) + years * YEAR_MS).toISOString();
  return `${monthName(day.slice(0, 7), "short")} ${day.slice(0, 4)}`;
};

/** By how much the day moves: months, and years from two on. */
function movedBy(years: number): string {
  const months = Math.round(years * 12);
  const size = Math.abs(months) < 24 ? say.nMonths(number(Math.abs(months))) : say.nYears(number(Math.abs(years), 1));
  return months === 0 ? say.sameMonth : `${months < 0 ? "\u2212" : "+"}${size}`;
}

/** What moves the day on which the money is back, most first. */
export function FactorsChart({ slug, terms, doubts, years, startsOn }: FactorsProps) {
  if (years === null) return null;
  const bars = tornado(terms, doubts);
  const rows = bars.map((bar) => ({
    key: bar.term,
    name: NAMES[bar.term](bar.by),
    lowerYears: bar.lowerYears,
    higherYears: bar.higherYears,
  }));
  const height = paybackDaysHeight(rows.length);
  return (
    <ChartFrame
      title={say.whatMattersMost}
      note={say.yearsToPaybackWithEachTerm}
      fileName={`${slug}-payback-terms`}
      height={height}
      summary={say.howThePaybackMovesWithEach}
      table={() => [
        ["term", "by", "years_lower", "years_higher"],
        ...bars.map((bar) => [bar.term, bar.by, bar.lowerYears, bar.higherYears]),
      ]}
    >
      {(width) => <PaybackDays factors={rows} years={years} width={width} dayOf={(value) => dayOf(startsOn, value)} movedBy={movedBy} />}
    </ChartFrame>
  );
}
