import { degToRad } from "@/core/units";
import { say } from "@/wording/charts";

export interface NoonSun {
  readonly label: string;
  readonly elevationDeg: number;
  /** In front of the modules (true) or behind them. */
  readonly front: boolean;
}

export interface SideViewProps {
  readonly width: number;
  readonly height: number;
  readonly tiltDeg: number;
  readonly slantM: number;
  readonly baseHeightM: number;
  readonly suns: readonly NoonSun[];
  /** What lies to the right, where the modules look. */
  readonly front: string;
}

/** What a sun's label needs beside it. */
const LABEL_PX = 66;

/** An array from the side, to scale: its slope, its height, and the noon sun of some days. It looks to the right. */
export function SideView({ width, height, tiltDeg, slantM, baseHeightM, suns, front }: SideViewProps) {
  const tilt = degToRad(Math.min(90, Math.max(0, tiltDeg || 0)));
  const ground = height - 20;
  const reach = slantM * Math.cos(tilt);
  const head = baseHeightM + slantM * Math.sin(tilt);
  const px = Math.min((width * 0.42) / Math.max(slantM, 0.5), (ground - 26) / Math.max(head, slantM * 0.6, 0.5));
  const foot = { x: width * 0.5, y: ground - baseHeightM * px };
  const top = { x: foot.x - reach * px, y: foot.y - slantM * Math.sin(tilt) * px };
  const middle = { x: (foot.x + top.x) / 2, y: (foot.y + top.y) / 2 };
  const arc = Math.min(34, slantM * px * 0.4);
  const ray = Math.min(width * 0.44, height * 0.75);
  return (
    <g fontSize={12}>
      <line x1={4} x2={width - 4} y1={ground} y2={ground} stroke="var(--rule-strong)" />
      {suns.map((sun) => (
        <NoonRay key={sun.label} sun={sun} middle={middle} ray={ray} width={width} />
      ))}
      <g stroke="var(--ink-soft)" fill="none">
        <line x1={foot.x} x2={foot.x} y1={foot.y} y2={ground} />
        <line x1={top.x} x2={top.x} y1={top.y} y2={ground} strokeDasharray="2 2" />
        <path
          d={`M${foot.x - arc} ${foot.y}A${arc} ${arc} 0 0 1 ${foot.x - arc * Math.cos(tilt)} ${foot.y - arc * Math.sin(tilt)}`}
          strokeDasharray="2 2"
        />
        <line x1={foot.x - arc - 6} x2={foot.x} y1={foot.y} y2={foot.y} strokeDasharray="2 2" />
      </g>
      <line x1={foot.x} y1={foot.y} x2={top.x} y2={top.y} stroke="var(--account-inverter)" strokeWidth={5} strokeLinecap="round" />
      <text
        x={foot.x - arc - 8}
        y={foot.y - 5}
        textAnchor="end"
        fill="var(--ink)"
        fontWeight={600}
        stroke="var(--paper)"
        strokeWidth={3}
        paintOrder="stroke"
      >
        {Math.round(tiltDeg * 10) / 10}°
      </text>
      <text x={width - 4} y={height - 5} textAnchor="end" fill="var(--ink-soft)">
        {front} →
      </text>
      <text x={4} y={height - 5} fill="var(--ink-soft)">
        {say.mSlopeHeadMUp(slantM.toFixed(2), head.toFixed(2))}
      </text>
    </g>
  );
}

interface NoonRayProps {
  readonly sun: NoonSun;
  readonly middle: { readonly x: number; readonly y: number };
  /** Length where there is room for it. */
  readonly ray: number;
  readonly width: number;
}

/** The noon sun of a day with its ray; nothing while it is down. */
function NoonRay({ sun: { label, elevationDeg, front: ahead }, middle, ray, width }: NoonRayProps) {
  if (elevationDeg <= 0) return null;
  const e = degToRad(elevationDeg);
  const room = ahead ? width - LABEL_PX - middle.x : middle.x - LABEL_PX;
  const along = Math.min(ray, Math.max(0, room) / Math.max(1e-6, Math.cos(e)));
  const end = { x: middle.x + (ahead ? 1 : -1) * along * Math.cos(e), y: Math.max(12, middle.y - along * Math.sin(e)) };
  return (
    <g>
      <line x1={middle.x} y1={middle.y} x2={end.x} y2={end.y} stroke="var(--brass)" strokeDasharray="4 3" />
      <circle cx={end.x} cy={end.y} r={5} fill="var(--brass)" />
      <text x={end.x + (ahead ? 9 : -9)} y={end.y + 4} textAnchor={ahead ? "start" : "end"} fill="var(--ink-soft)">
        {label}
      </text>
    </g>
  );
}
