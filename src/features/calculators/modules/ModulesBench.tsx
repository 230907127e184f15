"use client";

import { MultiSelect, SegmentedControl } from "@mantine/core";
import { type Dispatch, type SetStateAction, useState } from "react";
import { z } from "zod";
import { type BuildPrices, costPerKwh, type ModuleGoal, modulePlan, siteWithModule } from "@/core/comparison";
import type { ModuleType } from "@/core/site";
import { useKept } from "@/features/data/use-kept";
import { NumberField } from "@/features/kit/fields/NumberField";
import chapter from "@/features/kit/look/Chapter.module.css";
import segments from "@/features/kit/look/segments.module.css";
import { number } from "@/wording/format";
import { say } from "@/wording/screens/calculators-modules";
import { modulePlanWorking } from "@/wording/workings/comparison-working";
import type { Working } from "@/wording/workings/working";
import styles from "../Bench.module.css";
import { BenchNote } from "../BenchNote";
import type { BenchProps } from "../bench-views";
import { OwnModuleLine } from "../own-modules/OwnModuleLine";
import { useOwnModules } from "../own-modules/use-own-modules";
import { useBenchAnswer, useBenchEngine } from "../use-bench-engine";
import { type NumberFields, useNumberFields } from "../use-number-fields";
import { type ChosenPlan, Coefficients, PlansTable } from "./PlansTable";

const MOST = 5;
const namesSchema = z.array(z.string().max(80)).max(MOST).nullable();
const USUAL_PER_W = 0.24;

/** Two to five modules on this site: how many, how large, how they bear heat and weak light, what a kilowatt-hour costs. */
export function ModulesBench({ slug, site, sun, nowUtcMs }: BenchProps) {
  const array = site.arrays[0]!;
  const modules = useOwnModules(site);
  const { all } = modules;
  const [kept, setNames] = useKept<string[] | null>(`dusty-ledger:modules:${slug ?? ""}`, namesSchema, null);
  const names = kept?.filter((name) => all[name]) ?? firstNames(array.module, all);
  const { kind, setKind, amount, setAmount, goal } = useGoal(site);
  const [prices, setPrices] = useState<Record<string, number>>({});
  const shared = useNumberFields({ electronics: 0, racking: 35, fixed: 2500 });
  const chosen = plansOf(all, names, goal, prices, {
    electronicsPerModule: Number(shared.typed.electronics),
    rackingPerM2: Number(shared.typed.racking),
    fixed: Number(shared.typed.fixed),
  });
  const { kwhOf, costs, lifeYears } = usePlanCosts(slug, site, sun, chosen);
  const workingOf = (k: number) => (): Working => {
    const { plan, module } = chosen[k]!;
    return modulePlanWorking(plan, module, kwhOf(k), costs[k] ?? null, {
      sun,
      lifeYears,
      discountFrac: site.money.running.discountFrac,
      currency: site.currency,
    });
  };
  const costOf = (k: number): string => costText(costs[k] ?? null);
  const best = cheapest(chosen, costs);
  const sentence = cheapestWords(best, chosen, prices, site.currency);
  return (
    <>
      <p className={chapter.verdict} data-lines="2" data-testid="modules-sentence">
        {sentence ? `${sun.opening}${sentence}` : say.theYearIsBeingRunFor}
      </p>
      <div className={styles.tools}>
        <MultiSelect label={say.modulesTwoToFive} data={Object.keys(all)} value={names} onChange={setNames} maxValues={MOST} miw={320} />
        <SpaceChoice kind={kind} setKind={setKind} />
        <NumberField
          label={kind === "power" ? "kWp" : kind === "area" ? "m²" : "modules"}
          min={0.1}
          value={amount}
          onChange={(value) => setAmount(Number(value) || 1)}
        />
        <SharedPrices currency={site.currency} prices={shared} />
      </div>
      <PlansTable
        site={site}
        sun={sun}
        chosen={chosen}
        best={best}
        workingOf={workingOf}
        setPrices={setPrices}
        prices={prices}
        kwhOf={kwhOf}
        costOf={costOf}
      />
      <Coefficients chosen={chosen} />
      <OwnModuleLine modules={modules} />
      <BenchNote slug={slug} nowUtcMs={nowUtcMs} words={best ? `Modules compared: ${sentence}` : ""} />
    </>
  );
}

/** Which module gives the cheapest kilowatt-hour, and whether by typed prices or by assumed ones; nothing before the years are run. */
function cheapestWords(
  best: ReturnType<typeof cheapest>,
  chosen: readonly ChosenPlan[],
  prices: Readonly<Record<string, number>>,
  currency: string,
): string {
  if (!best) return "";
  const isAssumed = chosen.some(({ plan }) => prices[plan.name] === undefined);
  return say.givesTheCheapestKilowattHourHere(best.name, number(best.cost, 3), currency, isAssumed);
}

/** What is to be filled, so much of it: as much as stands there until somebody says otherwise. */
function useGoal({ arrays, modules }: BenchProps["site"]) {
  const { count, module } = arrays[0]!;
  const { pmpW, areaM2 } = modules[module]!;
  const [kind, setKind] = useState<ModuleGoal["kind"]>("power");
  const [amounts, setAmounts] = useState<Record<ModuleGoal["kind"], number>>({
    power: Math.round((pmpW * count) / 100) / 10,
    area: Math.round((areaM2 ?? 1.9) * count),
    count,
  });
  const amount = amounts[kind];
  const goal: ModuleGoal = kind === "power" ? { kind, kwp: amount } : kind === "area" ? { kind, areaM2: amount } : { kind, count: amount };
  return { kind, setKind, amount, setAmount: (value: number) => setAmounts({ ...amounts, [kind]: value }), goal };
}

const costText = (cost: number | null): string => (cost === null ? "…" : number(cost, 3));

/** The plan whose kilowatt-hour costs least; none before the years are run. */
const cheapest = (chosen: readonly ChosenPlan[], costs: readonly (number | null)[]) =>
  costs
    .flatMap((cost, k) => (cost === null || Number.isNaN(cost) ? [] : [{ cost, name: chosen[k]!.plan.name }]))
    .sort((a, b) => a.cost - b.cost)[0];

/** Each plan's year in this sun, and what its kilowatt-hour costs over its life; null until the years are run. */
function usePlanCosts(slug: string | null, site: BenchProps["site"], sun: BenchProps["sun"], chosen: readonly ChosenPlan[]) {
  const { engine } = useBenchEngine(slug, site, sun);
  const sites = chosen.map(({ module, plan }) => siteWithModule(site, site.arrays[0]!, plan.name, module, Math.max(1, plan.count)));
  const years = useBenchAnswer(engine, sites, (remote, asked) => remote.years(asked));
  const kwhOf = (k: number): number | null => (years && years.length === chosen.length ? (years[k] ?? null) : null);
  const { discountFrac, horizonYears } = site.money.running;
  const lifeYears = Math.max(1, Math.round(horizonYears));
  const costs = chosen.map(({ plan }, k) => {
    const kwh = kwhOf(k);
    return kwh === null ? null : costPerKwh(plan.cost, kwh, lifeYears, site.ageing, discountFrac);
  });
  return { kwhOf, costs, lifeYears };
}

/** The array's own and two others, own ones first. */
const firstNames = (own: string, all: Readonly<Record<string, ModuleType>>): string[] =>
  [own, ...Object.keys(all).filter((name) => name !== own)].slice(0, 3);

/** The plan with each of these modules; those without an area can't fill one. */
function plansOf(
  all: Readonly<Record<string, ModuleType>>,
  names: readonly string[],
  goal: ModuleGoal,
  prices: Readonly<Record<string, number>>,
  others: Omit<BuildPrices, "perModule">,
): ChosenPlan[] {
  return names.flatMap((name) => {
    const module = all[name];
    if (!module || (goal.kind === "area" && module.areaM2 === null)) return [];
    const each = prices[name] ?? Math.round(module.pmpW * USUAL_PER_W);
    return [{ module, each, plan: modulePlan(name, module, goal, { ...others, perModule: each }) }];
  });
}

interface SharedPricesProps {
  readonly currency: string;
  readonly prices: NumberFields<"electronics" | "racking" | "fixed">;
}

/** What is paid besides the modules. */
function SharedPrices({ currency, prices: { typed, into } }: SharedPricesProps) {
  return (
    <>
      <NumberField label={say.electronicsAModule(currency)} min={0} value={typed.electronics} onChange={into("electronics")} />
      <NumberField label="Racking a m²" unit={currency} min={0} value={typed.racking} onChange={into("racking")} />
      <NumberField label="All else" unit={currency} min={0} value={typed.fixed} onChange={into("fixed")} />
    </>
  );
}

interface SpaceChoiceProps {
  readonly kind: "power" | "area" | "count";
  readonly setKind: Dispatch<SetStateAction<"power" | "area" | "count">>;
}

function SpaceChoice({ kind, setKind }: SpaceChoiceProps) {
  return (
    <SegmentedControl
      classNames={segments}
      size="xs"
      data={[
        { value: "power", label: say.forAPower },
        { value: "area", label: say.forAnArea },
        { value: "count", label: "so many" },
      ]}
      value={kind}
      onChange={(value) => setKind(value)}
    />
  );
}
