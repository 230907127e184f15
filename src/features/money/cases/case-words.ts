import type { CaseTerms } from "@/core/money";
import type { NamedDecision } from "@/wording/decisions";
import { money, number } from "@/wording/format";
import { say } from "@/wording/screens/money-cases";

/** The answer in a sentence: what to do, what it brings, and where it turns. */
export function answerSentence(
  baseName: string,
  decisions: readonly NamedDecision[],
  { currency, horizonYears, perKwh }: CaseTerms,
): string {
  const best = decisions.reduce((most, each) => (Number(each.netPresentValue) > Number(most.netPresentValue) ? each : most));
  const value = say.overYearsInTodaysMoney(money(best.netPresentValue.replace("-", ""), 0), currency, horizonYears);
  const energy = say.kwhAYear(number(Math.abs(best.extraKwh)), best.extraKwh < 0 ? "less" : "more");
  if (!best.isWorthIt) return say.nothingElsePaysTheNearestBrings(baseName, best.name, energy, value, turns(best, currency, perKwh));
  const back = best.paybackYears === null || best.paybackYears === 0 ? "" : say.paidBackInYears(number(best.paybackYears, 1));
  return `${best.name}: ${energy}, ahead by ${value}${back}. ${turns(best, currency, perKwh)}`;
}

function turns({ flipPerKwh, flipSide, flipCost, isWorthIt, extraCost }: NamedDecision, currency: string, perKwh: string): string {
  const price =
    flipPerKwh === null
      ? ""
      : say.aKwhNow(
          isWorthIt ? say.worthItWhile : say.itWouldBeWorthItIf,
          isWorthIt ? "stays" : "were",
          flipSide,
          flipPerKwh,
          currency,
          perKwh,
        );
  const cost =
    Number(extraCost) > 0 && Number(flipCost) > 0
      ? say.whileTheExtraCostStaysUnder(price === "" ? "Worth it" : ", or", money(flipCost, 0))
      : "";
  return price === "" && cost === "" ? say.noPriceTurnsThisAnswer : `${price}${cost}.`;
}

/** Where an answer turns, in a few words. */
export const flipWords = ({ flipPerKwh, flipSide }: NamedDecision, currency: string): string =>
  flipPerKwh === null ? "no price" : `${flipPerKwh} ${currency} a kWh${flipSide === "below" ? say.worthItBelow : ""}`;
