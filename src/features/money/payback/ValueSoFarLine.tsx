import { valueSoFar } from "@/core/money";
import { Figure } from "@/features/kit/figures/Figure";
import chapter from "@/features/kit/look/Chapter.module.css";
import { monthName, number } from "@/wording/format";
import { say } from "@/wording/screens/money-payback";
import { valueSoFarWorking } from "@/wording/workings/money-workings";
import type { MoneyProps } from "../money-props";

interface Props extends Pick<MoneyProps, "site" | "months"> {
  /** Share used on the spot as bills tell it; null where they don't, or are not asked. */
  readonly selfUsedFrac: number | null;
}

/** What the meter has counted so far, and what it was worth: whatever is known of sun and cost. */
export function ValueSoFarLine({ site, months, selfUsedFrac }: Props) {
  const value = valueSoFar(site, months, selfUsedFrac);
  if (!value) return null;
  const named = (key: string): string => `${monthName(key)} ${key.slice(0, 4)}`;
  return (
    <p className={chapter.soft} data-testid="value-so-far">
      {say.countedSince(number(value.kwh), named(value.from), named(value.to))}
      <Figure name="value-so-far/all" working={() => valueSoFarWorking(value, site.currency)}>
        {value.low < value.high ? say.betweenNoneAndAll(number(value.low), number(value.high)) : number(value.worth)} {site.currency}
      </Figure>
      {say.atThePricesOfTheirYears(value.months)}
    </p>
  );
}
