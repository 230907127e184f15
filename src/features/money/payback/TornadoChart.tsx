"use client";

import { TornadoBars, tornadoHeight } from "@/charts";
import { type PaybackDoubts, type PaybackTerms, type TornadoTerm, tornado } from "@/core/money";
import { ChartFrame } from "@/features/kit/save/ChartFrame";
import { number } from "@/wording/format";
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

/** What matters most for the payback. */
export function TornadoChart({
  slug,
  terms,
  doubts,
  years,
}: {
  slug: string;
  terms: PaybackTerms;
  doubts: PaybackDoubts;
  years: number | null;
}) {
  if (years === null) return null;
  const bars = tornado(terms, doubts);
  const rows = bars.map((bar) => ({
    key: bar.term,
    name: NAMES[bar.term](bar.by),
    lowerYears: bar.lowerYears,
    higherYears: bar.higherYears,
  }));
  const height = tornadoHeight(rows.length);
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
      {(width) => <TornadoBars rows={rows} years={years} width={width} label={(value) => number(value, 1)} />}
    </ChartFrame>
  );
}
