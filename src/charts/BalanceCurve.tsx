import { area, line, scaleLinear } from "d3";
import { say } from "@/wording/charts";
import { ValueAxis } from "./ValueAxis";
import { YearAxis } from "./YearAxis";

export interface BalancePoint {
  readonly year: number;
  readonly balance: number;
  readonly simpleBalance: number;
  /** In money of the first day. */
  readonly discountedBalance: number;
}

export interface BalanceCurveProps {
  /** Year 0 is the day of commissioning. */
  readonly points: readonly BalancePoint[];
  readonly risingYears: number | null;
  readonly simpleYears: number | null;
  /** Where 95 of 100 draws cross; ends beyond the horizon are cut there. */
  readonly interval: readonly [low: number, high: number] | null;
  readonly width: number;
  readonly height: number;
  readonly label: (value: number) => string;
}

const MARGIN = { top: 14, right: 16, bottom: 34, left: 72 };

/** Savings less cost over the years: with price rise and ageing in brass, without as a dashed line, discounted dotted; debt below the zero rule is shaded. */
export function BalanceCurve({ points, risingYears, simpleYears, interval, width, height, label }: BalanceCurveProps) {
  const values = points.flatMap((p) => [p.balance, p.simpleBalance]);
  const last = points.at(-1)?.year ?? 1;
  const x = scaleLinear([0, last], [MARGIN.left, width - MARGIN.right]);
  const y = scaleLinear([Math.min(0, ...values), Math.max(0, ...values)], [height - MARGIN.bottom, MARGIN.top]).nice(6);
  const curve = (of: (point: BalancePoint) => number): string =>
    line<BalancePoint>(
      (p) => x(p.year),
      (p) => y(of(p)),
    )(points) ?? "";
  const debt = area<BalancePoint>(
    (p) => x(p.year),
    y(0),
    (p) => y(Math.min(0, p.balance)),
  );
  return (
    <g fontSize={12.5} fill="var(--ink-soft)">
      <ValueAxis y={y} from={MARGIN.left} to={width - MARGIN.right} count={6} label={label} zero />
      <YearAxis x={x} width={width} height={height} right={MARGIN.right} label={say.yearsSinceCommissioning} />
      <path d={debt(points) ?? ""} fill="var(--clay)" fillOpacity={0.1} />
      <path d={curve((p) => p.simpleBalance)} fill="none" stroke="var(--ink-soft)" strokeWidth={1.4} strokeDasharray="5 4" />
      <path d={curve((p) => p.discountedBalance)} fill="none" stroke="var(--ink)" strokeWidth={1.4} strokeDasharray="1.5 3" />
      <path d={curve((p) => p.balance)} fill="none" stroke="var(--brass)" strokeWidth={2.4} />
      {interval && (
        <line
          x1={x(Math.min(last, interval[0]))}
          x2={x(Math.min(last, interval[1]))}
          y1={y(0)}
          y2={y(0)}
          stroke="var(--brass)"
          strokeWidth={7}
          strokeOpacity={0.35}
          strokeLinecap="round"
        />
      )}
      {simpleYears !== null && simpleYears <= x.domain()[1]! && (
        <circle cx={x(simpleYears)} cy={y(0)} r={4} fill="var(--paper)" stroke="var(--ink-soft)" strokeWidth={1.6} />
      )}
      {risingYears !== null && <circle cx={x(risingYears)} cy={y(0)} r={5} fill="var(--brass)" />}
    </g>
  );
}
