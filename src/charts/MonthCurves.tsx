import { curveMonotoneX, line, max, scaleLinear, scalePoint } from "d3";
import { ValueAxis } from "./ValueAxis";

export interface MonthPoint {
  readonly key: string;
  readonly expectedKwh: number;
  readonly meteredKwh: number | null;
  readonly promiseKwh: number | null;
}

const MARGIN = { top: 8, right: 8, bottom: 22, left: 52 };

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
    [0, max(points, (p) => Math.max(p.expectedKwh, p.meteredKwh ?? 0, p.promiseKwh ?? 0)) ?? 1],
    [height - MARGIN.bottom, MARGIN.top],
  ).nice(4);
  const curve = (of: (p: MonthPoint) => number | null): string =>
    line<MonthPoint>()
      .defined((p) => of(p) !== null)
      .x((p) => x(p.key)!)
      .y((p) => y(of(p) ?? 0))
      .curve(curveMonotoneX)(points) ?? "";
  return (
    <g fontSize={12.5} fill="var(--ink-soft)">
      <ValueAxis y={y} from={MARGIN.left} to={width - MARGIN.right} count={4} label={label} />
      {points
        .filter((p) => p.key.endsWith("-01") || points.length <= 12)
        .map((p) => (
          <g key={p.key}>
            <line x1={x(p.key)} x2={x(p.key)} y1={MARGIN.top} y2={height - MARGIN.bottom} stroke="var(--rule)" />
            <text x={x(p.key)} y={height - 6} textAnchor="middle">
              {p.key.slice(0, 4)}
            </text>
          </g>
        ))}
      <path d={curve((p) => p.promiseKwh)} fill="none" stroke="var(--ink-soft)" strokeDasharray="2 3" strokeWidth={1.4} />
      <path d={curve((p) => p.expectedKwh)} fill="none" stroke="var(--brass)" strokeDasharray="6 3" strokeWidth={1.8} />
      <path d={curve((p) => p.meteredKwh)} fill="none" stroke="var(--ink)" strokeWidth={1.8} />
    </g>
  );
}
