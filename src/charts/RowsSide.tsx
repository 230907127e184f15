import { degToRad } from "@/core/units";
import { measure } from "@/wording/format";

export interface RowsSideProps {
  readonly width: number;
  readonly height: number;
  readonly tiltDeg: number;
  readonly slantM: number;
  readonly gapM: number;
  readonly edgeM: number;
  readonly heap: { readonly heapM: number; readonly reachM: number } | null;
  /** Lowest sun of the window, as seen across the rows. */
  readonly sunDeg: number;
}

/** Two rows from the side, to scale, with the sun's lowest ray over the first onto the foot of the second. They look to the right. */
export function RowsSide({ width, height, tiltDeg, slantM, gapM, edgeM, heap, sunDeg }: RowsSideProps) {
  const tilt = degToRad(tiltDeg);
  const reach = slantM * Math.cos(tilt);
  const rise = slantM * Math.sin(tilt);
  const whole = 2 * reach + gapM;
  const px = Math.min((width - 120) / Math.max(whole, 1), (height - 60) / Math.max(rise + edgeM, 1));
  const ground = height - 26;
  const x0 = (width - whole * px) / 2;
  const row = (right: number) => ({
    foot: { x: right, y: ground - edgeM * px },
    head: { x: right - reach * px, y: ground - (edgeM + rise) * px },
  });
  const back = row(x0 + reach * px);
  const front = row(x0 + whole * px);
  const ray = 46;
  const e = degToRad(sunDeg);
  const marks = [{ from: back.foot.x, to: front.head.x, label: `gap ${measure(gapM, "m", 2)}`, y: ground + 16 }];
  return (
    <g fontSize={12}>
      <line x1={4} x2={width - 4} y1={ground} y2={ground} stroke="var(--rule-strong)" />
      <line
        x1={front.head.x + ray * Math.cos(e)}
        y1={front.head.y - ray * Math.sin(e)}
        x2={back.foot.x}
        y2={back.foot.y}
        stroke="var(--brass)"
        strokeDasharray="4 3"
      />
      <circle cx={front.head.x + ray * Math.cos(e)} cy={front.head.y - ray * Math.sin(e)} r={6} fill="var(--brass)" />
      {heap && (
        <path
          d={`M${back.foot.x - heap.reachM * px} ${ground}L${back.foot.x} ${ground - heap.heapM * px}L${back.foot.x + heap.reachM * px} ${ground}Z`}
          fill="var(--account-snow)"
          fillOpacity={0.6}
          stroke="var(--account-snow)"
        />
      )}
      {[back, front].map(({ foot, head }) => (
        <g key={foot.x}>
          <line x1={foot.x} x2={foot.x} y1={foot.y} y2={ground} stroke="var(--ink-soft)" />
          <line x1={head.x} x2={head.x} y1={head.y} y2={ground} stroke="var(--ink-soft)" strokeDasharray="2 2" />
          <line x1={foot.x} y1={foot.y} x2={head.x} y2={head.y} stroke="var(--account-inverter)" strokeWidth={5} strokeLinecap="round" />
        </g>
      ))}
      {marks.map(({ from, to, label, y }) => (
        <Measure key={label} label={label} from={from} y={y} to={to} />
      ))}
    </g>
  );
}

interface MeasureProps {
  readonly label: string;
  readonly from: number;
  readonly y: number;
  readonly to: number;
}

function Measure({ label, from, y, to }: MeasureProps) {
  return (
    <g>
      <path d={`M${from} ${y - 8}V${y - 3}M${to} ${y - 8}V${y - 3}M${from} ${y - 5}H${to}`} stroke="var(--ink)" fill="none" />
      <text x={(from + to) / 2} y={y + 8} textAnchor="middle" fill="var(--ink)" stroke="var(--paper)" strokeWidth={3} paintOrder="stroke">
        {label}
      </text>
    </g>
  );
}
