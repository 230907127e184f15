"use client";

import { Button, TextInput } from "@mantine/core";
import { useForm } from "@mantine/form";
import { moneySchema, type SiteDocument } from "@/contracts/site";
import { amountOf, shareOfCosts } from "@/core/money";
import { knownNumber } from "@/features/kit/fields/known-number";
import { NumberField } from "@/features/kit/fields/NumberField";
import chapter from "@/features/kit/look/Chapter.module.css";
import { say } from "@/wording/screens/money-payback";
import styles from "../MoneyChapter.module.css";
import { OneBill } from "./OneBill";

export type Terms = SiteDocument["money"];

/** Faults of the terms by field; none where they can be reckoned with. */
export function termFaults(terms: Terms): Record<string, string> {
  const parsed = moneySchema.safeParse(terms);
  return parsed.success ? {} : Object.fromEntries(parsed.error.issues.map((issue) => [issue.path.join("."), issue.message]));
}

export const useTermsForm = (initialValues: Terms) => useForm({ initialValues, validate: termFaults, validateInputOnChange: true });
export type TermsFormHandle = ReturnType<typeof useTermsForm>;

type ShareField = "tariff.priceRisePerYearFrac" | "tariff.exportRisePerYearFrac" | "running.discountFrac" | "running.interestTaxFrac";

/** Shares are entered in percent; a rate under a quarter of a percent was likely meant as a share already. */
function ShareInput({ form, path, label }: { form: TermsFormHandle; path: ShareField; label: string }) {
  const [group, key] = path.split(".") as [keyof Terms, string];
  const value = (form.values[group] as unknown as Record<string, number>)[key]!;
  const hint = value > 0 && value < 0.0025 ? say.didYouMean((value * 100).toFixed(3), (value * 1e4).toFixed(1)) : undefined;
  return (
    <NumberField
      label={label}
      decimalScale={3}
      value={Number((value * 100).toFixed(4))}
      error={form.errors[path] ?? hint}
      onChange={knownNumber((next) => form.setFieldValue(path, next / 100))}
    />
  );
}

/** The one share that may stay open: what nobody told is a range, not all. */
function SelfUseInput({ form }: { form: TermsFormHandle }) {
  const value = form.values.tariff.selfUsedFrac;
  return (
    <NumberField
      label={say.usedOnTheSpot2}
      placeholder={say.notTold}
      decimalScale={3}
      value={value === null ? "" : Number((value * 100).toFixed(4))}
      error={form.errors["tariff.selfUsedFrac"]}
      onChange={(next) => {
        if (typeof next === "number") form.setFieldValue("tariff.selfUsedFrac", next / 100);
        else if (next === "") form.setFieldValue("tariff.selfUsedFrac", null);
      }}
    />
  );
}

/** Costs, incentives, what a kilowatt-hour is worth, and what running the plant costs. */
export function TermsForm({ form, currency, commissioned }: { form: TermsFormHandle; currency: string; commissioned: string | null }) {
  const today = commissioned ?? new Date().toISOString().slice(0, 10);
  const price = (path: "tariff.importPerKwh" | "tariff.exportPerKwh" | "tariff.exportThenPerKwh") => ({
    ...form.getInputProps(path),
    value: form.values.tariff[path.slice("tariff.".length) as "importPerKwh"] ?? "",
    onChange: (event: { currentTarget: { value: string } }) =>
      form.setFieldValue(path, event.currentTarget.value.trim() === "" ? null : event.currentTarget.value.trim().replace(",", ".")),
  });
  return (
    <>
      <section className={chapter.section}>
        <h2>Costs, {currency}</h2>
        <Sums form={form} list="costs" currency={currency} />
        <AddSum form={form} list="costs" words={say.addACost} today={today} />
      </section>
      <section className={chapter.section}>
        <h2>Incentives, {currency}</h2>
        <Sums form={form} list="incentives" currency={currency} />
        <AddSum form={form} list="incentives" words={say.addAnIncentive} today={today} />
      </section>
      <section className={chapter.section}>
        <h2>{say.worthOfAKilowattHour}</h2>
        <div className={styles.grid}>
          <TextInput label={say.boughtAKwh2(currency)} inputMode="decimal" placeholder="0.178" {...price("tariff.importPerKwh")} />
          <TextInput label={say.exportedAKwh2(currency)} inputMode="decimal" placeholder="nothing" {...price("tariff.exportPerKwh")} />
          <SelfUseInput form={form} />
          <ShareInput form={form} path="tariff.priceRisePerYearFrac" label={say.priceRiseAYear} />
          <ShareInput form={form} path="tariff.exportRisePerYearFrac" label={say.exportRiseAYear} />
          <TextInput
            label={say.exportPriceUntil}
            placeholder={say.noEnd}
            {...form.getInputProps("tariff.exportUntil")}
            value={form.values.tariff.exportUntil ?? ""}
            onChange={(event) => form.setFieldValue("tariff.exportUntil", event.currentTarget.value.trim() || null)}
          />
          <TextInput label={say.thenAKwh(currency)} inputMode="decimal" placeholder="nothing" {...price("tariff.exportThenPerKwh")} />
        </div>
        <OneBill currency={currency} takePrice={(perKwh) => form.setFieldValue("tariff.importPerKwh", perKwh)} />
      </section>
      <Running form={form} currency={currency} />
    </>
  );
}

function AddSum({ form, list, words, today }: { form: TermsFormHandle; list: "costs" | "incentives"; words: string; today: string }) {
  const what = list === "costs" && form.values.costs.length === 0 ? "system" : "";
  return (
    <Button variant="subtle" size="compact-sm" onClick={() => form.insertListItem(list, { on: today, amount: "0.00", what })}>
      {words}
    </Button>
  );
}

interface SumsProps {
  readonly form: TermsFormHandle;
  readonly list: "costs" | "incentives";
  readonly currency: string;
}

const SHARE = /^\s*(\d{1,3}(?:[.,]\d+)?)\s*%\s*$/;

/** An amount; of an incentive also a share of the costs, "25 %", which becomes its amount when the field is left. */
function AmountField({ form, list, at, currency }: SumsProps & { readonly at: number }) {
  const path = `${list}.${at}.amount`;
  const { amount, what } = form.values[list][at]!;
  const share = list === "incentives" ? SHARE.exec(amount)?.[1]?.replace(",", ".") : undefined;
  const take = (): void => {
    if (share === undefined) return;
    const costs = form.values.costs.map((cost) => cost.amount).filter((cost) => Number.isFinite(Number(cost)));
    form.setFieldValue(path, amountOf(shareOfCosts(costs, share), currency));
    if (what === "") form.setFieldValue(`${list}.${at}.what`, say.shareOfTheCosts(share));
  };
  // A share is read when the field is left: until then it is no wrong amount.
  const quiet = share === undefined ? {} : { error: undefined };
  return <TextInput label="Amount" inputMode="text" {...form.getInputProps(path)} {...quiet} onBlur={take} />;
}

function Sums({ form, list, currency }: SumsProps) {
  return form.values[list].map((_, i) => (
    // biome-ignore lint/suspicious/noArrayIndexKey: sums have no name of their own
    <div className={styles.sum} key={i}>
      <TextInput label="On" {...form.getInputProps(`${list}.${i}.on`)} />
      <AmountField form={form} list={list} at={i} currency={currency} />
      <TextInput label="For" {...form.getInputProps(`${list}.${i}.what`)} />
      <Button variant="subtle" size="compact-xs" aria-label={`Remove ${list} ${i + 1}`} onClick={() => form.removeListItem(list, i)}>
        Remove
      </Button>
    </div>
  ));
}

/** Upkeep every year, replacements once, and how later money is weighed. */
function Running({ form, currency }: { form: TermsFormHandle; currency: string }) {
  const { perYear, later } = form.values.running;
  return (
    <section className={chapter.section}>
      <h2>Running it, {currency}</h2>
      {perYear.map((_, i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: sums have no name of their own
        <div className={styles.sum} key={i}>
          <TextInput label="A year" inputMode="decimal" {...form.getInputProps(`running.perYear.${i}.amount`)} />
          <span />
          <TextInput label="For" {...form.getInputProps(`running.perYear.${i}.what`)} />
          <Button
            variant="subtle"
            size="compact-xs"
            aria-label={say.removeYearlyCost(i + 1)}
            onClick={() => form.removeListItem("running.perYear", i)}
          >
            Remove
          </Button>
        </div>
      ))}
      {later.map((_, i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: sums have no name of their own
        <div className={styles.sum} key={i}>
          <NumberField label="After years" {...form.getInputProps(`running.later.${i}.afterYears`)} />
          <TextInput label="Amount" inputMode="decimal" {...form.getInputProps(`running.later.${i}.amount`)} />
          <TextInput label="For" {...form.getInputProps(`running.later.${i}.what`)} />
          <Button
            variant="subtle"
            size="compact-xs"
            aria-label={say.removeLaterCost(i + 1)}
            onClick={() => form.removeListItem("running.later", i)}
          >
            Remove
          </Button>
        </div>
      ))}
      <Button
        variant="subtle"
        size="compact-sm"
        onClick={() => form.insertListItem("running.perYear", { what: "upkeep", amount: "0.00", risePerYearFrac: 0.02 })}
      >
        {say.addAYearlyCost}
      </Button>
      <Button
        variant="subtle"
        size="compact-sm"
        onClick={() => form.insertListItem("running.later", { what: "inverter", afterYears: 12, amount: "0.00" })}
      >
        {say.addAReplacement}
      </Button>
      <div className={styles.grid}>
        <ShareInput form={form} path="running.discountFrac" label="Discount rate, %" />
        <ShareInput form={form} path="running.interestTaxFrac" label={say.taxOnInterest} />
        <NumberField label="Horizon" unit="years" {...form.getInputProps("running.horizonYears")} />
        <TextInput label={say.leftAtTheEndScrap} inputMode="decimal" {...form.getInputProps("running.scrap")} />
      </div>
    </section>
  );
}
