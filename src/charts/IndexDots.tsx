import { scaleLinear, scaleUtc } from "d3";
import { ValueAxis } from "./ValueAxis";

export interface IndexDay {
  readonly date: string;
  readonly index: number;
}

const MARGIN = { top: 12, right: 12, bottom: 26, left: 46 };

/** Metered over expected day by day on both sides of a change, with each side's level. */
export function IndexDots({
  days,
  on,
  levels,
  width,
  height,
}: {
  days: readonly IndexDay[];
  on: string;
  levels: { readonly before: number; readonly after: number };
  width: number;
  height: number;
}) {
  const at = (date: string): number => Date.parse(`${date}T12:00:00Z`);
  const x = scaleUtc([at(days[0]!.date), at(days.at(-1)!.date)], [MARGIN.left, width - MARGIN.right]);
  const values = days.map(({ index }) => index).sort((a, b) => a - b);
  const [low, high] = [values[Math.floor(values.length * 0.01)]!, values[Math.ceil(values.length * 0.99) - 1]!];
  const y = scaleLinear(
    [Math.min(low, levels.before, levels.after), Math.max(high, levels.before, levels.after)],
    [height - MARGIN.bottom, MARGIN.top],
  ).nice(4);
  const inside = (value: number): number => Math.max(MARGIN.top, Math.min(height - MARGIN.bottom, y(value)));
  return (
    <g fontSize={12.5} fill="var(--ink-soft)">
      <ValueAxis y={y} from={MARGIN.left} to={width - MARGIN.right} count={4} label={(value) => value.toFixed(2)} />
      {x.ticks(Math.max(3, Math.floor(width / 110))).map((tick) => (
        <text key={+tick} x={x(tick)} y={height - 8} textAnchor="middle">
          {x.tickFormat()(tick)}
        </text>
      ))}
      {days.map(({ date, index }) => (
        <circle
          key={date}
          cx={x(at(date))}
          cy={inside(index)}
          r={1.9}
          fill={date < on ? "var(--ink-soft)" : "var(--moss)"}
          fillOpacity={0.55}
        />
      ))}
      <line x1={x(at(on))} x2={x(at(on))} y1={MARGIN.top} y2={height - MARGIN.bottom} stroke="var(--clay)" strokeDasharray="4 3" />
      <line x1={MARGIN.left} x2={x(at(on))} y1={y(levels.before)} y2={y(levels.before)} stroke="var(--ink)" strokeWidth={2} />
      <line x1={x(at(on))} x2={width - MARGIN.right} y1={y(levels.after)} y2={y(levels.after)} stroke="var(--ink)" strokeWidth={2} />
    </g>
  );
}
