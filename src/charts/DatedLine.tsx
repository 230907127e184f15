import { scaleUtc } from "d3";

export interface DatedMark {
  readonly on: string;
  readonly label: string;
  readonly kind: "start" | "revision" | "season";
}

export interface DatedLineProps {
  readonly width: number;
  readonly height: number;
  readonly marks: readonly DatedMark[];
  /** Last day of the line. */
  readonly until: string;
  readonly selected: string | null;
}

/** A line of dates with what changed on them; labels alternate above and below so that near ones stay apart. */
export function DatedLine({ width, height, marks, until, selected }: DatedLineProps) {
  const times = marks.map((mark) => Date.parse(mark.on));
  const [from, to] = [Math.min(...times), Math.max(...times, Date.parse(until))];
  const x = scaleUtc([new Date(from), new Date(to + (to - from) * 0.06)], [14, width - 20]);
  const middle = height / 2;
  return (
    <g fontSize={12.5}>
      <line x1={6} x2={width - 6} y1={middle} y2={middle} stroke="var(--ink)" strokeWidth={1.4} />
      {x.ticks(8).map((tick) => (
        <g key={tick.toISOString()}>
          <line x1={x(tick)} x2={x(tick)} y1={middle - 3} y2={middle + 3} stroke="var(--rule-strong)" />
          <text x={x(tick)} y={height - 3} textAnchor="middle" fill="var(--ink-soft)" fontSize={11}>
            {tick.getUTCMonth() === 0 ? tick.getUTCFullYear() : tick.toISOString().slice(0, 7)}
          </text>
        </g>
      ))}
      {marks.map(({ on, label, kind }, k) => {
        const at = x(new Date(on));
        const above = k % 2 === 0;
        const end = at > width * 0.7 ? "end" : "start";
        return (
          <g key={`${on} ${label}`}>
            <line x1={at} x2={at} y1={middle} y2={above ? middle - 24 : middle + 16} stroke="var(--rule-strong)" />
            <circle
              cx={at}
              cy={middle}
              r={5}
              fill={kind === "start" ? "var(--ink)" : kind === "season" ? "var(--paper)" : "var(--brass)"}
              stroke={selected === on ? "var(--clay)" : "var(--ink)"}
              strokeWidth={selected === on ? 2.4 : 1.2}
            />
            <text x={at + (end === "end" ? 4 : -4)} y={above ? middle - 28 : middle + 28} textAnchor={end} fill="var(--ink)">
              {label}
            </text>
          </g>
        );
      })}
    </g>
  );
}
