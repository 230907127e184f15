"use client";

import { NativeSelect } from "@mantine/core";
import type { Remote } from "comlink";
import { useRouter } from "next/navigation";
import { MonthBars } from "@/charts";
import { isUsualYear, type LedgerLine } from "@/core/ledger";
import { weatherShare } from "@/core/yield";
import { Figure } from "@/features/kit/figures/Figure";
import { ChartFrame } from "@/features/kit/save/ChartFrame";
import { kwhDecimals, monthName, number } from "@/wording/format";
import { say } from "@/wording/screens/yield";
import { typicalWorking } from "@/wording/workings/yield-workings";
import type { YieldEngine } from "./engine.worker";
import { GlanceModes } from "./GlanceModes";
import { ThreeShares } from "./ThreeShares";
import styles from "./Yield.module.css";
import type { YieldPageProps } from "./yield-props";

interface Props extends YieldPageProps {
  readonly lines: readonly LedgerLine[];
  readonly sum: LedgerLine;
  readonly engine: Remote<YieldEngine> | null;
}

/** The weather's share, the plant's and what could be had back; then month by month and hour by hour. */
export function WhereItGoes(props: Props) {
  const { slug, lines, sum, doubt, typical, year, glance } = props;
  const decimals = kwhDecimals(sum.referenceKwh / Math.max(1, lines.length));
  const bars = lines.map((line) => ({
    name: `${monthName(line.key)} ${line.key.slice(0, 4)}`,
    expectedKwh: line.expectedKwh,
    halfKwh: doubt.month.halfWidth90Frac * line.expectedKwh,
    meteredKwh: line.meteredKwh,
    isUsual: isUsualYear(line),
  }));
  return (
    <>
      <ThreeShares
        {...props}
        uncertainty={doubt.span}
        weather={
          lines.some(isUsualYear)
            ? null
            : weatherShare(
                lines,
                props.months.filter((line) => !isUsualYear(line)),
              )
        }
        decimals={decimals}
      />
      <div className={styles.columns}>
        <ChartFrame
          title="By month"
          note={say.expectedWithItsIntervalAnInk}
          fileName={`${slug}-months`}
          height={MONTHS_HEIGHT}
          summary={say.expectedEnergyOfEachMonthWith}
          table={() => [
            ["month", "expected_kwh", "half_width_90_kwh", "metered_kwh"],
            ...lines.map((line) => [line.key, line.expectedKwh, doubt.month.halfWidth90Frac * line.expectedKwh, line.meteredKwh]),
          ]}
        >
          {(width) => <MonthBars bars={bars} width={width} height={MONTHS_HEIGHT} label={(kwh) => number(kwh, decimals)} />}
        </ChartFrame>
        <div className={styles.side}>
          <SpanChoice {...props} />
          {typical && <TypicalYear typical={typical} />}
        </div>
      </div>
      {glance && <GlanceModes glance={glance} year={year} slug={slug} />}
    </>
  );
}

const MONTHS_HEIGHT = 228;

function TypicalYear({ typical }: { typical: NonNullable<Props["typical"]> }) {
  return (
    <p className={styles.typical}>
      {say.aTypicalYearBrings}
      <Figure name="typical-p50/all" working={() => typicalWorking(typical)}>
        {number(typical.p50Kwh)} kWh
      </Figure>
      {say.nineYearsOfTenMoreThan}
      <Figure name="typical-p90/all" working={() => typicalWorking(typical)}>
        {number(typical.p90Kwh)}
      </Figure>
      {say.overTenYearsMoreThan}
      <Figure working={() => typicalWorking(typical)}>{number(typical.tenYearP90Kwh)}</Figure>
      {say.fromYears(typical.years)}
    </p>
  );
}

function SpanChoice({ slug, months, span, view, year }: Props) {
  const router = useRouter();
  const options = months.map(({ key }) => ({ value: key, label: `${monthName(key, "short")} ${key.slice(0, 4)}` }));
  const go = (from: string, to: string) =>
    router.push(`/books/${slug}/yield?view=${view}&year=${year}&from=${from}&to=${to < from ? from : to}`);
  return (
    <div className={styles.span}>
      <NativeSelect label="From" data={options} value={span.from} onChange={(event) => go(event.currentTarget.value, span.to)} />
      <NativeSelect label="to" data={options} value={span.to} onChange={(event) => go(span.from, event.currentTarget.value)} />
    </div>
  );
}
