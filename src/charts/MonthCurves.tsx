import { curveMonotoneX, line, max, scaleLinear, scalePoint } from "d3";
import { monthName } from "@/wording/format";
import { ValueAxis } from "./ValueAxis";

export interface MonthPoint {
  readonly key: string;
  /** Null where the month's own weather is not known. */
  readonly expectedKwh: number | null;
  readonly meteredKwh: number | null;
  readonly promiseKwh: number | null;
}

/** Up to so many months each has its name under it; of more, each year. */
const MONTHS_NAMED = 14;
const MARGIN = { top: 8, right: 22, bottom: 22, left: 52 };

/** Many months in three lines: promise dotted, expected as a band's edge, metered in ink. */
export function MonthCurves({
  points,
  width,
  height,
  label,
}: {
  points: readonly MonthPoint[];
  width: number;
  height: number;
  label: (kwh: number) => string;
}) {
  const x = scalePoint(
    points.map((p) => p.key),
    [MARGIN.left, width - MARGIN.right],
  );
  const y = scaleLinear(
    [0, max(points, (p) => Math.max(p.expectedKwh ?? 0, p.meteredKwh ?? 0, p.promiseKwh ?? 0)) ?? 1],
    [height - MARGIN.bottom, MARGIN.top],
  ).nice(4);
  const curve = (of: (p: MonthPoint) => number | null): string =>
    line<MonthPoint>()
      .defined((p) => of(p) !== null)
      .x((p) => x(p.key)!)
      .y((p) => y(of(p) ?? 0))
      .curve(curveMonotoneX)(points) ?? "";
  const ticks = points.length <= MONTHS_NAMED ? points : points.filter((p) => p.key.endsWith("-01"));
  return (
    <g fontSize={12.5} fill="var(--ink-soft)">
      <ValueAxis y={y} from={MARGIN.left} to={width - MARGIN.right} count={4} label={label} />
      {ticks.map((p) => (
        <g key={p.key}>
          <line x1={x(p.key)} x2={x(p.key)} y1={MARGIN.top} y2={height - MARGIN.bottom} stroke="var(--rule)" />
          <text x={x(p.key)} y={height - 6} textAnchor="middle">
            {points.length <= MONTHS_NAMED ? monthName(p.key, "short") : p.key.slice(0, 4)}
          </text>
        </g>
      ))}
      <path d={curve((p) => p.promiseKwh)} fill="none" stroke="var(--ink-soft)" strokeDasharray="2 3" strokeWidth={1.4} />
      <path d={curve((p) => p.expectedKwh)} fill="none" stroke="var(--brass)" strokeDasharray="6 3" strokeWidth={1.8} />
      <path d={curve((p) => p.meteredKwh)} fill="none" stroke="var(--ink)" strokeWidth={1.8} />
    </g>
  );
}
