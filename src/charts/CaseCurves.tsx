import { line, scaleLinear } from "d3";
import { say } from "@/wording/charts";
import { ValueAxis } from "./ValueAxis";
import { YearAxis } from "./YearAxis";

export interface CaseCurve {
  readonly name: string;
  readonly points: readonly { readonly year: number; readonly amount: number }[];
  readonly isBest: boolean;
}

const MARGIN = { top: 12, right: 16, bottom: 34, left: 72 };
const DASHES = ["", "7 4", "2 3", "10 3 2 3", "5 2"];

/** Balance of each variant against the base over the years; the best one in brass, the others by their dash. */
export function CaseCurves({
  curves,
  width,
  height,
  label,
}: {
  curves: readonly CaseCurve[];
  width: number;
  height: number;
  label: (value: number) => string;
}) {
  const values = curves.flatMap(({ points }) => points.map(({ amount }) => amount));
  const last = Math.max(1, ...curves.map(({ points }) => points.at(-1)?.year ?? 0));
  const x = scaleLinear([0, last], [MARGIN.left, width - MARGIN.right]);
  const y = scaleLinear([Math.min(0, ...values), Math.max(0, ...values)], [height - MARGIN.bottom, MARGIN.top]).nice(5);
  return (
    <g fontSize={12.5} fill="var(--ink-soft)">
      <ValueAxis y={y} from={MARGIN.left} to={width - MARGIN.right} count={5} label={label} zero />
      <YearAxis x={x} width={width} height={height} right={MARGIN.right} label={say.yearsFromNow} />
      {curves.map(({ name, points, isBest }, k) => (
        <path
          key={name}
          d={
            line<(typeof points)[number]>(
              (p) => x(p.year),
              (p) => y(p.amount),
            )([...points]) ?? ""
          }
          fill="none"
          stroke={isBest ? "var(--brass)" : "var(--ink-soft)"}
          strokeWidth={isBest ? 2.6 : 1.6}
          strokeDasharray={isBest ? "" : DASHES[(k % 4) + 1]}
        />
      ))}
    </g>
  );
}

export const caseDash = (k: number): string => DASHES[(k % 4) + 1]!;
