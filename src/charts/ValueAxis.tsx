import type { ScaleLinear } from "d3";

/** Ruled lines across a chart with their values at the left; the zero line in ink where `zero` is set. */
export function ValueAxis({
  y,
  from,
  to,
  count,
  label,
  zero = false,
}: {
  y: ScaleLinear<number, number>;
  from: number;
  to: number;
  count: number;
  label: (value: number) => string;
  zero?: boolean;
}) {
  return y.ticks(count).map((tick) => (
    <g key={tick}>
      <line x1={from} x2={to} y1={y(tick)} y2={y(tick)} stroke={zero && tick === 0 ? "var(--ink)" : "var(--rule)"} />
      <text x={from - 6} y={y(tick) + 4} textAnchor="end">
        {label(tick)}
      </text>
    </g>
  ));
}
