import { type CountedFrom, type PaybackSpread, yearsToReturn } from "@/core/money";
import { YEAR_MS } from "@/core/units";
import { Figure } from "@/features/kit/figures/Figure";
import chapter from "@/features/kit/look/Chapter.module.css";
import { dateName, money, number, percent, yearsAndMonths } from "@/wording/format";
import { paybackIntervalWords } from "@/wording/money";
import { say } from "@/wording/screens/money-payback";
import { firstYearWorking, type MoneyContext, returnOfWorking, risingWorking, simpleWorking } from "@/wording/workings/money-workings";

const MISSING_WORDS = {
  cost: say.whatItCost,
  price: say.thePriceOfABoughtKwh,
  energy: say.aYearOfEnergyReadingsWeather,
} as const;

interface SentenceProps {
  readonly missing: readonly (keyof typeof MISSING_WORDS)[];
  readonly context: MoneyContext | null;
  readonly spread: PaybackSpread | null;
  readonly counted: CountedFrom;
  readonly today: string;
}

/** When the money is back, within which years, and what cost over the first year alone would say. */
export function PaybackSentence({ missing, context, spread, counted, today }: SentenceProps) {
  if (!context) {
    return (
      <p className={chapter.verdict}>
        {say.noPaybackYetMissing(missing.map((item) => MISSING_WORDS[item]).join(" and "), missing.length === 1 ? "is" : "are")}
      </p>
    );
  }
  const { risingYears, staysPaidYears, simpleYears, netCost, firstYearValue, years } = context.payback;
  const { currency } = context.site;
  const backOn = counted.on !== null && risingYears !== null ? dayAfter(counted.on, risingYears) : null;
  return (
    <p className={chapter.verdict} data-testid="payback-verdict">
      {risingYears === null ? (
        <strong className={chapter.clay}>
          {say.theMoneyDoesNotComeBack}
          <Figure end="." working={() => risingWorking(context)}>
            {years.length} years
          </Figure>
        </strong>
      ) : (
        <>
          {backOn !== null && backOn < today ? say.theMoneyCameBackIn : say.theMoneyComesBackIn}
          <Figure name="payback-years/all" working={() => risingWorking(context)}>
            {yearsAndMonths(risingYears)}
          </Figure>
          {backOn && <>, on about {dateName(backOn)}</>}
          {spread && Number.isFinite(spread.low) && <> ({paybackIntervalWords(spread)})</>}
          {say.withPricesRisingAYearModules(percent(context.terms.priceRisePerYearFrac))}
        </>
      )}
      {staysPaidYears !== null && risingYears !== null && staysPaidYears > risingYears + 0.01 && (
        <span className={chapter.clay}>{say.aReplacementSinksItOnceMore(number(staysPaidYears, 1))}</span>
      )}
      <SelfUseUntold context={context} />
      {say.costOverTheFirstYearAlone}
      <Figure working={() => simpleWorking(context)}>{simpleYears === null ? "never" : yearsAndMonths(simpleYears)}</Figure>:{" "}
      {money(netCost, 0)} {currency} against {money(firstYearValue, 0)} from{" "}
      <Figure end="." working={() => firstYearWorking(context)}>
        {number(context.energy.firstYearKwh)} kWh
      </Figure>
    </p>
  );
}

/** What is said where nobody told how much is self-consumed: bills tell it, and a typed share does. */
function SelfUseUntold({ context: { terms } }: { context: MoneyContext }) {
  if (!terms.isSelfUseAssumed) return null;
  return terms.selfUsedHalfWidthFrac ? (
    <span className={chapter.clay}> {say.selfUseIsNotTold}</span>
  ) : (
    <> {say.allIsCountedAsSelfConsumed}</>
  );
}

/** From when it counts, and when each sum that came later is back on its own. */
export function CountedLines({ counted, context }: { counted: CountedFrom; context: MoneyContext }) {
  if (counted.on === null) return null;
  return (
    <>
      <p className={chapter.soft} data-testid="counted-from">
        {say.countedFromDay(dateName(counted.on), counted.because === "first-cost", number(counted.ageYears, 1))}
      </p>
      {counted.later
        .filter(({ amount }) => Number(amount) > 0)
        .map((sum) => {
          const years = yearsToReturn(context.terms, sum);
          return (
            <p key={`${sum.on} ${sum.what} ${sum.amount}`} data-testid="later-cost">
              {say.laterCostComesBack(sum.what, `${money(sum.amount, 0)} ${context.site.currency}`, dateName(sum.on))}
              <Figure working={() => returnOfWorking(sum, years, context)}>
                {years === null
                  ? say.notWithinTheYears(context.terms.horizonYears)
                  : say.onAbout(dateName(dayAfter(sum.on, years)), yearsAndMonths(years))}
              </Figure>
            </p>
          );
        })}
    </>
  );
}

function dayAfter(day: string, years: number): string {
  return new Date(Date.parse(day) + years * YEAR_MS).toISOString().slice(0, 10);
}
