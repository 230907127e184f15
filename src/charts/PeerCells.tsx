import { peerFill } from "./ModulesPlan";

const MONTHS = ["Jan", "Feb", "Mar", "Apr", "May", "Jun", "Jul", "Aug", "Sep", "Oct", "Nov", "Dec"];
const LEFT = 30;
const HEAD = 16;

export interface PeerCellsProps {
  /** Month of the year x hour of the day; null where nothing tells. */
  readonly shares: readonly (number | null)[];
  readonly width: number;
  readonly height: number;
}

/** Hours that any month has light in. */
function hoursOf(shares: readonly (number | null)[]): { from: number; to: number } {
  const lit = Array.from({ length: 24 }, (_, hour) => hour).filter((hour) => MONTHS.some((_, m) => shares[m * 24 + hour] !== null));
  return { from: lit[0] ?? 6, to: (lit.at(-1) ?? 18) + 1 };
}

/** A module's share of its neighbours by month, downwards, and hour, across. */
export function PeerCells({ shares, width, height }: PeerCellsProps) {
  const { from, to } = hoursOf(shares);
  const [across, down] = [(width - LEFT) / (to - from), (height - HEAD) / 12];
  return (
    <g fontSize={11} fill="var(--ink-soft)" shapeRendering="crispEdges">
      {Array.from({ length: to - from }, (_, k) => from + k)
        .filter((hour) => hour % 3 === 0)
        .map((hour) => (
          <text key={hour} x={LEFT + (hour - from) * across} y={11}>
            {hour}
          </text>
        ))}
      {MONTHS.map((name, m) => (
        <g key={name} transform={`translate(0, ${HEAD + m * down})`}>
          <text y={down * 0.76}>{name}</text>
          {Array.from({ length: to - from }, (_, k) => (
            <rect
              // biome-ignore lint/suspicious/noArrayIndexKey: an hour is its number
              key={k}
              x={LEFT + k * across}
              width={across}
              height={down}
              fill={peerFill(shares[m * 24 + from + k] ?? null)}
              stroke="var(--paper)"
              strokeWidth={0.6}
            />
          ))}
        </g>
      ))}
    </g>
  );
}
