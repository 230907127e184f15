import { scaleLinear } from "d3";
import { say } from "@/wording/charts";

export interface PartRate {
  readonly id: string;
  readonly name: string;
  readonly perYearFrac: number;
  readonly low: number;
  readonly high: number;
}

const MARGIN = { top: 6, right: 16, bottom: 42, left: 12 };
const ROW = 42;

export const partRatesHeight = (rows: number): number => MARGIN.top + rows * ROW + MARGIN.bottom;

/** Each part's yearly loss with the interval that holds it, on one scale, with the guaranteed rate as a line across. */
export function PartRates({ rates, warrantyFrac, width }: { rates: readonly PartRate[]; warrantyFrac: number | null; width: number }) {
  const ends = [...rates.flatMap(({ low, high }) => [low, high]), 0, warrantyFrac ?? 0];
  const x = scaleLinear([Math.min(...ends), Math.max(...ends)], [MARGIN.left, width - MARGIN.right]).nice(5);
  const foot = MARGIN.top + rates.length * ROW;
  return (
    <g fontSize={12.5} fill="var(--ink-soft)">
      {x.ticks(Math.max(3, Math.floor(width / 110))).map((tick) => (
        <g key={tick}>
          <line x1={x(tick)} x2={x(tick)} y1={MARGIN.top} y2={foot} stroke={tick === 0 ? "var(--rule-strong)" : "var(--rule)"} />
          <text x={x(tick)} y={foot + 16} textAnchor="middle">
            {(tick * 100).toFixed(1).replace("-", "−")}
          </text>
        </g>
      ))}
      <text x={width - MARGIN.right} y={foot + 34} textAnchor="end">
        {say.lostAYearOfTheFirst}
      </text>
      {warrantyFrac !== null && (
        <g>
          <line
            x1={x(warrantyFrac)}
            x2={x(warrantyFrac)}
            y1={MARGIN.top}
            y2={foot}
            stroke="var(--brass)"
            strokeDasharray="6 4"
            strokeWidth={1.5}
          />
          <text x={Math.max(52, Math.min(width - 60, x(warrantyFrac)))} y={foot + 34} textAnchor="middle" fill="var(--ink)">
            guaranteed
          </text>
        </g>
      )}
      {rates.map(({ id, name, perYearFrac, low, high }, k) => {
        const y = MARGIN.top + k * ROW + 30;
        return (
          <g key={id}>
            <text
              x={Math.max(MARGIN.left, Math.min(x(low), width - MARGIN.right - name.length * 7.4))}
              y={y - 12}
              fill="var(--ink)"
              stroke="var(--paper)"
              strokeWidth={4}
              paintOrder="stroke"
            >
              {name}
            </text>
            <line x1={x(low)} x2={x(high)} y1={y} y2={y} stroke="var(--ink)" strokeWidth={1.5} />
            {[low, high].map((end) => (
              <line key={end} x1={x(end)} x2={x(end)} y1={y - 4} y2={y + 4} stroke="var(--ink)" strokeWidth={1.5} />
            ))}
            <circle cx={x(perYearFrac)} cy={y} r={5} fill={warrantyFrac !== null && low > warrantyFrac ? "var(--clay)" : "var(--moss)"} />
          </g>
        );
      })}
    </g>
  );
}
