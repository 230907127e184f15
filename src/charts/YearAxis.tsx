import type { ScaleLinear } from "d3";

/** Whole years along the foot of a chart, and from when they count. */
export function YearAxis({
  x,
  width,
  height,
  right,
  label,
}: {
  x: ScaleLinear<number, number>;
  width: number;
  height: number;
  right: number;
  label: string;
}) {
  return (
    <>
      {x
        .ticks(width < 500 ? 5 : 13)
        .filter(Number.isInteger)
        .map((tick) => (
          <text key={tick} x={x(tick)} y={height - 16} textAnchor="middle">
            {tick}
          </text>
        ))}
      <text x={width - right} y={height - 2} textAnchor="end" fontStyle="italic" fontFamily="var(--serif)">
        {label}
      </text>
    </>
  );
}
