import type { PairingAdvice } from "@/core/electrical";
import { number, percent, yearsAndMonths } from "@/wording/format";

/** The recommendation in words. */
export function AdviceWords({ advice, currency }: { advice: PairingAdvice; currency: string }) {
  const { reason, lossFrac, extraKwh, paybackYears } = advice;
  const share = percent(lossFrac);
  if (reason === "small-loss") return <b>{`Over a year ${share} is lost: leave it on one input.`}</b>;
  if (reason === "stranger")
    return <b>{`Over a year ${share} is lost to one weak module: take it out of this string and use it elsewhere, by itself.`}</b>;
  const way = reason === "own-input" ? "Give each string an input of its own" : "Electronics at each module";
  return (
    <b>{`${way}: ${number(extraKwh)} kWh a year more${paybackYears === null ? "" : `, back after ${yearsAndMonths(paybackYears)} at the book's price in ${currency}`}.`}</b>
  );
}
