import { scaleLinear } from "d3";
import type { FoundAccount } from "@/core/accounts";
import { accountFill } from "./hatches";

export interface DifferenceBarProps {
  /** Losses found, in the order of the account; a negative one is more than planned. */
  readonly found: readonly { readonly account: FoundAccount; readonly kwh: number }[];
  /** Positive is missing at the meter (drawn to the left), negative is more than expected. */
  readonly unexplainedKwh: number;
  readonly dataGapKwh: number;
  /** Largest short and largest over of the page, so that all its lines share one scale. */
  readonly mostShortKwh: number;
  readonly mostOverKwh: number;
  /** More is unexplained than instruments can tell. */
  readonly toCheck: boolean;
  readonly width: number;
  readonly height: number;
}

const BAR = 12;
/** Thinner than this a part can't be seen, px. */
const LEAST = 0.4;

interface Part {
  readonly key: string;
  readonly kwh: number;
  readonly fill: string;
  readonly stroke?: string;
  readonly dash?: string;
}

/** The spine's bar: what was found in its hatches, data gaps with a dotted edge, the unexplained in clay (filled where it is to be checked). Short to the left. */
export function DifferenceBar({
  found,
  unexplainedKwh,
  dataGapKwh,
  mostShortKwh,
  mostOverKwh,
  toCheck,
  width,
  height,
}: DifferenceBarProps) {
  const zero = (width * mostShortKwh + 6 * mostOverKwh) / Math.max(1e-9, mostShortKwh + mostOverKwh);
  const middle = Math.min(width - 8, Math.max(8, zero));
  const perKwh = Math.min((middle - 2) / Math.max(mostShortKwh, 1e-9), (width - middle - 2) / Math.max(mostOverKwh, 1e-9));
  const length = scaleLinear([0, 1], [0, perKwh]);
  const parts: Part[] = [
    ...found.map(({ account, kwh }) => ({ key: account, kwh, fill: accountFill(account) })),
    { key: "dataGap", kwh: dataGapKwh, fill: "var(--paper)", stroke: "var(--ink-soft)", dash: "2 2" },
    { key: "unexplained", kwh: unexplainedKwh, fill: toCheck ? "var(--clay)" : "var(--paper)", stroke: "var(--clay)" },
  ];
  let [left, right] = [middle, middle];
  return (
    <svg viewBox={`0 0 ${width} ${height}`} width={width} height={height} aria-hidden="true">
      {parts.map(({ key, kwh, fill, stroke, dash }) => {
        const size = length(Math.abs(kwh));
        if (size < LEAST) return null;
        if (kwh > 0) left -= size;
        const x = kwh > 0 ? left : right;
        if (kwh < 0) right += size;
        return (
          <rect
            key={key}
            x={x}
            width={size}
            y={(height - BAR) / 2}
            height={BAR}
            fill={fill}
            stroke={stroke}
            strokeDasharray={dash}
            strokeWidth={0.9}
          />
        );
      })}
      <line x1={middle} x2={middle} y1={0} y2={height} stroke="var(--rule-strong)" />
    </svg>
  );
}
