"use client";

import { Button, SegmentedControl } from "@mantine/core";
import { useState } from "react";
import { PriceYearMap } from "@/charts";
import type { PlanDocument } from "@/contracts/tariff";
import { type PriceYear, priceYear } from "@/core/money";
import chapter from "@/features/kit/look/Chapter.module.css";
import { Refused } from "@/features/kit/problems/ProblemList";
import { ChartFrame } from "@/features/kit/save/ChartFrame";
import { number } from "@/wording/format";
import { say } from "@/wording/screens/money-tariff";
import styles from "../MoneyChapter.module.css";
import type { MoneyProps } from "../money-props";
import { useMoneySave } from "../use-money-save";
import { ComparisonTable, comparisonWords } from "./ComparisonTable";
import { draftFaults, PlanEditor } from "./PlanEditor";
import { PresetChoice } from "./PresetChoice";
import { draftOf, type PlanDraft, planOfDraft } from "./plan-draft";

type List = "plans" | "offers";
const LISTS: readonly { readonly id: List; readonly head: string; readonly add: string }[] = [
  { id: "plans", head: say.plansThatWereAndAreIn, add: say.addAPlan },
  { id: "offers", head: say.plansThatCouldBeHadInstead, add: say.addAnOffer },
];

/** What a kWh costs at every hour of a year, the plans behind it, and which would have been cheapest. */
export function TariffView({ slug, version, site, bills, comparison, today }: MoneyProps) {
  const { save, refusal, note } = useMoneySave(slug, version, site);
  const { currency, money } = site;
  const [drafts, setDrafts] = useState<Readonly<Record<List, readonly PlanDraft[]>>>({
    plans: money.plans.map(draftOf),
    offers: money.offers.map(draftOf),
  });
  const befores = new Map([...money.plans, ...money.offers].map((plan) => [plan.id, plan]));
  const beforeOf = (draft: PlanDraft): PlanDocument | null => befores.get(draft.id) ?? null;
  const read = (list: List): PlanDocument[] => drafts[list].flatMap((draft) => planOfDraft(draft, beforeOf(draft)).plan ?? []);
  const plans = read("plans");
  const faulty = LISTS.some(({ id }) => drafts[id].some((draft) => draftFaults(draft, beforeOf(draft), currency).length > 0));
  const isDirty = JSON.stringify(drafts) !== JSON.stringify({ plans: money.plans.map(draftOf), offers: money.offers.map(draftOf) });
  const years = yearsOf(plans, comparison?.to.slice(0, 4));
  const [chosen, setChosen] = useState<string | null>(null);
  const year = chosen !== null && years.includes(chosen) ? chosen : years.at(-1);
  const change = (list: List, next: readonly PlanDraft[]): void => setDrafts({ ...drafts, [list]: next });
  const billBands = [...new Set(bills.flatMap(({ importByBandKwh }) => Object.keys(importByBandKwh)))];
  const picture = plans.length > 0 && year !== undefined ? priceYear(plans, firstDayOf(plans, year)) : null;
  return (
    <>
      <p className={chapter.verdict} data-testid="tariff-verdict">
        {verdictOf(plans, comparison, currency)}
      </p>
      {years.length > 1 && (
        <div className={styles.yearChoice}>
          <SegmentedControl size="xs" aria-label="Year" value={year ?? ""} onChange={setChosen} data={years} />
        </div>
      )}
      {picture && <HoursChart currency={currency} slug={slug} year={year} picture={picture} />}
      {picture && <PriceKey picture={picture} />}
      {comparison && <ComparisonTable comparison={comparison} currency={currency} />}
      {LISTS.map(({ id, head, add }) => (
        <PlansSection
          key={id}
          id={id}
          head={head}
          drafts={drafts}
          beforeOf={beforeOf}
          currency={currency}
          change={change}
          billBands={billBands}
          firstDay={site.commissioned ?? `${today.slice(0, 4)}-01-01`}
          add={add}
        />
      ))}
      {refusal && <Refused refusal={refusal} />}
      <div className={chapter.actions}>
        <Button disabled={!isDirty || faulty} onClick={() => void save({ ...money, plans: read("plans"), offers: read("offers") })}>
          {say.saveThePlans}
        </Button>
        <span className={chapter.soft} role="status">
          {note}
        </span>
      </div>
    </>
  );
}

function verdictOf(plans: readonly PlanDocument[], comparison: MoneyProps["comparison"], currency: string): string {
  if (plans.length === 0) return say.noPlanYetEnterTheTariff;
  return comparison
    ? comparisonWords(comparison, currency)
    : "With twelve months of bills, production and exported energy this page says which plan would have been cheapest.";
}

interface HoursChartProps {
  readonly currency: string;
  readonly slug: string;
  readonly year: string | undefined;
  readonly picture: PriceYear;
}

function HoursChart({ currency, slug, year, picture }: HoursChartProps) {
  return (
    <ChartFrame
      title={say.aBoughtKwhHourByHour(currency)}
      fileName={`${slug}-price-${year}`}
      height={210}
      summary={say.priceOfABoughtKwhAt(year)}
      table={() => [
        ["date", "hour", "per_kwh", "band"],
        ...picture.dates.flatMap((date, d) =>
          Array.from({ length: 24 }, (_, h) => [date, h, picture.perKwh[d * 24 + h] ?? null, picture.bandOf[d * 24 + h] ?? null]),
        ),
      ]}
    >
      {(width) => <PriceYearMap {...picture} width={width} height={210} label={(price) => `${number(price, 4)} ${currency}`} />}
    </ChartFrame>
  );
}

interface PlansSectionProps {
  readonly id: List;
  readonly head: string;
  readonly drafts: Readonly<Record<List, readonly PlanDraft[]>>;
  readonly beforeOf: (draft: PlanDraft) => PlanDocument | null;
  readonly currency: string;
  readonly change: (list: List, next: readonly PlanDraft[]) => void;
  readonly billBands: readonly string[];
  /** From which day a new plan holds until somebody says it better. */
  readonly firstDay: string;
  readonly add: string;
}

function PlansSection({ id, head, drafts, beforeOf, currency, billBands, change, firstDay, add }: PlansSectionProps) {
  return (
    <section className={chapter.section}>
      <h2>{head}</h2>
      {drafts[id].map((draft, k) => (
        <PlanEditor
          key={draft.id}
          draft={draft}
          before={beforeOf(draft)}
          currency={currency}
          billBands={billBands}
          onChange={(next) =>
            change(
              id,
              drafts[id].map((each, at) => (at === k ? next : each)),
            )
          }
          onRemove={() =>
            change(
              id,
              drafts[id].filter((_, at) => at !== k),
            )
          }
        />
      ))}
      <PresetChoice
        words={add}
        isOpen={id === "plans" && drafts.plans.length === 0}
        choose={(preset) => change(id, [...drafts[id], preset.draft(`plan-${Date.now().toString(36)}`, firstDay)])}
      />
    </section>
  );
}

/** A year is drawn from its first day; the first year of all plans from the day on which they begin. */
function firstDayOf(plans: readonly PlanDocument[], year: string): string {
  const begins = plans.map(({ from }) => from).sort()[0]!;
  return begins.startsWith(year) ? begins : `${year}-01-01`;
}

/** Years that the plans speak of, the last eight. */
function yearsOf(plans: readonly PlanDocument[], last: string | undefined): string[] {
  const first = Math.min(...plans.map(({ from }) => Number(from.slice(0, 4))));
  const end = Math.max(Number(last ?? 0), ...plans.map(({ from, to }) => Number((to ?? from).slice(0, 4))));
  if (plans.length === 0 || !Number.isFinite(first)) return [];
  return Array.from({ length: Math.min(8, end - first + 1) }, (_, k) => String(end - Math.min(7, end - first) + k));
}

/** The bands of the picture's year with their prices, dearest first. */
function PriceKey({ picture }: { picture: ReturnType<typeof priceYear> }) {
  const prices = new Map<string, number>();
  picture.bandOf.forEach((band, i) => {
    if (band !== null && !prices.has(band)) prices.set(band, picture.perKwh[i]!);
  });
  return (
    <p className={styles.key}>
      {[...prices]
        .sort(([, a], [, b]) => b - a)
        .map(([band, price]) => (
          <span key={band}>
            {band} <b>{number(price, 4)}</b>
          </span>
        ))}
      <span className={chapter.soft}>{say.leviesAndTaxesInDeeperIs}</span>
    </p>
  );
}
