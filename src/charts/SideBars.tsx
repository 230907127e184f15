import { scaleBand, scaleLinear } from "d3";
import { ValueAxis } from "./ValueAxis";

export interface SideBar {
  readonly key: string;
  readonly label: string;
  /** Second side against the first, as a share; null where nothing is paired. */
  readonly frac: number | null;
  /** How much of the group is paired, 0 to 1: the bar's strength. */
  readonly weight?: number;
}

const MARGIN = { top: 12, right: 10, bottom: 30, left: 52 };

/** How much more the second side gave, group by group: up for more, down for less. */
export function SideBars({ bars, mean, width, height }: { bars: readonly SideBar[]; mean: number; width: number; height: number }) {
  const values = [...bars.flatMap(({ frac }) => (frac === null ? [] : [frac])), mean, 0];
  const x = scaleBand(
    bars.map(({ key }) => key),
    [MARGIN.left, width - MARGIN.right],
  ).padding(0.24);
  const y = scaleLinear([Math.min(...values), Math.max(...values)], [height - MARGIN.bottom, MARGIN.top]).nice(4);
  const every = Math.ceil(bars.length / Math.max(1, Math.floor(width / 44)));
  return (
    <g fontSize={12.5} fill="var(--ink-soft)">
      <ValueAxis
        y={y}
        from={MARGIN.left}
        to={width - MARGIN.right}
        count={4}
        label={(value) => `${(value * 100).toFixed(Math.abs(value) < 0.1 ? 1 : 0)} %`}
        zero
      />
      {bars.map(({ key, label, frac, weight = 1 }, k) => (
        <g key={key}>
          {frac !== null && (
            <rect
              x={x(key)}
              width={x.bandwidth()}
              y={Math.min(y(0), y(frac))}
              height={Math.max(0.5, Math.abs(y(frac) - y(0)))}
              fill={frac >= 0 ? "var(--moss)" : "var(--brass)"}
              fillOpacity={0.35 + 0.65 * weight}
            />
          )}
          {k % every === 0 && (
            <text x={x(key)! + x.bandwidth() / 2} y={height - 10} textAnchor="middle">
              {label}
            </text>
          )}
        </g>
      ))}
      <line x1={MARGIN.left} x2={width - MARGIN.right} y1={y(mean)} y2={y(mean)} stroke="var(--ink)" strokeDasharray="6 4" />
    </g>
  );
}
