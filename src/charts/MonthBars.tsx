import { scaleBand, scaleLinear } from "d3";
import { say } from "@/wording/charts";
import { ValueAxis } from "./ValueAxis";

export interface MonthBar {
  readonly name: string;
  readonly expectedKwh: number;
  /** Half width of the interval that holds nine of ten, kWh. */
  readonly halfKwh: number;
  readonly meteredKwh: number | null;
  /** Expected of a usual year: metered energy lies neither inside nor outside of it. */
  readonly isUsual?: boolean;
}

const MARGIN = { top: 8, right: 4, bottom: 20, left: 48 };

/** Expected energy a month as a paper bar with its interval, metered as an ink mark across it; clay where metered lies outside. */
export function MonthBars({
  bars,
  width,
  height,
  label,
}: {
  bars: readonly MonthBar[];
  width: number;
  height: number;
  label: (kwh: number) => string;
}) {
  const x = scaleBand(
    bars.map((_, k) => k),
    [MARGIN.left, width - MARGIN.right],
  ).padding(0.24);
  const most = Math.max(1e-9, ...bars.flatMap((bar) => [bar.expectedKwh + bar.halfKwh, bar.meteredKwh ?? 0]));
  const y = scaleLinear([0, most], [height - MARGIN.bottom, MARGIN.top]).nice(4);
  return (
    <g fontSize={12.5} fill="var(--ink-soft)">
      <ValueAxis y={y} from={MARGIN.left} to={width - MARGIN.right} count={4} label={label} />
      {bars.map((bar, k) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: a month is its place
        <g key={k} transform={`translate(${x(k)},0)`}>
          <title>
            {say.expectedKwhMetered(
              bar.name,
              label(bar.expectedKwh),
              label(bar.halfKwh),
              bar.meteredKwh === null ? "nothing" : label(bar.meteredKwh),
            )}
          </title>
          <Month bar={bar} y={y} band={x.bandwidth()} />
          {(bars.length <= 14 || bar.name.startsWith("Jan")) && (
            <text x={x.bandwidth() / 2} y={height - 5} textAnchor="middle">
              {bars.length <= 14 ? bar.name.slice(0, 3) : bar.name.slice(-4)}
            </text>
          )}
        </g>
      ))}
    </g>
  );
}

function Month({ bar, y, band }: { bar: MonthBar; y: (kwh: number) => number; band: number }) {
  const { expectedKwh, halfKwh, meteredKwh, isUsual = false } = bar;
  const middle = band / 2;
  const outside = !isUsual && meteredKwh !== null && Math.abs(meteredKwh - expectedKwh) > halfKwh;
  return (
    <>
      <rect width={band} y={y(expectedKwh)} height={Math.max(0, y(0) - y(expectedKwh))} fill="var(--owed)" stroke="var(--owed-edge)" />
      <path
        d={`M${middle} ${y(expectedKwh + halfKwh)}V${y(Math.max(0, expectedKwh - halfKwh))}M${middle - 4} ${y(expectedKwh + halfKwh)}h8M${middle - 4} ${y(Math.max(0, expectedKwh - halfKwh))}h8`}
        stroke="var(--brass)"
        fill="none"
      />
      {meteredKwh !== null && (
        <rect x={-3} width={band + 6} y={y(meteredKwh) - 1.5} height={3} fill={outside ? "var(--clay)" : "var(--ink)"} />
      )}
    </>
  );
}
