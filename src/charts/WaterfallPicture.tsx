import { scaleLinear } from "d3";
import { accountFill } from "./hatches";
import type { WaterfallBarProps } from "./WaterfallBar";

export interface WaterfallStep extends Pick<WaterfallBarProps, "fromKwh" | "toKwh" | "account"> {
  readonly key: string;
  readonly name: string;
  readonly shownKwh: number;
}

const ROW = 26;
const NAMES = 150;
const FIGURES = 90;
export const waterfallHeight = (steps: readonly WaterfallStep[]): number => steps.length * ROW + 8;

/** The whole walk from the sun to the meter as one picture with names and figures, for keeping and for print. */
export function WaterfallPicture({
  steps,
  domain,
  width,
  label,
}: {
  steps: readonly WaterfallStep[];
  domain: readonly [number, number];
  width: number;
  label: (kwh: number) => string;
}) {
  const x = scaleLinear(domain, [NAMES, width - FIGURES]).clamp(true);
  return (
    <g fontSize={14} fill="var(--ink)" fontFamily="var(--sans)">
      {steps.map((step, k) => {
        const total = step.account === "total" || step.account === "metered";
        const [left, right] = total
          ? [NAMES, x(step.toKwh)]
          : [x(Math.min(step.fromKwh, step.toKwh)), x(Math.max(step.fromKwh, step.toKwh))];
        return (
          <g key={step.key} transform={`translate(0,${k * ROW + 4})`}>
            <text y={17} fontWeight={total ? 700 : 400}>
              {step.name}
            </text>
            <rect x={left} y={4} width={Math.max(1, right - left)} height={ROW - 8} {...paintOf(step.account)} />
            <text x={width} y={17} textAnchor="end" fontWeight={total ? 700 : 400}>
              {label(step.shownKwh)}
            </text>
            <line x2={width} y1={ROW - 1} y2={ROW - 1} stroke="var(--rule)" />
          </g>
        );
      })}
    </g>
  );
}

function paintOf(account: WaterfallBarProps["account"]): { fill: string; stroke?: string } {
  if (account === "total") return { fill: "var(--owed)", stroke: "var(--owed-edge)" };
  if (account === "metered") return { fill: "var(--ink)" };
  if (account === "remainder") return { fill: "var(--paper)", stroke: "var(--clay)" };
  if (account === "unread") return { fill: "var(--paper)", stroke: "var(--ink-soft)" };
  return { fill: accountFill(account) };
}
