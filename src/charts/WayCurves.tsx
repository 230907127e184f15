import { line, scaleLinear, scalePoint } from "d3";
import { ValueAxis } from "./ValueAxis";

export interface WayCurve {
  readonly label: string;
  readonly values: readonly number[];
}

const MARGIN = { left: 52, right: 150, top: 10, bottom: 22 };
const LOOKS = [
  { stroke: "var(--ink)", dash: undefined },
  { stroke: "var(--brass)", dash: "5 3" },
  { stroke: "var(--account-inverter)", dash: undefined },
  { stroke: "var(--moss)", dash: "2 3" },
] as const;

/** Twelve months under a few ways to do a thing, named at their ends. */
export function WayCurves({
  width,
  height,
  months,
  curves,
  label,
}: {
  width: number;
  height: number;
  months: readonly string[];
  curves: readonly WayCurve[];
  label: (value: number) => string;
}) {
  const x = scalePoint(months, [MARGIN.left, width - MARGIN.right]);
  const y = scaleLinear([0, Math.max(1, ...curves.flatMap((curve) => curve.values))], [height - MARGIN.bottom, MARGIN.top]).nice();
  const draw = line<number>()
    .x((_, m) => x(months[m]!)!)
    .y((value) => y(value));
  // Names at the right keep their distance when the ends fall together.
  const names = curves.map((curve, k) => ({ k, label: curve.label, y: y(curve.values.at(-1) ?? 0) })).sort((a, b) => a.y - b.y);
  for (let n = 1; n < names.length; n++) names[n]!.y = Math.max(names[n]!.y, names[n - 1]!.y + 15);
  return (
    <g fontSize={12} fill="var(--ink-soft)">
      <ValueAxis y={y} from={MARGIN.left} to={width - MARGIN.right} count={5} label={label} />
      {months.map((month) => (
        <text key={month} x={x(month)} y={height - 5} textAnchor="middle">
          {month}
        </text>
      ))}
      {curves.map((curve, k) => (
        <path
          key={curve.label}
          d={draw(curve.values) ?? ""}
          fill="none"
          stroke={LOOKS[k % LOOKS.length]!.stroke}
          strokeDasharray={LOOKS[k % LOOKS.length]!.dash}
          strokeWidth={2}
        />
      ))}
      {names.map((name) => (
        <text key={name.label} x={width - MARGIN.right + 8} y={name.y + 4} fill={LOOKS[name.k % LOOKS.length]!.stroke}>
          {name.label}
        </text>
      ))}
    </g>
  );
}
