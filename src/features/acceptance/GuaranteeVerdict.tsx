"use client";

import type { GuaranteeAnswer } from "@/contracts/acceptance";
import { amountOf, sumOf } from "@/core/money";
import { Figure } from "@/features/kit/figures/Figure";
import { sayGuarantee } from "@/wording/acceptance";
import { money, number } from "@/wording/format";
import { guaranteeSumWorking } from "@/wording/workings/acceptance-working";

interface GuaranteeVerdictProps {
  readonly report: GuaranteeAnswer;
  readonly currency: string;
}

/** What a settlement says, in a sentence. */
export function GuaranteeVerdict({ report, currency }: GuaranteeVerdictProps) {
  const { years } = report;
  if (years.length === 0) return sayGuarantee.nothing;
  const count = (...outcomes: readonly string[]): number => years.filter(({ outcome }) => outcomes.includes(outcome)).length;
  const missed = years.filter(({ outcome }) => outcome === "missed");
  const sum = missed.every(({ damages }) => damages !== null)
    ? amountOf(sumOf(missed.map(({ damages }) => damages ?? "0")), currency)
    : null;
  const [kept, open, unsettled] = [count("kept"), count("open"), count("too-little-read", "no-readings")];
  return (
    <>
      {missed.length === 0 ? (
        sayGuarantee.kept(kept, years.length)
      ) : (
        <>
          {sayGuarantee.missed(missed.length, years.length)}
          <Figure name="short" working={() => guaranteeSumWorking(missed, currency)}>
            {`${number(missed.reduce((kwh, { shortKwh }) => kwh + shortKwh, 0))} kWh`}
          </Figure>
          {sayGuarantee.short}
          {sum !== null && `: ${money(sum)} ${currency}${sayGuarantee.damages}`}
          {sayGuarantee.stop}
        </>
      )}
      {open > 0 && sayGuarantee.open(open)}
      {unsettled > 0 && sayGuarantee.unsettled(unsettled)}
      {years.at(-1)?.isOver === false && sayGuarantee.partial}
    </>
  );
}
