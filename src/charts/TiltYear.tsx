import { curveStepAfter, line, scaleLinear } from "d3";
import { DAYS, type TiltStep, tiltByDay } from "@/core/tilt";
import { ValueAxis } from "./ValueAxis";

export interface TiltLine {
  readonly label: string;
  readonly steps: readonly TiltStep[];
  readonly strong: boolean;
}

const MONTHS = ["J", "F", "M", "A", "M", "J", "J", "A", "S", "O", "N", "D"];
const MARGIN = { left: 34, right: 8, top: 8, bottom: 20 };

/** Tilt through the year under several schedules. */
export function TiltYear({ width, height, lines }: { width: number; height: number; lines: readonly TiltLine[] }) {
  const highest = Math.max(30, ...lines.flatMap(({ steps }) => steps.map((step) => step.tiltDeg)));
  const x = scaleLinear([0, DAYS], [MARGIN.left, width - MARGIN.right]);
  const y = scaleLinear([0, Math.ceil((highest + 6) / 10) * 10], [height - MARGIN.bottom, MARGIN.top]);
  const draw = line<number>()
    .x((_, day) => x(day))
    .y((tilt) => y(tilt))
    .curve(curveStepAfter);
  return (
    <g fontSize={11.5} fill="var(--ink-soft)">
      <ValueAxis y={y} from={MARGIN.left} to={width - MARGIN.right} count={5} label={(value) => `${value}°`} />
      {MONTHS.map((month, m) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: letters of months repeat
        <text key={m} x={x((m + 0.5) * 30.4)} y={height - 5} textAnchor="middle">
          {month}
        </text>
      ))}
      {lines.map(({ label, steps, strong }) => (
        <path
          key={label}
          d={draw([...tiltByDay(steps)]) ?? ""}
          fill="none"
          stroke={strong ? "var(--account-inverter)" : "var(--rule-strong)"}
          strokeWidth={strong ? 2.6 : 1.6}
          strokeDasharray={strong ? undefined : "5 3"}
        >
          <title>{label}</title>
        </path>
      ))}
    </g>
  );
}
