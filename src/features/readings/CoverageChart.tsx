"use client";

import { scaleBand } from "d3";
import type { Coverage } from "@/contracts/imports";
import chapter from "@/features/kit/look/Chapter.module.css";
import { ChartFrame } from "@/features/kit/save/ChartFrame";
import { monthName, percent } from "@/wording/format";
import { quantityName } from "@/wording/quantities";
import { say } from "@/wording/screens/readings";

const ROW = 26;
const NAMES = 270;

/** What stands in the book: a row a series, a cell a month, filled as far as it was read. */
export function CoverageChart({ coverage, slug }: { coverage: readonly Coverage[]; slug: string }) {
  const months = [...new Set(coverage.flatMap((series) => series.months.map((month) => month.key)))].sort();
  if (months.length === 0) return null;
  const height = coverage.length * ROW + 22;
  return (
    <div className={chapter.section}>
      <ChartFrame
        title={say.whatStandsInTheBook}
        note={say.aCellAMonthFilledAs}
        fileName={`${slug}-coverage`}
        height={height}
        summary={say.shareOfEachMonthThatEvery}
        table={() => [
          ["series", "meter", "step_minutes", "month", "read_frac"],
          ...coverage.flatMap((s) => s.months.map((m) => [s.quantity, s.meterId, s.stepMinutes, m.key, m.readFrac])),
        ]}
      >
        {(width) => <Cells coverage={coverage} months={months} width={width} />}
      </ChartFrame>
    </div>
  );
}

function Cells({ coverage, months, width }: { coverage: readonly Coverage[]; months: readonly string[]; width: number }) {
  const x = scaleBand(months, [NAMES, width]).paddingInner(0.12);
  return (
    <g fontSize={13} fill="var(--ink)">
      {coverage.map((series, row) => (
        <g key={`${series.quantity}-${series.meterId}-${series.stepMinutes}`} transform={`translate(0,${row * ROW})`}>
          <text y={17}>
            {quantityName(series.quantity, series.meterId)}
            <tspan fill="var(--ink-soft)" fontSize={12}>
              {" "}
              {series.stepMinutes} min
            </tspan>
          </text>
          {series.months.map((month) => (
            <g key={month.key} transform={`translate(${x(month.key)},4)`}>
              <title>{`${monthName(month.key)} ${month.key.slice(0, 4)}: ${percent(month.readFrac)} read`}</title>
              <rect
                width={x.bandwidth()}
                height={ROW - 8}
                fill={month.readFrac < 0.995 ? "var(--clay)" : "var(--owed)"}
                fillOpacity={month.readFrac < 0.995 ? 0.35 : 1}
              />
              <rect
                width={x.bandwidth()}
                y={(ROW - 8) * (1 - month.readFrac)}
                height={(ROW - 8) * month.readFrac}
                fill="var(--owed)"
                stroke="var(--owed-edge)"
                strokeWidth={0.5}
              />
            </g>
          ))}
        </g>
      ))}
      {months
        .filter((key) => key.endsWith("-01") || months.length < 14)
        .map((key) => (
          <text key={key} x={x(key)} y={coverage.length * ROW + 15} fontSize={12.5} fill="var(--ink-soft)">
            {months.length < 14 ? monthName(key, "short") : key.slice(0, 4)}
          </text>
        ))}
    </g>
  );
}
