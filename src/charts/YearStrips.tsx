import { path, scaleBand } from "d3";
import { DAY_MS } from "@/core/units";

/** What a day of a record is: read whole, in part, not at all, changed by a remedy, or under a finding that waits. */
export const DAY_STATES = ["whole", "part", "none", "mended", "doubt"] as const;
export type DayState = (typeof DAY_STATES)[number];

export const STATE_FILL: Readonly<Record<DayState, string>> = {
  whole: "var(--owed-edge)",
  part: "var(--heat-3)",
  none: "var(--heat-none)",
  mended: "var(--moss)",
  doubt: "var(--clay)",
};

export interface YearStripsProps {
  /** Local days in order, "2024-03-01". */
  readonly days: readonly string[];
  readonly states: readonly DayState[];
  readonly width: number;
  readonly rowHeight: number;
  readonly left: number;
}

export const yearsIn = (days: readonly string[]): string[] => [...new Set(days.map((day) => day.slice(0, 4)))];

/** A series as one strip a year, a cell a day. Cells of one state are one path, so that ten years stay a handful of nodes. */
export function YearStrips({ days, states, width, rowHeight, left }: YearStripsProps) {
  const years = yearsIn(days);
  const x = scaleBand<number>(
    Array.from({ length: 366 }, (_, k) => k),
    [left, width],
  );
  const shapes = new Map(DAY_STATES.map((state) => [state, path()]));
  days.forEach((day, k) => {
    const date = Date.parse(`${day}T00:00:00Z`);
    const of = Math.round((date - Date.UTC(Number(day.slice(0, 4)), 0, 1)) / DAY_MS);
    shapes.get(states[k]!)!.rect(x(of)!, years.indexOf(day.slice(0, 4)) * rowHeight + 1, x.bandwidth() + 0.3, rowHeight - 3);
  });
  return (
    <g>
      {years.map((year, row) => (
        <g key={year} transform={`translate(0,${row * rowHeight})`}>
          <rect x={left} y={1} width={width - left} height={rowHeight - 3} fill="var(--heat-none)" />
          <text x={left - 8} y={rowHeight / 2 + 3} textAnchor="end" fontSize={12.5} fill="var(--ink-soft)">
            {year}
          </text>
        </g>
      ))}
      {DAY_STATES.map((state) => (
        <path key={state} d={shapes.get(state)!.toString()} fill={STATE_FILL[state]} data-state={state} />
      ))}
    </g>
  );
}
