"use client";

import { NativeSelect } from "@mantine/core";
import type { Remote } from "comlink";
import { useRouter } from "next/navigation";
import { useEffect, useRef, useState } from "react";
import { MonthBars, WaterfallPicture, waterfallHeight } from "@/charts";
import { LEDGER_ACCOUNTS, type LedgerAccount } from "@/core/accounts";
import { type LedgerLine, ledgerPostings } from "@/core/ledger";
import { Figure } from "@/features/kit/figures/Figure";
import { ScrollBox } from "@/features/kit/look/ScrollBox";
import { ChartFrame } from "@/features/kit/save/ChartFrame";
import { ACCOUNT_NAMES } from "@/wording/accounts";
import { kwhDecimals, monthName, number } from "@/wording/format";
import { say } from "@/wording/screens/yield";
import { accountWorking, expectedWorking, meteredWorking, referenceWorking } from "@/wording/workings/ledger-workings";
import type { Working } from "@/wording/workings/working";
import { typicalWorking } from "@/wording/workings/yield-workings";
import type { YieldEngine } from "./engine.worker";
import type { Removal } from "./engine-types";
import { GlanceModes } from "./GlanceModes";
import { type Step, StepsTable } from "./StepsTable";
import styles from "./Yield.module.css";
import type { YieldPageProps } from "./yield-props";

interface Props extends YieldPageProps {
  readonly lines: readonly LedgerLine[];
  readonly sum: LedgerLine;
  readonly engine: Remote<YieldEngine> | null;
}

/** The walk from the sun to the meter, month by month and hour by hour. */
export function WhereItGoes(props: Props) {
  const { slug, lines, sum, doubt, typical, year, glance } = props;
  const decimals = kwhDecimals(sum.referenceKwh / Math.max(1, lines.length));
  const bars = lines.map((line) => ({
    name: `${monthName(line.key)} ${line.key.slice(0, 4)}`,
    expectedKwh: line.expectedKwh,
    halfKwh: doubt.month.halfWidth90Frac * line.expectedKwh,
    meteredKwh: line.meteredKwh,
  }));
  return (
    <>
      <div className={styles.columns}>
        <Waterfall {...props} decimals={decimals} />
        <div className={styles.side}>
          <SpanChoice {...props} />
          <ChartFrame
            title="By month"
            note={say.expectedWithItsIntervalAnInk}
            fileName={`${slug}-months`}
            height={228}
            summary={say.expectedEnergyOfEachMonthWith}
            table={() => [
              ["month", "expected_kwh", "half_width_90_kwh", "metered_kwh"],
              ...lines.map((line) => [line.key, line.expectedKwh, doubt.month.halfWidth90Frac * line.expectedKwh, line.meteredKwh]),
            ]}
          >
            {(width) => <MonthBars bars={bars} width={width} height={228} label={(kwh) => number(kwh, decimals)} />}
          </ChartFrame>
          {typical && (
            <p className={styles.typical}>
              {say.aTypicalYearBrings}
              <Figure working={() => typicalWorking(typical)}>{number(typical.p50Kwh)} kWh</Figure>
              {say.nineYearsOfTenMoreThan}
              <Figure working={() => typicalWorking(typical)}>{number(typical.p90Kwh)}</Figure>
              {say.overTenYearsMoreThan}
              <Figure working={() => typicalWorking(typical)}>{number(typical.tenYearP90Kwh)}</Figure>
              {say.fromYears(typical.years)}
            </p>
          )}
        </div>
      </div>
      {glance && <GlanceModes glance={glance} year={year} slug={slug} />}
    </>
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

function Waterfall(props: Props & { decimals: number }) {
  const { sum, decimals, doubt, slug } = props;
  const removals = useRemovals(props);
  const picture = useRef<SVGSVGElement>(null);
  const steps = stepsOf(props, removals);
  const floor = 0.72 * Math.min(sum.expectedKwh, sum.meteredKwh ?? sum.expectedKwh);
  const domain = [floor, sum.referenceKwh] as const;
  return (
    <ScrollBox label={say.fromTheSunToTheMeter} className={styles.waterfall}>
      <StepsTable
        slug={slug}
        picture={picture}
        steps={steps}
        floor={floor}
        domain={domain}
        decimals={decimals}
        uncertainty={doubt.span}
        sum={sum}
      />
      <svg
        ref={picture}
        className={styles.kept}
        width={760}
        height={waterfallHeight(steps)}
        viewBox={`0 0 760 ${waterfallHeight(steps)}`}
        aria-hidden="true"
      >
        <WaterfallPicture steps={steps} domain={domain} width={760} label={(kwh) => `${number(kwh, decimals)} kWh`} />
      </svg>
    </ScrollBox>
  );
}

/** Gains if removed, of the months shown; null while they are reckoned, or when the months lie outside the year. */
function useRemovals({ engine, lines, year, months }: Props): ReadonlyMap<LedgerAccount, number> | null {
  const [removals, setRemovals] = useState<readonly Removal[] | null>(null);
  useEffect(() => {
    if (engine) void engine.removals().then(setRemovals);
  }, [engine]);
  if (!removals || lines.some((line) => !line.key.startsWith(year))) return null;
  const ofYear = months.filter((line) => line.key.startsWith(year)).map((line) => line.key);
  const sumShown = (kwh: readonly number[]): number => lines.reduce((sum, line) => sum + (kwh[ofYear.indexOf(line.key)] ?? 0), 0);
  return new Map(removals.map((removal) => [removal.account, sumShown(removal.monthsKwh)]));
}

function stepsOf(props: Props, removals: ReadonlyMap<LedgerAccount, number> | null): Step[] {
  const { sum, context } = props;
  const posted = ledgerPostings(sum);
  const total = (key: string, name: string, kwh: number, account: Step["account"], working: () => Working): Step => ({
    ...{ key, code: "", name, account, fromKwh: 0, toKwh: kwh, shownKwh: kwh, working, gainIfRemovedKwh: null },
  });
  const steps: Step[] = [total("reference", "Reference", sum.referenceKwh, "total", () => referenceWorking(sum, context))];
  let at = sum.referenceKwh;
  const walk = (account: LedgerAccount): void => {
    const kwh = posted[account];
    if (Math.abs(kwh) < 0.05) return;
    const model = account !== "unread" && account !== "remainder";
    steps.push({
      key: account,
      code: ACCOUNT_NAMES[account].code,
      name: ACCOUNT_NAMES[account].name,
      account,
      fromKwh: at,
      toKwh: at - kwh,
      shownKwh: -kwh,
      working: () => accountWorking(sum, account, context),
      gainIfRemovedKwh: model ? (removals?.get(account) ?? null) : null,
    });
    at -= kwh;
  };
  const model = LEDGER_ACCOUNTS.filter((account) => account !== "unread" && account !== "remainder");
  model.forEach(walk);
  steps.push(total("expected", "Expected", sum.expectedKwh, "total", () => expectedWorking(sum, context)));
  if (sum.meteredKwh === null) return steps;
  at = sum.expectedKwh;
  walk("unread");
  walk("remainder");
  steps.push(total("metered", "Metered", sum.meteredKwh, "metered", () => meteredWorking(sum, context)));
  return steps;
}
