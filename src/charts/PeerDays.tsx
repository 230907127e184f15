import { scaleLinear } from "d3";

export interface PeerDaysProps {
  readonly days: readonly string[];
  readonly shares: readonly (number | null)[];
  readonly width: number;
  readonly height: number;
  readonly label: (share: number) => string;
}

const LEFT = 38;
const FOOT = 18;
/** Far above its neighbours it is no module, but a reading. */
const TOP = 1.15;

/** A module's share of its neighbours day by day: a dot a day, a rule where they are equal. */
export function PeerDays({ days, shares, width, height, label }: PeerDaysProps) {
  const known = shares.filter((share) => share !== null);
  const least = Math.max(0, Math.min(0.8, ...known) - 0.05);
  const x = scaleLinear([0, Math.max(1, days.length - 1)], [LEFT, width - 4]);
  const y = scaleLinear([least, TOP], [height - FOOT, 6]).clamp(true);
  const starts = days.flatMap((day, d) => (day.endsWith("-01") ? [{ day, d }] : []));
  const every = Math.ceil(starts.length / Math.max(1, Math.floor((width - LEFT) / 46)));
  return (
    <g fontSize={11} fill="var(--ink-soft)">
      {y.ticks(4).map((share) => (
        <g key={share} transform={`translate(0, ${y(share)})`}>
          <path d={`M${LEFT} 0H${width - 4}`} stroke={share === 1 ? "var(--rule-strong)" : "var(--rule)"} />
          <text x={LEFT - 6} y={4} textAnchor="end">
            {label(share)}
          </text>
        </g>
      ))}
      {starts
        .filter((_, k) => k % every === 0)
        .map(({ day, d }) => (
          <text key={day} x={x(d)} y={height - 4}>
            {day.slice(0, 7)}
          </text>
        ))}
      {shares.map((share, d) =>
        share === null ? null : <circle key={days[d]} cx={x(d)} cy={y(share)} r={1.7} fill={share < 0.9 ? "var(--clay)" : "var(--ink)"} />,
      )}
    </g>
  );
}
