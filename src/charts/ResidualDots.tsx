import { scaleLinear } from "d3";
import { Z_95 } from "@/core/statistics";
import { number } from "@/wording/format";
import { ValueAxis } from "./ValueAxis";

export interface ResidualDot {
  readonly from: number;
  readonly to: number;
  readonly frac: number;
  readonly standardFrac: number;
}

const MARGIN = { top: 12, right: 12, bottom: 40, left: 46 };

/** How far metered lies from expected, stretch by stretch of an axis: a dot with its interval on the line of no error. `most` is the height of all that stand beside it. */
export function ResidualDots({
  dots,
  most,
  unit,
  scale,
  width,
  height,
}: {
  readonly dots: readonly ResidualDot[];
  readonly most: number;
  readonly unit: string;
  /** What the axis' values are shown times. */
  readonly scale: number;
  readonly width: number;
  readonly height: number;
}) {
  const x = scaleLinear([dots[0]?.from ?? 0, dots.at(-1)?.to ?? 1], [MARGIN.left + 6, width - MARGIN.right]);
  const y = scaleLinear([-most, most], [height - MARGIN.bottom, MARGIN.top]).nice(4);
  const inside = (value: number): number => Math.max(MARGIN.top, Math.min(height - MARGIN.bottom, y(value)));
  return (
    <g fontSize={12.5} fill="var(--ink-soft)">
      <ValueAxis y={y} from={MARGIN.left} to={width - MARGIN.right} count={4} zero label={(value) => number(value * 100)} />
      {x.ticks(Math.max(3, Math.floor(width / 70))).map((tick) => (
        <text key={tick} x={x(tick)} y={height - MARGIN.bottom + 17} textAnchor="middle">
          {number(tick * scale)}
        </text>
      ))}
      <text x={width - MARGIN.right} y={height - 5} textAnchor="end">
        {unit}
      </text>
      {dots.map(({ from, to, frac, standardFrac }) => {
        const at = x((from + to) / 2);
        const isApart = Math.abs(frac) > Z_95 * standardFrac;
        return (
          <g key={from}>
            <line
              x1={at}
              x2={at}
              y1={inside(frac - Z_95 * standardFrac)}
              y2={inside(frac + Z_95 * standardFrac)}
              stroke="var(--ink)"
              strokeWidth={1.5}
            />
            <circle cx={at} cy={inside(frac)} r={4.5} fill={isApart ? "var(--clay)" : "var(--moss)"} />
          </g>
        );
      })}
    </g>
  );
}
