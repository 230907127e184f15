import { max, type ScaleBand, type ScaleLinear, scaleBand, scaleLinear } from "d3";
import { say } from "@/wording/charts";
import { ValueAxis } from "./ValueAxis";

export interface OutlayBar {
  readonly year: number;
  readonly loan: number;
  readonly remainingBill: number;
  readonly billWithout: number;
}

const MARGIN = { top: 10, right: 10, bottom: 34, left: 66 };

/** What is paid each year: loan on top of the remaining bill, before the bill without the array as an open mark. */
export function OutlayBars({
  bars,
  width,
  height,
  label,
}: {
  bars: readonly OutlayBar[];
  width: number;
  height: number;
  label: (value: number) => string;
}) {
  const x = scaleBand(
    bars.map((bar) => String(bar.year)),
    [MARGIN.left, width - MARGIN.right],
  ).padding(0.22);
  const least = Math.min(0, ...bars.map((bar) => bar.remainingBill));
  const y = scaleLinear(
    [least, max(bars, (bar) => Math.max(bar.billWithout, bar.loan + Math.max(0, bar.remainingBill))) ?? 1],
    [height - MARGIN.bottom, MARGIN.top],
  ).nice(5);
  const every = width < 500 ? 5 : bars.length > 18 ? 2 : 1;
  return (
    <g fontSize={12.5} fill="var(--ink-soft)">
      <ValueAxis y={y} from={MARGIN.left} to={width - MARGIN.right} count={5} label={label} zero />
      {bars.map((bar, k) => {
        const left = x(String(bar.year))!;
        const base = Math.max(0, bar.remainingBill);
        const isMore = bar.loan + bar.remainingBill > bar.billWithout;
        return (
          <OutlayBar key={bar.year} bar={bar} left={left} x={x} y={y} base={base} isMore={isMore} k={k} every={every} height={height} />
        );
      })}
      <text x={width - MARGIN.right} y={height - 2} textAnchor="end" fontStyle="italic" fontFamily="var(--serif)">
        {say.yearsFromNow}
      </text>
    </g>
  );
}

interface OutlayBarProps {
  readonly bar: OutlayBar;
  readonly left: number;
  readonly x: ScaleBand<string>;
  readonly y: ScaleLinear<number, number, never>;
  readonly base: number;
  readonly isMore: boolean;
  readonly k: number;
  readonly every: 1 | 5 | 2;
  readonly height: number;
}

function OutlayBar({ bar, left, x, y, base, isMore, k, every, height }: OutlayBarProps) {
  return (
    <g>
      <rect x={left} width={x.bandwidth()} y={y(base)} height={Math.max(0, y(0) - y(base))} fill="var(--account-inverter)" />
      {bar.remainingBill < 0 && <rect x={left} width={x.bandwidth()} y={y(0)} height={y(bar.remainingBill) - y(0)} fill="var(--moss)" />}
      <rect
        x={left}
        width={x.bandwidth()}
        y={y(base + bar.loan)}
        height={Math.max(0, y(base) - y(base + bar.loan))}
        fill="var(--brass)"
        fillOpacity={0.8}
      />
      <line
        x1={left - 2}
        x2={left + x.bandwidth() + 2}
        y1={y(bar.billWithout)}
        y2={y(bar.billWithout)}
        stroke={isMore ? "var(--clay)" : "var(--ink)"}
        strokeWidth={2.4}
      />
      {(k + 1) % every === 0 && (
        <text x={left + x.bandwidth() / 2} y={height - 16} textAnchor="middle">
          {bar.year}
        </text>
      )}
    </g>
  );
}
