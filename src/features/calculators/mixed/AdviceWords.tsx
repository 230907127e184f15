import type { PairingAdvice } from "@/core/electrical";
import { number, percent, yearsAndMonths } from "@/wording/format";
import { say } from "@/wording/screens/calculators-mixed";

interface Props {
  readonly advice: PairingAdvice;
  /** Whether another of the ways to connect them gives more for nothing, which the advice then starts from. */
  readonly isReconnected: boolean;
  readonly currency: string;
}

/** The recommendation in words. */
export function AdviceWords({ advice, isReconnected, currency }: Props) {
  const { reason, lossFrac, extraKwh, paybackYears } = advice;
  const share = percent(lossFrac);
  if (isReconnected && reason === "small-loss") return <b>{say.connectedSoNothingElsePays}</b>;
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
