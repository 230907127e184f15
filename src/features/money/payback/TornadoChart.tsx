"use client";

import { TornadoBars, tornadoHeight } from "@/charts";
import { type PaybackTerms, type TornadoTerm, tornado, USUAL_DOUBTS } from "@/core/money";
import { ChartFrame } from "@/features/kit/save/ChartFrame";
import { number } from "@/wording/format";

const NAMES: Readonly<Record<TornadoTerm, (by: number) => string>> = {
  yield: (by) => `yield ± ${number(by * 100)} %`,
  price: (by) => `price ± ${number(by * 100)} %`,
  "price-rise": (by) => `price rise ± ${number(by * 100, 1)} % a year`,
  ageing: (by) => `ageing ± ${number(by * 100, 1)} % a year`,
  "self-use": (by) => `used on the spot ± ${number(by * 100)} %`,
  upkeep: (by) => `upkeep ± ${number(by * 100)} %`,
  cost: (by) => `cost ± ${number(by * 100)} %`,
};

/** What matters most for the payback. */
export function TornadoChart({ slug, terms, years }: { slug: string; terms: PaybackTerms; years: number | null }) {
  if (years === null) return null;
  const bars = tornado(terms, USUAL_DOUBTS);
  const rows = bars.map((bar) => ({
    key: bar.term,
    name: NAMES[bar.term](bar.by),
    lowerYears: bar.lowerYears,
    higherYears: bar.higherYears,
  }));
  const height = tornadoHeight(rows.length);
  return (
    <ChartFrame
      title="What matters most"
      note="years to payback with each term lower (pale) and higher (brass)"
      fileName={`${slug}-payback-terms`}
      height={height}
      summary="How the payback moves with each term alone"
      table={() => [
        ["term", "by", "years_lower", "years_higher"],
        ...bars.map((bar) => [bar.term, bar.by, bar.lowerYears, bar.higherYears]),
      ]}
    >
      {(width) => <TornadoBars rows={rows} years={years} width={width} label={(value) => number(value, 1)} />}
    </ChartFrame>
  );
}
