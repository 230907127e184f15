"use client";

import { Button, NumberInput, SegmentedControl, TextInput } from "@mantine/core";
import { useForm } from "@mantine/form";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { moneySchema, type SiteDocument } from "@/contracts/site";
import { type EnergyBasis, type MoneyReport, moneyOf } from "@/core/money";
import type { LedgerLine } from "@/core/reconcile";
import { asRefused, call, type RefusedCall } from "@/features/api";
import { Figure } from "@/features/figures/Figure";
import { dateName, money, number, percent, yearsAndMonths } from "@/features/figures/format";
import chapter from "@/features/look/Chapter.module.css";
import { ScrollBox } from "@/features/look/ScrollBox";
import { Refused } from "@/features/problems/ProblemList";
import { firstYearWorking, type MoneyContext, risingWorking, simpleWorking } from "@/features/workings/money-workings";
import { BalanceChart } from "./BalanceChart";
import styles from "./MoneyChapter.module.css";

export interface MoneyChapterProps {
  readonly slug: string;
  readonly version: number;
  readonly site: SiteDocument;
  readonly months: readonly LedgerLine[];
  readonly promise: readonly number[] | null;
}

type Terms = SiteDocument["money"];

function validate(terms: Terms): Record<string, string> {
  const parsed = moneySchema.safeParse(terms);
  return parsed.success ? {} : Object.fromEntries(parsed.error.issues.map((issue) => [issue.path.join("."), issue.message]));
}

const useTermsForm = (initialValues: Terms) => useForm({ initialValues, validate, validateInputOnChange: true });
type Form = ReturnType<typeof useTermsForm>;

/** When the money comes back: the terms left, the answer and its curve right; every change answers at once. */
export function MoneyChapter({ slug, version, site, months, promise }: MoneyChapterProps) {
  const router = useRouter();
  const [held, setHeld] = useState(version);
  const [refusal, setRefusal] = useState<RefusedCall | null>(null);
  const [note, setNote] = useState("");
  const [basis, setBasis] = useState<EnergyBasis | null>(null);
  const form = useTermsForm(site.money);
  const valid = Object.keys(validate(form.values)).length === 0;
  const shown = { ...site, money: valid ? form.values : site.money };
  const report = moneyOf(shown, months, promise, { basis });
  const energy = report.energies.find((candidate) => candidate.basis === report.basis);
  const context: MoneyContext | null = report.payback && energy ? { site: shown, energy, payback: report.payback } : null;
  const save = form.onSubmit(async (values) => {
    setRefusal(null);
    try {
      const saved = await call<{ version: number }>("PUT", `/api/books/${slug}`, { version: held, site: { ...site, money: values } });
      setHeld(saved.version);
      form.resetDirty();
      setNote("Saved.");
      router.refresh();
    } catch (error) {
      setRefusal(asRefused(error));
    }
  });
  return (
    <div className={chapter.page}>
      <h1>{site.name}</h1>
      <PaybackSentence report={report} context={context} commissioned={site.commissioned} />
      <div className={`${chapter.columns} ${styles.columns}`}>
        <form onSubmit={save} noValidate>
          <TermsFields form={form} currency={site.currency} commissioned={site.commissioned} />
          {refusal && <Refused refusal={refusal} />}
          <div className={chapter.actions}>
            <Button type="submit" disabled={!form.isDirty()}>
              Save the terms
            </Button>
            <Button variant="default" disabled={!form.isDirty()} onClick={form.reset}>
              Undo changes
            </Button>
            <span className={chapter.soft} role="status">
              {note}
            </span>
          </div>
        </form>
        <div>
          {report.energies.length > 0 && (
            <div className={styles.basis}>
              <span id="basis">Energy counted</span>
              <SegmentedControl
                aria-labelledby="basis"
                size="xs"
                value={report.basis ?? ""}
                onChange={(value) => setBasis(value as EnergyBasis)}
                data={report.energies.map((e) => ({ value: e.basis, label: `${e.basis} ${number(e.firstYearKwh)} kWh` }))}
              />
            </div>
          )}
          {context && <BalanceChart slug={slug} context={context} />}
          {context && <YearTable context={context} />}
        </div>
      </div>
    </div>
  );
}

const MISSING_WORDS = {
  cost: "what it cost",
  price: "the price of a bought kWh",
  energy: "a year of energy (readings, weather or a promise)",
} as const;

function PaybackSentence({
  report,
  context,
  commissioned,
}: {
  report: MoneyReport;
  context: MoneyContext | null;
  commissioned: string | null;
}) {
  if (!context || !report.payback) {
    return (
      <p className={chapter.verdict}>
        No payback yet: {report.missing.map((item) => MISSING_WORDS[item]).join(" and ")} {report.missing.length === 1 ? "is" : "are"}{" "}
        missing.
      </p>
    );
  }
  const { risingYears, simpleYears, netCost, firstYearValue } = report.payback;
  const { tariff } = context.site.money;
  const simple = <Figure working={() => simpleWorking(context)}>{simpleYears === null ? "never" : yearsAndMonths(simpleYears)}</Figure>;
  return (
    <p className={chapter.verdict}>
      {risingYears === null ? (
        <strong className={chapter.clay}>
          The money does not come back within <Figure working={() => risingWorking(context)}>{report.payback.years.length} years</Figure>.
        </strong>
      ) : (
        <>
          The money comes back in <Figure working={() => risingWorking(context)}>{yearsAndMonths(risingYears)}</Figure>
          {commissioned && <>, on about {dateName(breakEven(commissioned, risingYears))}</>}, with prices rising{" "}
          {percent(tariff.priceRisePerYearFrac)} a year and modules ageing.
        </>
      )}{" "}
      With neither, in {simple}: {money(netCost, 0)} {report.currency} against {money(firstYearValue, 0)} in the first year from{" "}
      <Figure working={() => firstYearWorking(context)}>{number(context.energy.firstYearKwh)} kWh</Figure>.
    </p>
  );
}

function breakEven(commissioned: string, years: number): string {
  return new Date(Date.parse(commissioned) + years * 365.2425 * 86_400_000).toISOString().slice(0, 10);
}

function TermsFields({ form, currency, commissioned }: { form: Form; currency: string; commissioned: string | null }) {
  const today = commissioned ?? "2020-01-01";
  const text = (path: "tariff.importPerKwh" | "tariff.exportPerKwh") => ({
    ...form.getInputProps(path),
    value: (path === "tariff.importPerKwh" ? form.values.tariff.importPerKwh : form.values.tariff.exportPerKwh) ?? "",
    onChange: (event: { currentTarget: { value: string } }) =>
      form.setFieldValue(path, event.currentTarget.value.trim() === "" ? null : event.currentTarget.value.trim().replace(",", ".")),
  });
  const share = (path: "tariff.priceRisePerYearFrac" | "tariff.selfUsedFrac", value: number) => ({
    hideControls: true,
    decimalScale: 2,
    value: Number((value * 100).toFixed(4)),
    error: form.errors[path],
    onChange: (next: string | number) => form.setFieldValue(path, typeof next === "number" ? next / 100 : 0),
  });
  return (
    <>
      <section className={chapter.section}>
        <h2>Costs, {currency}</h2>
        <Sums form={form} list="costs" />
        <Button
          variant="subtle"
          size="compact-sm"
          onClick={() => form.insertListItem("costs", { on: today, amount: "0.00", what: form.values.costs.length === 0 ? "system" : "" })}
        >
          Add a cost
        </Button>
      </section>
      <section className={chapter.section}>
        <h2>Incentives, {currency}</h2>
        <Sums form={form} list="incentives" />
        <Button
          variant="subtle"
          size="compact-sm"
          onClick={() => form.insertListItem("incentives", { on: today, amount: "0.00", what: "" })}
        >
          Add an incentive
        </Button>
      </section>
      <section className={chapter.section}>
        <h2>Worth of a kilowatt-hour</h2>
        <div className={styles.grid}>
          <TextInput label={`Bought, ${currency} a kWh`} inputMode="decimal" placeholder="0.178" {...text("tariff.importPerKwh")} />
          <TextInput label={`Exported, ${currency} a kWh`} inputMode="decimal" placeholder="nothing" {...text("tariff.exportPerKwh")} />
          <NumberInput label="Used on the spot, %" {...share("tariff.selfUsedFrac", form.values.tariff.selfUsedFrac)} />
          <NumberInput label="Price rise a year, %" {...share("tariff.priceRisePerYearFrac", form.values.tariff.priceRisePerYearFrac)} />
        </div>
      </section>
    </>
  );
}

function Sums({ form, list }: { form: Form; list: "costs" | "incentives" }) {
  return form.values[list].map((_, i) => (
    // biome-ignore lint/suspicious/noArrayIndexKey: sums have no name of their own
    <div className={styles.sum} key={i}>
      <TextInput label="On" {...form.getInputProps(`${list}.${i}.on`)} />
      <TextInput label="Amount" inputMode="decimal" {...form.getInputProps(`${list}.${i}.amount`)} />
      <TextInput label="For" {...form.getInputProps(`${list}.${i}.what`)} />
      <Button variant="subtle" size="compact-xs" aria-label={`Remove ${list} ${i + 1}`} onClick={() => form.removeListItem(list, i)}>
        Remove
      </Button>
    </div>
  ));
}

function YearTable({ context }: { context: MoneyContext }) {
  const { payback, site } = context;
  const turned = payback.years.findIndex((year) => Number(year.balance) >= 0);
  return (
    <ScrollBox label="Year by year" className={styles.years}>
      <table className={chapter.table}>
        <caption className={styles.hidden}>Year by year</caption>
        <thead>
          <tr>
            <th scope="col">year</th>
            <th scope="col">
              energy
              <br />
              kWh
            </th>
            <th scope="col">
              worth
              <br />
              {site.currency} a kWh
            </th>
            <th scope="col">
              saved
              <br />
              {site.currency}
            </th>
            <th scope="col">
              balance
              <br />
              {site.currency}
            </th>
            <th scope="col">
              without rise, ageing
              <br />
              {site.currency}
            </th>
          </tr>
        </thead>
        <tbody>
          {payback.years.map((year, i) => (
            <tr key={year.year} data-turned={i === turned || undefined} className={styles.year}>
              <td>{year.year}</td>
              <td>{number(year.energyKwh)}</td>
              <td>{year.valuePerKwh}</td>
              <td>{money(year.value, 0)}</td>
              <td>{money(year.balance, 0)}</td>
              <td className={chapter.soft}>{money(year.simpleBalance, 0)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </ScrollBox>
  );
}
