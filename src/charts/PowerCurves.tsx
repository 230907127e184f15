import { area, curveStepAfter, line, max, scaleLinear, scaleUtc } from "d3";

export interface Curve {
  readonly stepMinutes: number;
  readonly startUtcMs: readonly number[];
  readonly kw: readonly (number | null)[];
}

export interface PowerCurvesProps {
  readonly expected: Curve;
  readonly metered: Curve;
  /** Wall-clock labels: shift of the site's clock from UTC, ms. */
  readonly clockShiftMs: number;
  readonly width: number;
  readonly height: number;
}

interface Point {
  readonly at: number;
  readonly kw: number | null;
}

/** Points of a step curve, closed at the end of the last interval. */
function points(curve: Curve, shiftMs: number): Point[] {
  const steps = curve.startUtcMs.map((utcMs, i): Point => ({ at: utcMs + shiftMs, kw: curve.kw[i] ?? null }));
  const last = steps.at(-1);
  return last ? [...steps, { at: last.at + curve.stepMinutes * 60_000, kw: last.kw }] : [];
}

const MARGIN = { top: 10, right: 8, bottom: 26, left: 44 };

/** A day in two curves: expected as a line over its area, metered as ink. */
export function PowerCurves({ expected, metered, clockShiftMs, width, height }: PowerCurvesProps) {
  const owed = points(expected, clockShiftMs);
  const paid = points(metered, clockShiftMs);
  const all = [...owed, ...paid];
  const x = scaleUtc([Math.min(...all.map((p) => p.at)), Math.max(...all.map((p) => p.at))], [MARGIN.left, width - MARGIN.right]);
  const y = scaleLinear([0, (max(all, (p) => p.kw ?? 0) ?? 0) || 1], [height - MARGIN.bottom, MARGIN.top]).nice(5);
  const shape = line<Point>()
    .defined((p) => p.kw !== null)
    .x((p) => x(p.at))
    .y((p) => y(p.kw ?? 0))
    .curve(curveStepAfter);
  const fill = area<Point>()
    .defined((p) => p.kw !== null)
    .x((p) => x(p.at))
    .y0(y(0))
    .y1((p) => y(p.kw ?? 0))
    .curve(curveStepAfter);
  return (
    <g fontSize={12.5} fill="var(--ink-soft)">
      {y.ticks(5).map((tick) => (
        <g key={tick}>
          <line x1={MARGIN.left} x2={width - MARGIN.right} y1={y(tick)} y2={y(tick)} stroke="var(--rule)" />
          <text x={MARGIN.left - 6} y={y(tick) + 4} textAnchor="end">
            {tick}
          </text>
        </g>
      ))}
      {x.ticks(width < 500 ? 6 : 12).map((tick) => (
        <text key={+tick} x={x(tick)} y={height - 8} textAnchor="middle">
          {x.tickFormat(12, "%H")(tick)}
        </text>
      ))}
      <path d={fill(owed) ?? ""} fill="var(--owed)" />
      <path d={shape(owed) ?? ""} fill="none" stroke="var(--brass)" strokeWidth={1.5} strokeDasharray="5 3" />
      <path d={shape(paid) ?? ""} fill="none" stroke="var(--ink)" strokeWidth={1.8} />
    </g>
  );
}
