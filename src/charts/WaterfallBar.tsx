import { scaleLinear } from "d3";
import type { LedgerAccount } from "@/core/accounts";
import { accountFill } from "./hatches";

export interface WaterfallBarProps {
  /** Where the step begins and ends on the energy axis, kWh. */
  readonly fromKwh: number;
  readonly toKwh: number;
  readonly account: LedgerAccount | "total" | "metered";
  readonly domain: readonly [number, number];
  readonly height: number;
  readonly label: string;
  /** Half width of an interval about the end, kWh. */
  readonly halfKwh?: number;
}

/** Near the width at which it is shown, so that hatches keep their shape. */
const WIDTH = 280;

/** One step of the walk from the sun to the meter: a hanging bar for a loss, a standing one for a total. The axis begins at the domain's low end. */
export function WaterfallBar({ fromKwh, toKwh, account, domain, height, label, halfKwh = 0 }: WaterfallBarProps) {
  const x = scaleLinear(domain, [0, WIDTH]).clamp(true);
  const [left, right] = [Math.min(x(fromKwh), x(toKwh)), Math.max(x(fromKwh), x(toKwh))];
  const middle = height / 2;
  return (
    <svg viewBox={`0 0 ${WIDTH} ${height}`} width="100%" height={height} preserveAspectRatio="none" role="img" aria-label={label}>
      <Bar account={account} left={left} right={right} height={height} />
      {toKwh !== fromKwh && account !== "total" && account !== "metered" && (
        <line x1={x(toKwh)} x2={x(toKwh)} y1={middle} y2={height} stroke="var(--rule-strong)" vectorEffect="non-scaling-stroke" />
      )}
      {halfKwh > 0 && (
        <g stroke="var(--ink)" strokeWidth={1.2}>
          <line x1={x(toKwh - halfKwh)} x2={x(toKwh + halfKwh)} y1={middle} y2={middle} vectorEffect="non-scaling-stroke" />
          {[-halfKwh, halfKwh].map((off) => (
            <line key={off} x1={x(toKwh + off)} x2={x(toKwh + off)} y1={middle - 4} y2={middle + 4} vectorEffect="non-scaling-stroke" />
          ))}
        </g>
      )}
    </svg>
  );
}

function Bar({ account, left, right, height }: { account: WaterfallBarProps["account"]; left: number; right: number; height: number }) {
  const width = Math.max(1.5, right - left);
  if (account === "total") return <rect x={0} y={4} width={right} height={height - 8} fill="var(--owed)" stroke="var(--owed-edge)" />;
  if (account === "metered") return <rect x={0} y={4} width={right} height={height - 8} fill="var(--ink)" />;
  if (account === "unread" || account === "remainder") {
    const edge = account === "unread" ? "var(--ink-soft)" : "var(--clay)";
    return <rect x={left} y={4} width={width} height={height - 8} fill="var(--paper)" stroke={edge} vectorEffect="non-scaling-stroke" />;
  }
  return <rect x={left} y={4} width={width} height={height - 8} fill={accountFill(account)} />;
}
