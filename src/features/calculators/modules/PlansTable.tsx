"use client";

import type { Dispatch, SetStateAction } from "react";
import type { ModulePlan } from "@/core/comparison";
import type { ModuleType } from "@/core/site";
import { knownNumber } from "@/features/kit/fields/known-number";
import { NumberField } from "@/features/kit/fields/NumberField";
import { Cells } from "@/features/kit/figures/Cells";
import chapter from "@/features/kit/look/Chapter.module.css";
import { ScrollBox } from "@/features/kit/look/ScrollBox";
import { RuledTable } from "@/features/kit/table/RuledTable";
import { measure, number, percent } from "@/wording/format";
import { say } from "@/wording/screens/calculators-modules";
import type { Working } from "@/wording/workings/working";
import type { BenchSun } from "../bench-sun";
import type { BenchProps } from "../bench-views";

export interface ChosenPlan {
  readonly module: ModuleType;
  /** What one costs. */
  readonly each: number;
  readonly plan: ModulePlan;
}

interface PlansTableProps {
  readonly site: BenchProps["site"];
  readonly sun: BenchSun;
  readonly chosen: readonly ChosenPlan[];
  readonly best: { cost: number; name: string } | undefined;
  readonly workingOf: (k: number) => () => Working;
  readonly setPrices: Dispatch<SetStateAction<Record<string, number>>>;
  readonly prices: Record<string, number>;
  readonly kwhOf: (k: number) => number | null;
  readonly costOf: (k: number) => string;
}

export function PlansTable({ site, sun, chosen, best, workingOf, setPrices, prices, kwhOf, costOf }: PlansTableProps) {
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
            <th scope="col">{`cells at ${measure(65, "°C")}`}</th>
            <th scope="col">200 W/m²</th>
            <th scope="col">{`each, ${site.currency}`}</th>
            <th scope="col">{`system, ${site.currency}`}</th>
            <th scope="col">{`${sun.head}, kWh`}</th>
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
        <NumberField
          aria-label={say.priceOfOne(plan.name)}
          min={0}
          value={each}
          onChange={knownNumber((value) => setPrices({ ...prices, [plan.name]: value }))}
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
export function Coefficients({ chosen }: { chosen: readonly { readonly plan: ModulePlan; readonly module: ModuleType }[] }) {
  const [first] = chosen;
  if (!first) return null;
  const { gammaPmpPerK, betaVocPerK, alphaIscPerK } = first.module;
  const at = (perK: number): string => `${perK < 0 ? "−" : "+"}${number(Math.abs(perK * 40 * 100), 1)} %`;
  return <p className={chapter.soft}>{say.signsByCells40KWarmer(first.plan.name, at(gammaPmpPerK), at(betaVocPerK), at(alphaIscPerK))}</p>;
}
