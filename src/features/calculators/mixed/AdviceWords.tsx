import type { PairingAdvice } from "@/core/electrical";
import { number, percent, yearsAndMonths } from "@/wording/format";
import { say } from "@/wording/screens/calculators-mixed";

/** The recommendation in words. */
export function AdviceWords({ advice, currency }: { advice: PairingAdvice; currency: string }) {
  const { reason, lossFrac, extraKwh, paybackYears } = advice;
  const share = percent(lossFrac);
  if (reason === "small-loss") return <b>{say.overAYearIsLostLeave(share)}</b>;
  if (reason === "stranger") return <b>{say.overAYearIsLostTo(share)}</b>;
  const way = reason === "own-input" ? say.giveEachStringAnInputOf : say.electronicsAtEachModule;
  return (
    <b>
      {say.kwhAYearMore(
        way,
        number(extraKwh),
        paybackYears === null ? "" : say.backAfterAtTheBooksPrice(yearsAndMonths(paybackYears), currency),
      )}
    </b>
  );
}
