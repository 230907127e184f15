import { scaleLinear, stack } from "d3";
import { accountFill, type DrawnAccount } from "./hatches";

export interface BarPart {
  readonly account: DrawnAccount;
  readonly kwh: number;
}

export interface AccountBarProps {
  readonly expectedKwh: number;
  readonly losses: readonly BarPart[];
  /** Energy that fills the whole width. */
  readonly mostKwh: number;
  readonly width: number;
  readonly height: number;
  readonly label: string;
}

/** One line of the ledger as a bar: what is expected, then where the rest of the reference goes. Gains take no width; they are in the table. */
export function AccountBar({ expectedKwh, losses, mostKwh, width, height, label }: AccountBarProps) {
  const x = scaleLinear([0, mostKwh], [0, width]);
  const positive = losses.filter((part) => part.kwh > 0);
  const row = Object.fromEntries([["expected", expectedKwh], ...positive.map((part) => [part.account, part.kwh])]) as Record<
    string,
    number
  >;
  const layers = stack<Record<string, number>>().keys(Object.keys(row))([row]);
  return (
    <svg viewBox={`0 0 ${width} ${height}`} width="100%" height={height} preserveAspectRatio="none" role="img" aria-label={label}>
      {layers.map((layer) => {
        const [from, to] = layer[0]!;
        const part = positive.find((candidate) => candidate.account === layer.key);
        return (
          <rect
            key={layer.key}
            x={x(from)}
            width={Math.max(0, x(to) - x(from) - (part ? 0.5 : 0))}
            y={1}
            height={height - 2}
            fill={part ? accountFill(part.account) : "var(--owed)"}
            stroke={part ? "none" : "var(--owed-edge)"}
            strokeWidth={0.6}
          />
        );
      })}
    </svg>
  );
}
