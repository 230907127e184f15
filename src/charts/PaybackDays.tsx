import { scaleLinear } from "d3";
import type { TornadoBar } from "@/core/money";

export interface PaybackFactor extends Pick<TornadoBar, "lowerYears" | "higherYears"> {
  readonly key: string;
  readonly name: string;
}

const ROW = 34;
const NAMES = 190;
const RIGHT = 76;
const TOP = 30;

export const paybackDaysHeight = (rows: number): number => TOP + rows * ROW + 10;

interface PaybackDaysProps {
  readonly factors: readonly PaybackFactor[];
  readonly years: number;
  readonly width: number;
  /** The day, or the years, that so many years come to. */
  readonly dayOf: (years: number) => string;
  /** "9 months earlier", "2 years later": how far a factor moves the day. */
  readonly movedBy: (years: number) => string;
}

/** The day on which the money is back, on a line of time: each factor moves it, earlier to the left, later to the right, by so many months. */
export function PaybackDays({ factors, years, width, dayOf, movedBy }: PaybackDaysProps) {
  const names = width < 460 ? 130 : NAMES;
  const known = factors.flatMap(({ lowerYears, higherYears }) => [lowerYears, higherYears]).filter((value) => value !== null);
  const [least, most] = [Math.min(years, ...known), Math.max(years, ...known)];
  const x = scaleLinear([least, most], [names + 60, width - RIGHT]);
  const end = TOP + factors.length * ROW;
  return (
    <g fontSize={12.5} fill="var(--ink-soft)">
      {x.ticks(5).map((tick) => (
        <line key={tick} x1={x(tick)} x2={x(tick)} y1={TOP - 8} y2={end} stroke="var(--rule)" />
      ))}
      <line x1={x(years)} x2={x(years)} y1={TOP - 8} y2={end} stroke="var(--brass)" strokeWidth={1.6} />
      <text x={x(years)} y={14} textAnchor="middle" fill="var(--ink)" fontWeight={600}>
        {dayOf(years)}
      </text>
      {factors.map(({ key, name, lowerYears, higherYears }, k) => {
        const y = TOP + k * ROW + ROW / 2;
        const ends = [lowerYears, higherYears]
          .map((value, e) => ({ value, isHigher: e === 1 }))
          .sort((a, b) => (a.value ?? Infinity) - (b.value ?? Infinity));
        return (
          <g key={key}>
            <text x={0} y={y + 4} fontFamily="var(--serif)" fontSize={14} fill="var(--ink)">
              {name}
            </text>
            <line x1={x(ends[0]!.value ?? most)} x2={x(ends[1]!.value ?? most)} y1={y} y2={y} stroke="var(--rule-strong)" strokeWidth={2} />
            {ends.map(({ value, isHigher }, e) => (
              <g key={String(isHigher)}>
                <circle
                  cx={x(value ?? most)}
                  cy={y}
                  r={4}
                  fill={isHigher ? "var(--brass)" : "var(--paper)"}
                  stroke="var(--brass)"
                  strokeWidth={1.5}
                />
                <text x={x(value ?? most) + (e === 0 ? -8 : 8)} y={y + 4} textAnchor={e === 0 ? "end" : "start"}>
                  {value === null ? "never" : movedBy(value - years)}
                </text>
              </g>
            ))}
          </g>
        );
      })}
    </g>
  );
}
