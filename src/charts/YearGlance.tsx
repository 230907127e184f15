import { path, scaleBand, scaleThreshold } from "d3";

export interface YearGlanceProps {
  /** One name a column, "2025-03-01". */
  readonly days: readonly string[];
  /** Metered over expected by day and hour (24 a day); null where it can't be told, NaN-free. */
  readonly ratios: readonly (number | null)[];
  readonly width: number;
  readonly height: number;
  readonly firstHour: number;
  readonly lastHour: number;
  /** Lower bounds of the classes above the first, and the colours they take; metered over expected by default. */
  readonly bounds?: readonly number[];
  readonly palette?: "heat" | "sun";
}

/** Upper bounds of the heat classes: metered over expected. */
export const HEAT_BOUNDS = [0.1, 0.4, 0.7, 0.85, 0.93, 1.04, 1.12] as const;

/** Share of the year's best hour. */
export const SHARE_BOUNDS = [0.02, 0.1, 0.25, 0.4, 0.55, 0.7, 0.85] as const;

/** A year as columns of days and rows of hours. Cells of one class are one path, so that nine thousand cells stay a handful of nodes. */
export function YearGlance({ days, ratios, width, height, firstHour, lastHour, bounds = HEAT_BOUNDS, palette = "heat" }: YearGlanceProps) {
  const classOf = scaleThreshold<number, number>(
    [...bounds],
    Array.from({ length: bounds.length + 1 }, (_, k) => k),
  );
  const x = scaleBand<number>(
    days.map((_, d) => d),
    [0, width],
  );
  const y = scaleBand<number>(
    Array.from({ length: lastHour - firstHour + 1 }, (_, k) => lastHour - k),
    [0, height],
  );
  const classes = Array.from({ length: bounds.length + 1 }, () => path());
  days.forEach((_, d) => {
    for (let hour = firstHour; hour <= lastHour; hour++) {
      const ratio = ratios[d * 24 + hour];
      if (ratio === null || ratio === undefined) continue;
      classes[classOf(ratio)]!.rect(x(d)!, y(hour)!, x.bandwidth(), y.bandwidth());
    }
  });
  return (
    <g shapeRendering="crispEdges">
      <rect width={width} height={height} fill="var(--heat-none)" />
      {classes.map((cells, k) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: a class is its index
        <path key={k} d={cells.toString()} fill={`var(--${palette}-${k})`} />
      ))}
    </g>
  );
}
