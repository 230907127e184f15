import { useState } from "react";
import type { TrialReport } from "@/core/trial";
import { NumberField } from "@/features/kit/fields/NumberField";
import { Figure } from "@/features/kit/figures/Figure";
import { number, yearsAndMonths } from "@/wording/format";
import { say } from "@/wording/screens/field-book-trials";
import { trialVerdict } from "@/wording/trial";
import { betterSideWorking } from "@/wording/workings/field-workings";
import styles from "../FieldBook.module.css";

/** What the better side may cost more, and when that comes back. */
export function BetterSide({ report, currency, price }: { report: TrialReport; currency: string; price: number }) {
  const [extra, setExtra] = useState<number | string>("");
  const [perKwh, setPerKwh] = useState<number | string>(price || "");
  const { year, a, b } = report;
  const verdict = trialVerdict(report).kind;
  if (!year || verdict === "level") return null;
  const [better, other] = verdict === "b" ? [b, a] : [a, b];
  const extraKwh = Math.abs(year.b - year.a) * other.kwp;
  const worth = extraKwh * Number(perKwh || 0);
  const years = worth > 0 && Number(extra) > 0 ? Number(extra) / worth : null;
  return (
    <>
      <h2>{say.isItWorthIt}</h2>
      <div className={styles.fields}>
        <NumberField label={say.costsMoreBy(better.name, currency)} min={0} value={extra} onChange={setExtra} />
        <NumberField label="A kWh" unit={currency} min={0} value={perKwh} onChange={setPerKwh} />
      </div>
      <p>
        {say.onTheKwpOfItWould(number(other.kwp, 1), other.name)}
        <Figure
          working={() => betterSideWorking(report, other, extraKwh, Number(perKwh || 0), currency)}
        >{`${number(extraKwh)} kWh`}</Figure>
        {say.aYearMore(worth > 0 ? `, worth ${number(worth)} ${currency}` : "")}
        {years !== null && say.backAfterAtTodaysPriceAnd(yearsAndMonths(years))}
      </p>
    </>
  );
}
