import { area, extent, line, max, scaleLinear, scaleUtc } from "d3";
import { say } from "@/wording/charts";
import { ValueAxis } from "./ValueAxis";

/** A mark on a day: a reset, an entry. */
export interface DayMark {
  readonly date: string;
  readonly kind: "rain" | "cleaning" | "suspected";
  readonly title: string;
}

export interface DaySeriesProps {
  readonly days: readonly string[];
  /** Null where a day tells nothing. */
  readonly values: readonly (number | null)[];
  readonly over?: readonly (number | null)[];
  readonly marks?: readonly DayMark[];
  readonly width: number;
  readonly height: number;
  readonly fill: string;
  readonly label: (value: number) => string;
}

const MARGIN = { top: 10, right: 10, bottom: 22, left: 54 };
const at = (date: string): Date => new Date(`${date}T00:00:00Z`);
const MARK_COLOURS = { rain: "var(--account-snow)", cleaning: "var(--moss)", suspected: "var(--clay)" } as const;

/** "7 Feb" in a span of weeks, "Feb 2022" in one of months, else the year. */
function tickName(tick: Date, days: number): string {
  const part = (options: Intl.DateTimeFormatOptions): string => tick.toLocaleDateString("en-GB", { ...options, timeZone: "UTC" });
  if (days < 120) return part({ day: "numeric", month: "short" });
  return part(days > 900 ? { year: "numeric" } : { month: "short", year: "numeric" });
}

/** A value a day as a filled edge from zero, with what happened marked under it. */
export function DaySeries({ days, values, over, marks = [], width, height, fill, label }: DaySeriesProps) {
  const [from, to] = extent(days, at) as [Date, Date];
  const x = scaleUtc([from, to], [MARGIN.left, width - MARGIN.right]);
  const most = max([...values, ...(over ?? [])], (value) => value ?? 0) ?? 0;
  const y = scaleLinear([0, most * 1.05 || 1], [height - MARGIN.bottom, MARGIN.top]);
  const points = days.map((day, d) => ({ day, value: values[d] ?? null, over: over?.[d] ?? null }));
  const edge = area<(typeof points)[number]>()
    .defined(({ value }) => value !== null)
    .x(({ day }) => x(at(day)))
    .y0(y(0))
    .y1(({ value }) => y(value ?? 0));
  const above = line<(typeof points)[number]>()
    .defined((point) => point.over !== null)
    .x(({ day }) => x(at(day)))
    .y((point) => y(point.over ?? 0));
  return (
    <g fontSize={12.5} fill="var(--ink-soft)">
      {most > 0 ? (
        <ValueAxis y={y} from={MARGIN.left} to={width - MARGIN.right} count={height < 140 ? 3 : 4} label={label} />
      ) : (
        <text x={MARGIN.left} y={y(0) - 8}>
          {say.noneOnAnyDay}
        </text>
      )}
      <line x1={MARGIN.left} x2={width - MARGIN.right} y1={y(0)} y2={y(0)} stroke="var(--rule)" />
      {x.ticks(Math.max(2, Math.min(8, Math.floor(width / 130)))).map((tick) => (
        <text
          key={+tick}
          x={x(tick)}
          y={height - 6}
          textAnchor={x(tick) > width - 40 ? "end" : x(tick) < MARGIN.left + 20 ? "start" : "middle"}
        >
          {tickName(tick, days.length)}
        </text>
      ))}
      <path d={edge(points) ?? ""} fill={fill} />
      {over && <path d={above(points) ?? ""} fill="none" stroke="var(--brass)" strokeWidth={1.6} strokeDasharray="5 3" />}
      {marks.map((mark) => (
        <g key={`${mark.date}${mark.kind}`} transform={`translate(${x(at(mark.date))} ${height - MARGIN.bottom})`}>
          <title>{mark.title}</title>
          <path
            d={mark.kind === "rain" ? "M0 2V8" : mark.kind === "cleaning" ? "M-5 10L0 1L5 10Z" : "M-5 10L0 1L5 10Z"}
            fill={mark.kind === "suspected" ? "var(--paper)" : MARK_COLOURS[mark.kind]}
            stroke={MARK_COLOURS[mark.kind]}
            strokeWidth={1.5}
          />
        </g>
      ))}
    </g>
  );
}
