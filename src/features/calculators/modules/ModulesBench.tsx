"use client";

import { MultiSelect, NumberInput, SegmentedControl } from "@mantine/core";
import { type Dispatch, type SetStateAction, useState } from "react";
import { moduleLibrary } from "@/contracts/module-library";
import { type BuildPrices, costPerKwh, type ModuleGoal, type ModulePlan, modulePlan, siteWithModule } from "@/core/comparison";
import type { ModuleType } from "@/core/site";
import { noteEntry } from "@/features/field-book/note-entry";
import { WriteDown } from "@/features/field-book/WriteDown";
import { Cells } from "@/features/kit/figures/Cells";
import chapter from "@/features/kit/look/Chapter.module.css";
import { ScrollBox } from "@/features/kit/look/ScrollBox";
import segments from "@/features/kit/look/segments.module.css";
import { RuledTable } from "@/features/kit/table/RuledTable";
import { number, percent } from "@/wording/format";
import { say } from "@/wording/screens/calculators-modules";
import { modulePlanWorking } from "@/wording/workings/comparison-working";
import type { Working } from "@/wording/workings/working";
import styles from "../Bench.module.css";
import type { BenchProps } from "../bench-views";
import { useBenchAnswer, useBenchEngine } from "../use-bench-engine";

const MOST = 5;
const USUAL_PER_W = 0.24;

/** Two to five modules on this site: how many, how large, how they bear heat and weak light, what a kilowatt-hour costs. */
export function ModulesBench({ slug, site, year, nowUtcMs }: BenchProps) {
  const array = site.arrays[0]!;
  const all: Readonly<Record<string, ModuleType>> = {
    ...Object.fromEntries(moduleLibrary.map(({ name, fields }) => [name, fields])),
    ...site.modules,
  };
  const [names, setNames] = useState<string[]>(
    [array.module, ...moduleLibrary.map(({ name }) => name).filter((name) => name !== array.module)].slice(0, 3),
  );
  const [kind, setKind] = useState<ModuleGoal["kind"]>("power");
  const [amount, setAmount] = useState<Record<ModuleGoal["kind"], number>>({
    power: Math.round((site.modules[array.module]!.pmpW * array.count) / 100) / 10,
    area: Math.round((site.modules[array.module]!.areaM2 ?? 1.9) * array.count),
    count: array.count,
  });
  const [prices, setPrices] = useState<Record<string, number>>({});
  const [electronics, setElectronics] = useState<number | string>(0);
  const [racking, setRacking] = useState<number | string>(35);
  const [fixed, setFixed] = useState<number | string>(2500);
  const { engine } = useBenchEngine(slug, site, year);
  const goal: ModuleGoal =
    kind === "power" ? { kind, kwp: amount.power } : kind === "area" ? { kind, areaM2: amount.area } : { kind, count: amount.count };
  const chosen = names.flatMap((name) => {
    const module = all[name];
    if (!module || (kind === "area" && module.areaM2 === null)) return [];
    const each = prices[name] ?? Math.round(module.pmpW * USUAL_PER_W);
    const build: BuildPrices = {
      perModule: each,
      electronicsPerModule: Number(electronics),
      rackingPerM2: Number(racking),
      fixed: Number(fixed),
    };
    return [{ module, each, plan: modulePlan(name, module, goal, build) }];
  });
  const sites = chosen.map(({ module, plan }) => siteWithModule(site, array, plan.name, module, Math.max(1, plan.count)));
  const years = useBenchAnswer(engine, sites, (remote, asked) => remote.years(asked));
  const kwhOf = (k: number): number | null => (years && years.length === chosen.length ? (years[k] ?? null) : null);
  const { discountFrac, horizonYears } = site.money.running;
  const lifeYears = Math.max(1, Math.round(horizonYears));
  const costs = chosen.map(({ plan }, k) => {
    const kwh = kwhOf(k);
    return kwh === null ? null : costPerKwh(plan.cost, kwh, lifeYears, site.ageing.perYearFrac, discountFrac);
  });
  const workingOf = (k: number) => (): Working => {
    const { plan, module } = chosen[k]!;
    return modulePlanWorking(plan, module, kwhOf(k), costs[k] ?? null, { year, lifeYears, discountFrac, currency: site.currency });
  };
  const costOf = (k: number): string => {
    const cost = costs[k];
    return cost === null || cost === undefined ? "…" : number(cost, 3);
  };
  const ranked = costs
    .flatMap((cost, k) => (cost === null || Number.isNaN(cost) ? [] : [{ cost, name: chosen[k]!.plan.name }]))
    .sort((a, b) => a.cost - b.cost);
  const [best] = ranked;
  const sentence = best ? say.givesTheCheapestKilowattHourHere(best.name, number(best.cost, 3), site.currency) : "";
  return (
    <>
      <p className={chapter.verdict} data-testid="modules-sentence">
        {sentence || (year === null ? say.bringAYearOfWeatherAnd : say.theYearIsBeingRunFor)}
      </p>
      <div className={styles.tools}>
        <MultiSelect label={say.modulesTwoToFive} data={Object.keys(all)} value={names} onChange={setNames} maxValues={MOST} miw={320} />
        <SpaceChoice kind={kind} setKind={setKind} />
        <NumberInput
          label={kind === "power" ? "kWp" : kind === "area" ? "m²" : "modules"}
          hideControls
          min={0.1}
          value={amount[kind]}
          onChange={(value) => setAmount({ ...amount, [kind]: Number(value) || 1 })}
        />
        <NumberInput label={say.electronicsAModule(site.currency)} hideControls min={0} value={electronics} onChange={setElectronics} />
        <NumberInput label={`Racking a m², ${site.currency}`} hideControls min={0} value={racking} onChange={setRacking} />
        <NumberInput label={`All else, ${site.currency}`} hideControls min={0} value={fixed} onChange={setFixed} />
      </div>
      <PlansTable
        site={site}
        year={year}
        chosen={chosen}
        best={best}
        workingOf={workingOf}
        setPrices={setPrices}
        prices={prices}
        kwhOf={kwhOf}
        costOf={costOf}
      />
      <Coefficients chosen={chosen} />
      <WriteDown slug={slug} disabled={!best} entry={() => noteEntry(nowUtcMs, `Modules compared: ${sentence}`)} />
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

interface PlansTableProps {
  readonly site: BenchProps["site"];
  readonly year: string | null;
  readonly chosen: { module: ModuleType; each: number; plan: ModulePlan }[];
  readonly best: { cost: number; name: string } | undefined;
  readonly workingOf: (k: number) => () => Working;
  readonly setPrices: Dispatch<SetStateAction<Record<string, number>>>;
  readonly prices: Record<string, number>;
  readonly kwhOf: (k: number) => number | null;
  readonly costOf: (k: number) => string;
}

function PlansTable({ site, year, chosen, best, workingOf, setPrices, prices, kwhOf, costOf }: PlansTableProps) {
  return (
    <ScrollBox label="Modules">
      <RuledTable className={chapter.table}>
        <thead>
          <tr>
            <th scope="col">module</th>
            <th scope="col">count</th>
            <th scope="col">kWp</th>
            <th scope="col">m²</th>
            <th scope="col">efficiency</th>
            <th scope="col">cells at 65 °C</th>
            <th scope="col">200 W/m²</th>
            <th scope="col">{`each, ${site.currency}`}</th>
            <th scope="col">{`system, ${site.currency}`}</th>
            <th scope="col">{`${year ?? "a year"}, kWh`}</th>
            <th scope="col">kWh/kWp</th>
            <th scope="col">{`a kWh, ${site.currency}`}</th>
          </tr>
        </thead>
        <tbody>
          {chosen.map(({ plan, each }, k) => (
            <PlanRow
              key={plan.name}
              plan={plan}
              best={best}
              workingOf={workingOf}
              k={k}
              each={each}
              setPrices={setPrices}
              prices={prices}
              kwhOf={kwhOf}
              costOf={costOf}
            />
          ))}
        </tbody>
      </RuledTable>
    </ScrollBox>
  );
}

interface PlanRowProps {
  readonly plan: ModulePlan;
  readonly best: { cost: number; name: string } | undefined;
  readonly workingOf: (k: number) => () => Working;
  readonly k: number;
  readonly each: number;
  readonly setPrices: Dispatch<SetStateAction<Record<string, number>>>;
  readonly prices: Record<string, number>;
  readonly kwhOf: (k: number) => number | null;
  readonly costOf: (k: number) => string;
}

function PlanRow({ plan, best, workingOf, k, each, setPrices, prices, kwhOf, costOf }: PlanRowProps) {
  return (
    <tr style={plan.name === best?.name ? { background: "var(--paper-deep)", fontWeight: 700 } : undefined}>
      <td>{plan.name}</td>
      <Cells working={workingOf(k)}>
        {[
          number(plan.count),
          number(plan.kwp, 2),
          plan.areaM2 === null ? "–" : number(plan.areaM2, 1),
          plan.efficiencyFrac === null ? "–" : percent(plan.efficiencyFrac),
          percent(plan.hotFrac),
          plan.lowLightFrac === null ? "–" : percent(plan.lowLightFrac),
        ]}
      </Cells>
      <td>
        <NumberInput
          aria-label={say.priceOfOne(plan.name)}
          hideControls
          min={0}
          value={each}
          onChange={(value) => setPrices({ ...prices, [plan.name]: Number(value) || 0 })}
          w={70}
          ml="auto"
          styles={{ input: { textAlign: "right" } }}
        />
      </td>
      <Cells working={workingOf(k)}>
        {[
          number(plan.cost),
          kwhOf(k) === null ? "…" : number(kwhOf(k)!),
          kwhOf(k) === null ? "…" : number(kwhOf(k)! / plan.kwp),
          costOf(k),
        ]}
      </Cells>
    </tr>
  );
}

/** What the signs of the coefficients mean, with this module's own numbers. */
function Coefficients({ chosen }: { chosen: readonly { readonly plan: ModulePlan; readonly module: ModuleType }[] }) {
  const [first] = chosen;
  if (!first) return null;
  const { gammaPmpPerK, betaVocPerK, alphaIscPerK } = first.module;
  const at = (perK: number): string => `${perK < 0 ? "−" : "+"}${number(Math.abs(perK * 40 * 100), 1)} %`;
  return <p className={chapter.soft}>{say.signsByCells40KWarmer(first.plan.name, at(gammaPmpPerK), at(betaVocPerK), at(alphaIscPerK))}</p>;
}
