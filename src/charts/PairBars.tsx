import { max, scaleBand, scaleLinear } from "d3";

export interface Pair {
  readonly key: string;
  readonly expectedKwh: number;
  readonly meteredKwh: number | null;
}

/** Small pairs of bars: expected behind, metered before it. */
export function PairBars({ pairs, width, height, label }: { pairs: readonly Pair[]; width: number; height: number; label: string }) {
  const x = scaleBand(
    pairs.map((pair) => pair.key),
    [0, width],
  ).padding(0.16);
  const y = scaleLinear([0, max(pairs, (pair) => Math.max(pair.expectedKwh, pair.meteredKwh ?? 0)) || 1], [0, height]);
  const inner = x.bandwidth() * 0.5;
  return (
    <svg width={width} height={height} role="img" aria-label={label}>
      {pairs.map((pair) => (
        <g key={pair.key} transform={`translate(${x(pair.key)},0)`}>
          <rect
            width={x.bandwidth()}
            y={height - y(pair.expectedKwh)}
            height={y(pair.expectedKwh)}
            fill="var(--owed)"
            stroke="var(--owed-edge)"
            strokeWidth={0.5}
          />
          {pair.meteredKwh !== null && (
            <rect
              x={(x.bandwidth() - inner) / 2}
              width={inner}
              y={height - y(pair.meteredKwh)}
              height={y(pair.meteredKwh)}
              fill={pair.meteredKwh < 0.9 * pair.expectedKwh ? "var(--clay)" : "var(--ink)"}
            />
          )}
        </g>
      ))}
    </svg>
  );
}
