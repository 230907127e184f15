// Longer than a file should be, on purpose: the plan and its handles share one frame of reference, and read as one picture.

import type { ReactNode } from "react";
import type { FlatPoint } from "@/core/shading";
import type { PlacedArray, SiteObstacle } from "@/core/site";
import { degToRad } from "@/core/units";
import { inReadersUnit } from "@/wording/format";

/** Where the plan's middle lies and how large it is drawn. */
export interface PlanFrame {
  readonly width: number;
  readonly height: number;
  readonly eastM: number;
  readonly northM: number;
  readonly pxPerM: number;
}

export interface PlanOutline {
  readonly points: readonly FlatPoint[];
  readonly label: string;
}

export interface SitePlanProps {
  readonly frame: PlanFrame;
  readonly arrays: readonly PlacedArray[];
  readonly obstacles: readonly SiteObstacle[];
  /** Drawn on the ground, under all that stands on it. */
  readonly ground: ReactNode;
  readonly outlines: readonly PlanOutline[];
  readonly selected: string | null;
  /** Wraps a thing in what makes it movable. */
  readonly grip: (id: string, label: string, children: ReactNode) => ReactNode;
}

export const toPx = (frame: PlanFrame, eastM: number, northM: number): { x: number; y: number } => ({
  x: frame.width / 2 + (eastM - frame.eastM) * frame.pxPerM,
  y: frame.height / 2 - (northM - frame.northM) * frame.pxPerM,
});

export const toMetres = (frame: PlanFrame, x: number, y: number): { eastM: number; northM: number } => ({
  eastM: frame.eastM + (x - frame.width / 2) / frame.pxPerM,
  northM: frame.northM - (y - frame.height / 2) / frame.pxPerM,
});

/** A frame that holds arrays and obstacles whole, with room around them. */
export function frameOf(width: number, height: number, arrays: readonly PlacedArray[], obstacles: readonly SiteObstacle[]): PlanFrame {
  const spots = [
    ...arrays.map((a) => ({ ...a, reach: Math.hypot(a.widthM, a.slantM) / 2 })),
    ...obstacles.map((o) => ({ ...o, reach: Math.hypot(o.widthM, o.depthM ?? o.widthM) / 2 + 1 })),
  ];
  const west = Math.min(...spots.map((s) => s.eastM - s.reach));
  const east = Math.max(...spots.map((s) => s.eastM + s.reach));
  const south = Math.min(...spots.map((s) => s.northM - s.reach));
  const north = Math.max(...spots.map((s) => s.northM + s.reach));
  const pxPerM = Math.min(60, (width - 60) / Math.max(east - west, 4), (height - 60) / Math.max(north - south, 4));
  return { width, height, eastM: (west + east) / 2, northM: (south + north) / 2, pxPerM };
}

/** Arrays and obstacles from above, to scale, north up, with shadows on level ground. */
export function SitePlan({ frame, arrays, obstacles, ground, outlines, selected, grip }: SitePlanProps) {
  return (
    <g fontSize={12.5}>
      <rect width={frame.width} height={frame.height} fill="var(--paper-deep)" />
      <Grid frame={frame} />
      {outlines.map(({ points, label }, k) => (
        <g key={label}>
          <path
            d={planPath(frame, points)}
            fill="none"
            stroke="var(--ink-soft)"
            strokeWidth={1}
            strokeDasharray={k % 2 ? "5 3" : undefined}
          />
          <OutlineLabel frame={frame} points={points} label={label} />
        </g>
      ))}
      {ground}
      {arrays.map((array) =>
        grip(
          array.array.id,
          array.array.name || array.array.id,
          <ArrayMark frame={frame} place={array} selected={selected === array.array.id} />,
        ),
      )}
      {obstacles.map((obstacle) =>
        grip(
          obstacle.id,
          obstacle.name || obstacle.kind,
          <ObstacleMark frame={frame} obstacle={obstacle} selected={selected === obstacle.id} />,
        ),
      )}
      <North frame={frame} />
      <ScaleBar frame={frame} />
    </g>
  );
}

/** An outline of the plan as an SVG path. */
export function planPath(frame: PlanFrame, points: readonly FlatPoint[]): string {
  if (points.length === 0) return "";
  const corners = points.map(([east, north]) => {
    const { x, y } = toPx(frame, east, north);
    return `${x.toFixed(1)} ${y.toFixed(1)}`;
  });
  return `M${corners.join("L")}Z`;
}

const NICE = [0.5, 1, 2, 5, 10, 20, 50, 100, 200, 500, 1000, 2000, 5000];
const niceStep = (least: number): number => NICE.find((step) => step >= least) ?? 10_000;

function Grid({ frame }: { frame: PlanFrame }) {
  const step = niceStep(46 / frame.pxPerM);
  const from = toMetres(frame, 0, frame.height);
  const to = toMetres(frame, frame.width, 0);
  const lines = (low: number, high: number): number[] => {
    const first = Math.ceil(low / step);
    return Array.from({ length: Math.max(0, Math.floor(high / step) - first + 1) }, (_, k) => (first + k) * step);
  };
  return (
    <g stroke="var(--rule)">
      {lines(from.eastM, to.eastM).map((east) => (
        <line key={`e${east}`} x1={toPx(frame, east, 0).x} x2={toPx(frame, east, 0).x} y1={0} y2={frame.height} />
      ))}
      {lines(from.northM, to.northM).map((north) => (
        <line key={`n${north}`} y1={toPx(frame, 0, north).y} y2={toPx(frame, 0, north).y} x1={0} x2={frame.width} />
      ))}
    </g>
  );
}

function ArrayMark({ frame, place, selected }: { frame: PlanFrame; place: PlacedArray; selected: boolean }) {
  const { x, y } = toPx(frame, place.eastM, place.northM);
  const w = place.widthM * frame.pxPerM;
  const d = Math.max(3, place.slantM * Math.cos(degToRad(place.array.tiltDeg)) * frame.pxPerM);
  const turn = degToRad(place.array.azimuthDeg);
  const reach = (Math.abs(w * Math.sin(turn)) + Math.abs(d * Math.cos(turn))) / 2;
  // The name stands behind the array, away from its arrow.
  const below = Math.cos(turn) > 0 ? reach + 15 : -reach - 5;
  const every = (n: number, length: number): number[] =>
    length / n < 4 ? [] : Array.from({ length: n - 1 }, (_, k) => ((k + 1) / n) * length);
  return (
    <g>
      <g transform={`translate(${x},${y}) rotate(${place.array.azimuthDeg - 180})`}>
        <rect
          x={-w / 2}
          y={-d / 2}
          width={w}
          height={d}
          fill="var(--account-inverter)"
          stroke={selected ? "var(--clay)" : "var(--ink)"}
          strokeWidth={selected ? 2 : 1}
        />
        <g stroke="var(--hatch)" strokeWidth={0.7}>
          {every(place.columns, w).map((at) => (
            <line key={`c${at}`} x1={at - w / 2} x2={at - w / 2} y1={-d / 2} y2={d / 2} />
          ))}
          {every(place.rows, d).map((at) => (
            <line key={`r${at}`} y1={at - d / 2} y2={at - d / 2} x1={-w / 2} x2={w / 2} />
          ))}
        </g>
        <path
          d={`M0 ${d / 2}V${d / 2 + 16}M-4 ${d / 2 + 11}L0 ${d / 2 + 17}L4 ${d / 2 + 11}`}
          fill="none"
          stroke="var(--ink)"
          strokeWidth={1.6}
        />
      </g>
      <text x={x} y={y + below} textAnchor="middle" fill="var(--ink)" {...HALO}>
        {place.array.name || place.array.id}
      </text>
    </g>
  );
}

const HALO = { stroke: "var(--paper-deep)", strokeWidth: 3, paintOrder: "stroke" } as const;

function ObstacleMark({ frame, obstacle, selected }: { frame: PlanFrame; obstacle: SiteObstacle; selected: boolean }) {
  const { x, y } = toPx(frame, obstacle.eastM, obstacle.northM);
  const w = Math.max(5, obstacle.widthM * frame.pxPerM);
  const stroke = selected ? "var(--clay)" : "var(--ink)";
  const label = obstacle.name || obstacle.kind;
  if (obstacle.kind === "tree" || obstacle.kind === "pole") {
    const tree = obstacle.kind === "tree";
    return (
      <g>
        <circle
          cx={x}
          cy={y}
          r={w / 2}
          fill={tree ? "var(--moss)" : "var(--account-downtime)"}
          fillOpacity={tree ? 0.4 : 1}
          stroke={stroke}
          strokeWidth={selected ? 2 : 1}
          strokeDasharray={tree ? "3 2" : undefined}
        />
        {tree && <circle cx={x} cy={y} r={Math.max(1.5, w * 0.04)} fill="var(--ink)" />}
        {w < 16 && <circle cx={x} cy={y} r={10} fill="transparent" />}
        <text x={x} y={y + w / 2 + 14} textAnchor="middle" fill="var(--ink)" {...HALO}>
          {label}
        </text>
      </g>
    );
  }
  const usual = obstacle.kind === "wall" || obstacle.kind === "row" ? 0.2 : obstacle.widthM;
  const d = Math.max(4, (obstacle.depthM ?? usual) * frame.pxPerM);
  return (
    <g>
      <rect
        x={-w / 2}
        y={-d / 2}
        width={w}
        height={d}
        transform={`translate(${x},${y}) rotate(${(obstacle.facingDeg ?? 0) - 180})`}
        fill="var(--account-downtime)"
        fillOpacity={0.75}
        stroke={stroke}
        strokeWidth={selected ? 2 : 1}
      />
      <text x={x} y={y + Math.max(d, 8) / 2 + 14} textAnchor="middle" fill="var(--ink)" {...HALO}>
        {label}
      </text>
    </g>
  );
}

/** The name of an outline at its point farthest from the plan's middle that is still in the picture. */
function OutlineLabel({ frame, points, label }: { frame: PlanFrame; points: readonly FlatPoint[]; label: string }) {
  const inside = points
    .map(([east, north]) => toPx(frame, east, north))
    .filter(({ x, y }) => x > 16 && y > 14 && x < frame.width - 16 && y < frame.height - 6);
  const at = inside.reduce<{ x: number; y: number } | null>((top, point) => (top === null || point.y < top.y ? point : top), null);
  return at === null ? null : (
    <text x={at.x} y={at.y - 3} textAnchor="middle" fill="var(--ink-soft)" fontSize={11} {...HALO}>
      {label}
    </text>
  );
}

function North({ frame }: { frame: PlanFrame }) {
  return (
    <g transform={`translate(${frame.width - 24},26)`} stroke="var(--ink)" fill="none">
      <path d="M0 18V-10M-5 -3L0 -12L5 -3" strokeWidth={1.4} />
      <text y={31} textAnchor="middle" stroke="none" fill="var(--ink-soft)">
        N
      </text>
    </g>
  );
}

function ScaleBar({ frame }: { frame: PlanFrame }) {
  const [ofMetre, unit] = inReadersUnit(1, "m");
  const steps = niceStep((40 / frame.pxPerM) * ofMetre);
  const length = (steps / ofMetre) * frame.pxPerM;
  return (
    <g transform={`translate(14,${frame.height - 12})`}>
      <path d={`M0 -5V0H${length}V-5`} fill="none" stroke="var(--ink)" />
      <text x={length + 6} fill="var(--ink-soft)">
        {`${steps} ${unit}`}
      </text>
    </g>
  );
}
