"use client";

import { Button, TextInput } from "@mantine/core";
import { useState } from "react";
import { type BillReading, Exact, FIXED_PART, readBill } from "@/core/money";
import { NumberField } from "@/features/kit/fields/NumberField";
import { Figure } from "@/features/kit/figures/Figure";
import chapter from "@/features/kit/look/Chapter.module.css";
import { number, percent } from "@/wording/format";
import { say } from "@/wording/screens/money-payback";
import { oneBillWorking } from "@/wording/workings/money-workings";
import styles from "../MoneyChapter.module.css";

interface Props {
  readonly currency: string;
  readonly takePrice: (perKwh: string) => void;
}

const AMOUNT = /^\d{1,9}([.,]\d{1,6})?$/;
const amountOrNull = (text: string): Exact | null => (AMOUNT.test(text.trim()) ? new Exact(text.trim().replace(",", ".")) : null);
const isWrong = (text: string): boolean => text.trim() !== "" && amountOrNull(text) === null;

/** The price of a kilowatt-hour from what people know: a usual bill, and its energy or its fixed part. Nothing is stored before it is taken. */
export function OneBill({ currency, takePrice }: Props) {
  const [typed, setTyped] = useState({ amount: "", perKwh: "", fixed: "" });
  const [boughtKwh, setBoughtKwh] = useState<number | null>(null);
  const reading = readBill({
    amount: amountOrNull(typed.amount),
    perKwh: amountOrNull(typed.perKwh),
    fixed: amountOrNull(typed.fixed),
    boughtKwh,
  });
  const sum = (key: keyof typeof typed, label: string) => (
    <TextInput
      label={label}
      inputMode="decimal"
      value={typed[key]}
      error={isWrong(typed[key]) ? say.aSumSuchAs : undefined}
      onChange={({ currentTarget: { value } }) => setTyped((now) => ({ ...now, [key]: value }))}
    />
  );
  return (
    <details className={styles.oneBill}>
      <summary>{say.fromAUsualBill}</summary>
      <p className={chapter.soft}>{say.anyTwoOfThese}</p>
      <div className={styles.grid}>
        {sum("amount", say.theBill(currency))}
        <NumberField
          label={say.boughtInThatTime}
          unit="kWh"
          value={boughtKwh}
          onChange={(next) => setBoughtKwh(typeof next === "number" ? next : null)}
        />
        {sum("fixed", say.fixedOrMinimum(currency))}
        {sum("perKwh", say.orThePrice(currency))}
      </div>
      <p role="status" data-testid="one-bill">
        {reading.kind === "parts" && (
          <Figure working={() => oneBillWorking(reading, currency)}>
            {say.aBoughtKwhCosts(number(reading.perKwh.toNumber(), 3), currency)}
          </Figure>
        )}
        {billWords(reading, currency)}
      </p>
      {reading.kind === "parts" && (
        <Button variant="subtle" size="compact-sm" onClick={() => takePrice(reading.perKwh.toFixed(4))}>
          {say.takeThisPrice(number(reading.perKwh.toNumber(), 4))}
        </Button>
      )}
    </details>
  );
}

function billWords(reading: BillReading, currency: string): string {
  switch (reading.kind) {
    case "needs":
      return reading.what === "anything" ? say.writeABillOrAPrice : say.theBillAloneIsNoPrice;
    case "all-fixed":
      return say.theBillIsAllFixed;
    case "apart":
      return say.theseAreApart(number(reading.by.toNumber(), 2), currency);
    case "parts": {
      const { perKwhLow, perKwhHigh, fixed, boughtKwh, isFixedAssumed } = reading;
      const price = (value: Exact): string => number(value.toNumber(), 3);
      return [
        "",
        isFixedAssumed && !perKwhLow.eq(perKwhHigh)
          ? say.betweenWithTheFixedPart(price(perKwhLow), price(perKwhHigh), percent(FIXED_PART.usualFrac, 0))
          : "",
        fixed === null ? "" : say.isFixed(number(fixed.toNumber(), 2), currency),
        boughtKwh === null ? "" : say.isBought(number(boughtKwh)),
      ]
        .filter((words, k) => k === 0 || words !== "")
        .join("; ")
        .concat(".");
    }
  }
}
