import { scaleLinear } from "d3";

export interface TornadoRow {
  readonly key: string;
  readonly name: string;
  /** Payback years with the term lower, and higher; beyond the picture's right edge when null. */
  readonly lowerYears: number | null;
  readonly higherYears: number | null;
}

const ROW = 30;
const NAMES = 190;
const RIGHT = 54;
const TOP = 22;

export const tornadoHeight = (rows: number): number => TOP + rows * ROW + 6;

/** What moves the payback most: each term lower (open) and higher (filled), around the years as they stand. */
export function TornadoBars({
  rows,
  years,
  width,
  label,
}: {
  rows: readonly TornadoRow[];
  years: number;
  width: number;
  label: (years: number) => string;
}) {
  const names = width < 460 ? 150 : NAMES;
  const known = rows.flatMap((row) => [row.lowerYears, row.higherYears]).filter((value) => value !== null);
  const [least, most] = [Math.min(years, ...known), Math.max(years, ...known)];
  const x = scaleLinear([least, most], [names + 46, width - RIGHT]);
  const at = (value: number | null): number => x(value ?? most);
  return (
    <g fontSize={12.5} fill="var(--ink-soft)">
      <line x1={x(years)} x2={x(years)} y1={TOP - 6} y2={TOP + rows.length * ROW} stroke="var(--ink)" />
      <text x={x(years)} y={12} textAnchor="middle" fill="var(--ink)">
        {label(years)}
      </text>
      {rows.map((row, k) => {
        const y = TOP + k * ROW;
        const [low, high] = [Math.min(at(row.lowerYears), at(row.higherYears)), Math.max(at(row.lowerYears), at(row.higherYears))];
        const [lowYears, highYears] =
          at(row.lowerYears) <= at(row.higherYears) ? [row.lowerYears, row.higherYears] : [row.higherYears, row.lowerYears];
        return (
          <g key={row.key}>
            <text x={0} y={y + 18} fontFamily="var(--serif)" fontSize={14} fill="var(--ink)">
              {row.name}
            </text>
            <rect
              x={Math.min(at(row.higherYears), x(years))}
              width={Math.abs(at(row.higherYears) - x(years))}
              y={y + 5}
              height={17}
              fill="var(--brass)"
            />
            <rect
              x={Math.min(at(row.lowerYears), x(years))}
              width={Math.abs(at(row.lowerYears) - x(years))}
              y={y + 5}
              height={17}
              fill="var(--owed)"
              stroke="var(--brass)"
            />
            <text x={low - 5} y={y + 18} textAnchor="end">
              {lowYears === null ? "never" : label(lowYears)}
            </text>
            <text x={high + 5} y={y + 18}>
              {highYears === null ? "never" : label(highYears)}
            </text>
          </g>
        );
      })}
    </g>
  );
}
