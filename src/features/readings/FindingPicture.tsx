import { type ScaleBand, type ScaleLinear, scaleBand, scaleLinear } from "d3";
import type { BookFinding, Examination } from "@/contracts/examination";
import { DAY_MS } from "@/core/units";
import { ChartFrame } from "@/features/kit/save/ChartFrame";
import { dateName, number } from "@/wording/format";
import { say } from "@/wording/screens/readings";
import styles from "./ReadingsChapter.module.css";

const MARGIN_DAYS = 14;
const HEIGHT = 90;
const AXIS = 40;

/** Days around a finding: as recorded, as derived, and as expected. */
export function FindingPicture({ finding, examination, timeZone }: { finding: BookFinding; examination: Examination; timeZone: string }) {
  const series = examination.series.find(({ key }) => key === finding.seriesKey);
  if (!series) return null;
  const day = new Intl.DateTimeFormat("sv-SE", { timeZone, dateStyle: "short" });
  const [from, to] = [finding.fromUtcMs - MARGIN_DAYS * DAY_MS, finding.toUtcMs + MARGIN_DAYS * DAY_MS].map((ms) =>
    day.format(new Date(ms)),
  );
  const first = Math.max(
    0,
    series.days.findIndex((date) => date >= from!),
  );
  const end = series.days.findIndex((date) => date > to!);
  const days = series.days.slice(first, end < 0 ? undefined : end);
  if (days.length === 0) return null;
  const cut = (values: readonly (number | null)[]) => values.slice(first, first + days.length);
  const [raw, clean, expected] = [cut(series.rawKwh), cut(series.cleanKwh), cut(series.expectedKwh)];
  // A day a thousand times too high must not hide all others.
  const usual = Math.max(...expected.map((kwh) => kwh ?? 0), ...clean.map((kwh) => kwh ?? 0), 1e-6);
  const most = Math.min(Math.max(...raw.map((kwh) => kwh ?? 0), usual), usual * 2.2);
  return (
    <div className={styles.findingPicture}>
      <ChartFrame
        title={say.daysAroundIt}
        note={say.lineOwedBarsAsRecordedDots}
        fileName={`finding-${finding.kind}-${from}`}
        height={HEIGHT + 18}
        summary={say.energyOfTheDaysFromTo(from, to)}
        table={() => [
          ["day", "recorded_kwh", "counted_kwh", "owed_kwh"],
          ...days.map((date, k) => [date, raw[k] ?? "", clean[k] ?? "", expected[k] ?? ""]),
        ]}
      >
        {(width) => {
          const x = scaleBand(days, [AXIS, width]).paddingInner(0.2);
          const y = scaleLinear([0, most], [HEIGHT, 4]);
          const inside = (date: string): boolean =>
            date >= day.format(new Date(finding.fromUtcMs)) &&
            date <= day.format(new Date(Math.max(finding.fromUtcMs, finding.toUtcMs - 1)));
          return <DayBars most={most} days={days} raw={raw} clean={clean} expected={expected} x={x} y={y} inside={inside} width={width} />;
        }}
      </ChartFrame>
    </div>
  );
}

interface DayBarsProps {
  readonly most: number;
  readonly days: string[];
  readonly raw: (number | null)[];
  readonly clean: (number | null)[];
  readonly expected: (number | null)[];
  readonly x: ScaleBand<string>;
  readonly y: ScaleLinear<number, number, never>;
  readonly inside: (date: string) => boolean;
  readonly width: number;
}

function DayBars({ most, days, raw, clean, expected, x, y, inside, width }: DayBarsProps) {
  return (
    <g fontSize={12} fill="var(--ink-soft)">
      <text x={AXIS - 6} y={14} textAnchor="end">
        {number(most, most < 10 ? 1 : 0)}
      </text>
      <text x={AXIS - 6} y={HEIGHT} textAnchor="end">
        kWh
      </text>
      {days.map((date, k) => (
        <DayBar key={date} date={date} raw={raw} k={k} clean={clean} expected={expected} x={x} y={y} most={most} inside={inside} />
      ))}
      <line x1={AXIS} x2={width} y1={HEIGHT} y2={HEIGHT} stroke="var(--rule-strong)" />
      {[0, Math.floor(days.length / 2), days.length - 1].map((k) => (
        <text key={k} x={x(days[k]!)} y={HEIGHT + 14} textAnchor={k === 0 ? "start" : k === days.length - 1 ? "end" : "middle"}>
          {dateName(days[k]!)}
        </text>
      ))}
    </g>
  );
}

interface DayBarProps {
  readonly date: string;
  readonly raw: (number | null)[];
  readonly k: number;
  readonly clean: (number | null)[];
  readonly expected: (number | null)[];
  readonly x: ScaleBand<string>;
  readonly y: (kwh: number) => number;
  readonly most: number;
  readonly inside: (date: string) => boolean;
}

function DayBar({ date, raw, k, clean, expected, x, y, most, inside }: DayBarProps) {
  return (
    <g>
      <title>
        {say.recordedCountedOwedKwh(
          dateName(date),
          raw[k] === null ? "nothing" : number(raw[k]!, 1),
          clean[k] === null ? "nothing" : number(clean[k]!, 1),
          expected[k] === null ? "not known" : number(expected[k]!, 1),
        )}
      </title>
      <rect
        x={x(date)}
        width={x.bandwidth()}
        y={y(Math.min(most, Math.max(0, raw[k] ?? 0)))}
        height={HEIGHT - y(Math.min(most, Math.max(0, raw[k] ?? 0)))}
        fill={inside(date) ? "var(--clay)" : "var(--owed-edge)"}
        fillOpacity={inside(date) ? 0.55 : 1}
      />
      {expected[k] !== null && (
        <line
          x1={x(date)}
          x2={x(date)! + x.bandwidth()}
          y1={y(Math.min(most, expected[k]!))}
          y2={y(Math.min(most, expected[k]!))}
          stroke="var(--ink)"
          strokeWidth={1.4}
        />
      )}
      {clean[k] !== null && (
        <circle
          cx={x(date)! + x.bandwidth() / 2}
          cy={y(Math.min(most, Math.max(0, clean[k]!)))}
          r={Math.min(2.4, x.bandwidth() / 2)}
          fill="var(--moss)"
        />
      )}
    </g>
  );
}
