"use client";

import { max, type ScaleLinear, scaleLinear } from "d3";
import { useRouter } from "next/navigation";
import { ChartFrame } from "@/features/kit/save/ChartFrame";
import { dateName, number } from "@/wording/format";
import { say } from "@/wording/screens/ledger-days";
import styles from "./MonthChapter.module.css";

export interface DaySum {
  readonly date: string;
  readonly expectedKwh: number;
  readonly meteredKwh: number | null;
}

const HEIGHT = 118;
const BASE = 98;
/** A day that was read and gave nothing is marked too. */
const LEAST_BAR = 2.5;

/** A month as thirty pairs of bars: expected behind, metered before it. Each is a link to its day. */
export function DayStrip({
  days,
  selected,
  path,
  slug,
}: {
  days: readonly DaySum[];
  selected: string;
  path: (date: string) => string;
  slug: string;
}) {
  const router = useRouter();
  const most = max(days, (day) => Math.max(day.expectedKwh, day.meteredKwh ?? 0)) ?? 1;
  const y = scaleLinear([0, most || 1], [0, BASE - 6]);
  const note = (
    <span className={styles.key}>
      <span>
        <i data-box="owed" />
        expected
      </span>
      <span>
        <i data-box="paid" />
        metered
      </span>
      <span>{say.mostKwhADayArrowKeys(number(most, 1))}</span>
    </span>
  );
  return (
    <ChartFrame
      interactive
      title="Days"
      note={note}
      fileName={`${slug}-${selected.slice(0, 7)}-days`}
      height={HEIGHT}
      summary={say.expectedAndMeteredEnergyOfEach}
      table={() => [["date", "expected_kwh", "metered_kwh"], ...days.map((d) => [d.date, d.expectedKwh, d.meteredKwh])]}
    >
      {(width) => {
        const step = width / Math.max(1, days.length);
        return days.map((day, i) => (
          <DayLink key={day.date} day={day} path={path} selected={selected} router={router} i={i} step={step} y={y} />
        ));
      }}
    </ChartFrame>
  );
}

/** What the number of a day needs, px. */
const NUMBER_PX = 17;

/** On a narrow strip the days that end a span of five have their number, and the first. */
const isNamed = (i: number, step: number): boolean => step >= NUMBER_PX || i === 0 || (i + 1) % 5 === 0;

interface DayLinkProps {
  readonly day: DaySum;
  readonly path: (date: string) => string;
  readonly selected: string;
  readonly router: ReturnType<typeof useRouter>;
  readonly i: number;
  readonly step: number;
  readonly y: ScaleLinear<number, number, never>;
}

function DayLink({ day, path, selected, router, i, step, y }: DayLinkProps) {
  return (
    <a
      href={path(day.date)}
      aria-label={say.expectedMeteredKwh(
        dateName(day.date),
        number(day.expectedKwh, 1),
        day.meteredKwh === null ? "nothing" : number(day.meteredKwh, 1),
      )}
      aria-current={day.date === selected ? "date" : undefined}
      onClick={(event) => {
        event.preventDefault();
        router.push(path(day.date), { scroll: false });
      }}
    >
      <rect x={i * step} width={step} height={HEIGHT} fill={day.date === selected ? "var(--spine)" : "transparent"} />
      <rect
        x={i * step + step * 0.14}
        width={step * 0.72}
        y={BASE - y(day.expectedKwh)}
        height={y(day.expectedKwh)}
        fill="var(--owed)"
        stroke="var(--owed-edge)"
        strokeWidth={0.6}
      />
      {day.meteredKwh !== null && (
        <rect
          x={i * step + step * 0.3}
          width={step * 0.4}
          y={BASE - Math.max(LEAST_BAR, y(day.meteredKwh))}
          height={Math.max(LEAST_BAR, y(day.meteredKwh))}
          fill={day.meteredKwh < 0.5 * day.expectedKwh ? "var(--clay)" : "var(--ink)"}
        />
      )}
      {isNamed(i, step) && (
        <text
          x={(i + 0.5) * step}
          y={HEIGHT - 5}
          textAnchor="middle"
          fontSize={12}
          fill="var(--ink-soft)"
          fontWeight={day.date === selected ? 700 : 400}
        >
          {Number(day.date.slice(8))}
        </text>
      )}
    </a>
  );
}
