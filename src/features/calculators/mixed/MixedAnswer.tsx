"use client";

import { ReadingsOnCurve } from "@/charts";
import type { MixedStrings } from "@/contracts/mixed-string";
import type { MixedReport, MixedYear } from "@/core/electrical";
import { Figure } from "@/features/kit/figures/Figure";
import chapter from "@/features/kit/look/Chapter.module.css";
import { ScrollBox } from "@/features/kit/look/ScrollBox";
import { ChartFrame } from "@/features/kit/save/ChartFrame";
import { DataTable } from "@/features/kit/table/DataTable";
import { number } from "@/wording/format";
import { say } from "@/wording/screens/calculators-mixed";
import { mixedWorking, mixedYearWorking } from "@/wording/workings/electrical-workings";
import type { BenchProps } from "../bench-views";
import { type Typed, typedNumber } from "../use-number-fields";

interface CurvesChartProps {
  readonly report: MixedReport;
  readonly slug: string;
  readonly sentence: string;
}

export function CurvesChart({ report, slug, sentence }: CurvesChartProps) {
  return (
    <ChartFrame
      title={say.currentAndPowerOverVoltage}
      note={`${report.peaks.length} ${report.peaks.length === 1 ? "maximum" : "maxima"}; dashed: power`}
      fileName={`${slug}-mixed-string`}
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
              isOff: Math.abs(report.ruleOffFrac) > 0.03,
            },
          ]}
        />
      )}
    </ChartFrame>
  );
}

interface WaysTableProps {
  readonly report: MixedReport | null;
  readonly yearly: MixedYear | null;
  readonly input: string | number;
  readonly strings: MixedStrings;
  readonly optimiser: string | number;
  readonly modules: number;
  readonly nameplateW: number;
  readonly year: string | null;
  readonly site: BenchProps["site"];
}

/** So many of what one costs; null while that is no number. */
function timesOf(each: Typed, count: number): number | null {
  const known = typedNumber(each, null);
  return known === null ? null : known * count;
}

export function WaysTable({ report, yearly, input, strings, optimiser, modules, nameplateW, year, site }: WaysTableProps) {
  return (
    <ScrollBox label={say.waysToConnect}>
      <DataTable
        className={chapter.table}
        rows={
          [
            [say.allOnOneInput, report?.togetherW, yearly?.togetherKwh, 0],
            [say.everyStringOnItsOwn, report?.byStringW, yearly?.byStringKwh, timesOf(input, strings.length - 1)],
            [say.everyModuleOnItsOwn, report?.byModuleW, yearly?.byModuleKwh, timesOf(optimiser, modules)],
            [say.sumOfNameplates, nameplateW, yearly?.nameplateKwh, null],
          ] as const
        }
        rowKey={([name]) => name}
        columns={[
          { key: "connected", head: "connected", cell: ([name]) => name },
          {
            key: "now-w",
            head: "now, W",
            cell: ([, watts]) =>
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
            head: <>{year ?? "a year"}, kWh DC</>,
            cell: ([name, , kwh]) =>
              yearly && kwh !== undefined ? (
                <Figure plain working={() => mixedYearWorking(name, kwh, yearly, year)}>
                  {number(kwh)}
                </Figure>
              ) : year === null ? (
                "no weather"
              ) : (
                "…"
              ),
          },
          {
            key: "more-kwh",
            head: "more, kWh",
            cell: ([, , kwh]) => (yearly && kwh !== undefined ? number(kwh - yearly.togetherKwh, 1) : ""),
          },
          { key: "cost-site-currency", head: `cost, ${site.currency}`, cell: ([, , , cost]) => (cost === null ? "" : number(cost)) },
        ]}
      />
    </ScrollBox>
  );
}
