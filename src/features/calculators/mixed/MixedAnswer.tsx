"use client";

import { ReadingsOnCurve } from "@/charts";
import type { MixedStrings } from "@/contracts/mixed-string";
import { type MixedReport, type MixedYear, ruleHolds } from "@/core/electrical";
import { Figure } from "@/features/kit/figures/Figure";
import chapter from "@/features/kit/look/Chapter.module.css";
import { ScrollBox } from "@/features/kit/look/ScrollBox";
import { ChartFrame } from "@/features/kit/save/ChartFrame";
import { DataTable } from "@/features/kit/table/DataTable";
import { number } from "@/wording/format";
import { CONNECTION_NAMES, say } from "@/wording/screens/calculators-mixed";
import { mixedWorking, mixedYearWorking } from "@/wording/workings/electrical-workings";
import type { BenchSun } from "../bench-sun";
import type { Connection } from "./mixed-strings";

interface CurvesChartProps {
  readonly report: MixedReport;
  readonly slug: string | null;
  readonly sentence: string;
}

export function CurvesChart({ report, slug, sentence }: CurvesChartProps) {
  return (
    <ChartFrame
      title={say.currentAndPowerOverVoltage}
      note={`${report.peaks.length} ${report.peaks.length === 1 ? "maximum" : "maxima"}; dashed: power`}
      fileName={`${slug ?? "bench"}-mixed-string`}
      height={300}
      summary={sentence}
      table={() => [
        ["voltage_v", "current_a", "power_w"],
        ...[...report.voltageV].map((v, k) => [v, report.currentA[k]!, v * report.currentA[k]!]),
      ]}
    >
      {(width) => (
        <ReadingsOnCurve
          width={width}
          height={300}
          withPower
          curve={[...report.voltageV].map((voltageV, k) => ({ voltageV, currentA: report.currentA[k]! }))}
          peaks={report.peaks}
          readings={[
            {
              label: say.ruleOfThumb,
              voltageV: report.rule.voltageV,
              currentA: report.rule.currentA,
              isOff: !ruleHolds(report),
            },
          ]}
        />
      )}
    </ChartFrame>
  );
}

/** The same modules connected in another of the choices, on one input. */
export interface OtherWay {
  readonly connection: Connection;
  readonly strings: MixedStrings;
  readonly report: MixedReport;
}

interface WaysTableProps {
  readonly report: MixedReport | null;
  /** As it is set, then each of the others. */
  readonly years: readonly (MixedYear | null)[] | null;
  readonly others: readonly OtherWay[];
  readonly strings: number;
  /** Price of an input beyond the first, and of electronics at a module; null while that is no number. */
  readonly input: number | null;
  readonly optimiser: number | null;
  readonly modules: number;
  readonly nameplateW: number;
  readonly sun: BenchSun;
  readonly currency: string;
}

interface WayRow {
  readonly name: string;
  readonly watts: number | undefined;
  readonly kwh: number | undefined;
  readonly cost: number | null;
  /** Whose curve it is. */
  readonly report: MixedReport | null;
  readonly year: MixedYear | null;
}

/** What ways of connecting the modules give, those that cost nothing first. */
function waysOf({ report, years, others, strings, input, optimiser, modules, nameplateW }: WaysTableProps): WayRow[] {
  const year = years?.[0] ?? null;
  const same = { report, year };
  const asOthers = others.map(({ connection, report: other }, k): WayRow => {
    const own = years?.[k + 1] ?? null;
    return { name: CONNECTION_NAMES[connection], watts: other.togetherW, kwh: own?.togetherKwh, cost: 0, report: other, year: own };
  });
  const times = (each: number | null, count: number): number | null => (each === null ? null : each * count);
  return [
    { name: say.asItIsSetHere, watts: report?.togetherW, kwh: year?.togetherKwh, cost: 0, ...same },
    ...asOthers,
    ...(strings > 1
      ? [{ name: say.everyStringOnItsOwn, watts: report?.byStringW, kwh: year?.byStringKwh, cost: times(input, strings - 1), ...same }]
      : []),
    { name: say.everyModuleOnItsOwn, watts: report?.byModuleW, kwh: year?.byModuleKwh, cost: times(optimiser, modules), ...same },
    { name: say.sumOfNameplates, watts: nameplateW, kwh: year?.nameplateKwh, cost: null, ...same },
  ];
}

export function WaysTable(props: WaysTableProps) {
  const { years, modules, sun, currency } = props;
  const base = years?.[0]?.togetherKwh;
  return (
    <ScrollBox label={say.waysToConnect}>
      <DataTable
        className={chapter.table}
        rows={waysOf(props)}
        rowKey={({ name }) => name}
        columns={[
          { key: "connected", head: "connected", cell: ({ name }) => name },
          {
            key: "now-w",
            head: "now, W",
            cell: ({ watts, report }) =>
              watts === undefined || !report ? (
                "…"
              ) : (
                <Figure plain working={() => mixedWorking(report, modules)}>
                  {number(watts)}
                </Figure>
              ),
          },
          {
            key: "year-a-year-kwh-dc",
            head: <>{sun.head}, kWh DC</>,
            cell: ({ name, kwh, year }) =>
              year && kwh !== undefined ? (
                <Figure plain working={() => mixedYearWorking(name, kwh, year, sun)}>
                  {number(kwh)}
                </Figure>
              ) : (
                "…"
              ),
          },
          {
            key: "more-kwh",
            head: "more, kWh",
            cell: ({ kwh }) => (base !== undefined && kwh !== undefined ? number(kwh - base, 1) : ""),
          },
          { key: "cost-site-currency", head: `cost, ${currency}`, cell: ({ cost }) => (cost === null ? "" : number(cost)) },
        ]}
      />
    </ScrollBox>
  );
}
