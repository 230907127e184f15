import type { CaseTerms, Decision } from "@/core/money";
import { money, number } from "@/wording/format";
import type { CaseAnswer } from "./cases.worker";

/** The answer in a sentence: what to do, what it brings, and where it turns. */
export function answerSentence({ baseName, decisions }: CaseAnswer, { currency, horizonYears, perKwh }: CaseTerms): string {
  const best = decisions.reduce((most, each) => (Number(each.netPresentValue) > Number(most.netPresentValue) ? each : most));
  const value = `${money(best.netPresentValue.replace("-", ""), 0)} ${currency} over ${horizonYears} years in today's money`;
  const energy = `${number(Math.abs(best.extraKwh))} kWh a year ${best.extraKwh < 0 ? "less" : "more"}`;
  if (!best.isWorthIt)
    return `${baseName}: nothing else pays. The nearest, “${best.name}”, brings ${energy} and would lose ${value}. ${turns(best, currency, perKwh)}`;
  const back = best.paybackYears === null || best.paybackYears === 0 ? "" : `, paid back in ${number(best.paybackYears, 1)} years`;
  return `${best.name}: ${energy}, ahead by ${value}${back}. ${turns(best, currency, perKwh)}`;
}

function turns({ flipPerKwh, flipSide, flipCost, isWorthIt, extraCost }: Decision, currency: string, perKwh: string): string {
  const price =
    flipPerKwh === null
      ? ""
      : `${isWorthIt ? "Worth it while" : "It would be worth it if"} a kWh ${isWorthIt ? "stays" : "were"} ${flipSide} ${flipPerKwh} ${currency} (now ${perKwh})`;
  const cost =
    Number(extraCost) > 0 && Number(flipCost) > 0
      ? `${price === "" ? "Worth it" : ", or"} while the extra cost stays under ${money(flipCost, 0)}`
      : "";
  return price === "" && cost === "" ? "No price turns this answer." : `${price}${cost}.`;
}

/** Where an answer turns, in a few words. */
export const flipWords = ({ flipPerKwh, flipSide }: Decision, currency: string): string =>
  flipPerKwh === null ? "no price" : `${flipPerKwh} ${currency} a kWh${flipSide === "below" ? " (worth it below)" : ""}`;
