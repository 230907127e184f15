import { degToRad } from "@/core/units";
import { say } from "@/wording/charts";
import { measure } from "@/wording/format";

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

/** What a sun's label needs beside it, and under the one above. */
const LABEL_PX = 84;
const LABEL_LINE_PX = 15;
/** Room for the sun above the array, and for two lines of words under the ground. */
const SKY_PX = 64;
const WORDS_PX = 36;
const LOW_TILT_DEG = 20;

/** An array from the side, to scale: its slope, its height, and the noon sun of some days. It looks to the right. */
export function SideView({ width, height, tiltDeg, slantM, baseHeightM, suns, front }: SideViewProps) {
  const tilt = degToRad(Math.min(90, Math.max(0, tiltDeg || 0)));
  const ground = height - WORDS_PX;
  const reach = slantM * Math.cos(tilt);
  const head = baseHeightM + slantM * Math.sin(tilt);
  const px = Math.min((width * 0.42) / Math.max(slantM, 0.5), (ground - SKY_PX) / Math.max(head, slantM * 0.6, 0.5));
  const foot = { x: width * 0.5, y: ground - baseHeightM * px };
  const top = { x: foot.x - reach * px, y: foot.y - slantM * Math.sin(tilt) * px };
  const middle = { x: (foot.x + top.x) / 2, y: (foot.y + top.y) / 2 };
  const arc = Math.min(34, slantM * px * 0.4);
  // Under a flat slope there is no room for its angle.
  const isLow = tiltDeg < LOW_TILT_DEG;
  const ends = noonEnds(suns, middle, { width, ray: Math.min(width * 0.44, height * 0.75) });
  return (
    <g fontSize={12}>
      <line x1={4} x2={width - 4} y1={ground} y2={ground} stroke="var(--rule-strong)" />
      {ends.map((end) => (
        <NoonRay key={end.label} end={end} middle={middle} />
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
        x={isLow ? foot.x + 10 : foot.x - arc - 8}
        y={foot.y - 5}
        textAnchor={isLow ? "start" : "end"}
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
      <text x={4} y={height - 21} fill="var(--ink-soft)">
        {say.mSlopeHeadMUp(measure(slantM, "m", 2), measure(head, "m", 2))}
      </text>
    </g>
  );
}

interface Point {
  readonly x: number;
  readonly y: number;
}

interface NoonEnd extends Point {
  readonly label: string;
  readonly front: boolean;
  readonly labelY: number;
}

/** Where the noon suns that are up stand, each on its own ray, with their names one under another where they would meet. */
function noonEnds(suns: readonly NoonSun[], middle: Point, { width, ray }: { readonly width: number; readonly ray: number }): NoonEnd[] {
  const up = suns.filter(({ elevationDeg }) => elevationDeg > 0).sort((a, b) => b.elevationDeg - a.elevationDeg);
  const last = { ahead: -Infinity, behind: -Infinity };
  return up.map(({ label, elevationDeg, front }) => {
    const e = degToRad(elevationDeg);
    const aside = Math.max(0, front ? width - LABEL_PX - middle.x : middle.x - LABEL_PX);
    const along = Math.min(ray, aside / Math.max(1e-6, Math.cos(e)), (middle.y - 10) / Math.max(1e-6, Math.sin(e)));
    const y = middle.y - along * Math.sin(e);
    const side = front ? "ahead" : "behind";
    const labelY = Math.max(y + 4, last[side] + LABEL_LINE_PX);
    last[side] = labelY;
    return { label, front, x: middle.x + (front ? 1 : -1) * along * Math.cos(e), y, labelY };
  });
}

/** The noon sun of a day with its ray. */
function NoonRay({ end: { label, front, x, y, labelY }, middle }: { readonly end: NoonEnd; readonly middle: Point }) {
  return (
    <g>
      <line x1={middle.x} y1={middle.y} x2={x} y2={y} stroke="var(--brass)" strokeDasharray="4 3" />
      <circle cx={x} cy={y} r={5} fill="var(--brass)" />
      <text
        x={x + (front ? 9 : -9)}
        y={labelY}
        textAnchor={front ? "start" : "end"}
        fill="var(--ink-soft)"
        stroke="var(--paper)"
        strokeWidth={3}
        paintOrder="stroke"
      >
        {label}
      </text>
    </g>
  );
}
