import type { ArcPoint } from "@/core/geometry";
import type { FlatPoint, ShadedSky } from "@/core/shading";
import { degToRad, radToDeg } from "@/core/units";
import { SkyBands } from "./SkyBands";
import { LEFT, type SkyFrame, scales, skyToPx, TOP, turned } from "./sky-frame";

export interface SunPathArc {
  readonly label: string;
  readonly points: readonly ArcPoint[];
  readonly strong?: boolean;
  /** Says the clock's hours along it. */
  readonly hours?: boolean;
}

/** An obstacle's outline in the sky: azimuth running on, elevation. */
export interface Silhouette {
  readonly id: string;
  readonly label: string;
  readonly points: readonly FlatPoint[];
  /** Light passes it for part of the year. */
  readonly thin: boolean;
}

export interface SunPathProps {
  readonly frame: SkyFrame;
  readonly arcs: readonly SunPathArc[];
  readonly silhouettes: readonly Silhouette[];
  /** The year's sun on the modules, and what is lost of it. */
  readonly sky: ShadedSky;
  /** What a cell of it says when it is pointed at. */
  readonly sayCell: (band: number, step: number) => string;
  /** Elevation of the horizon at an azimuth. */
  readonly horizonAt: (azimuthDeg: number) => number;
  readonly plane: { readonly tiltDeg: number; readonly azimuthDeg: number };
  /** Clock hour of an instant, for the hours along the arcs. */
  readonly hourOf: (utcMs: number) => number;
}

/** The sun's ways through the year as seen from one array, with what stands before them. */
export function SunPath({ frame, arcs, silhouettes, sky, sayCell, horizonAt, plane, hourOf }: SunPathProps) {
  const { x, y } = scales(frame);
  const { width, centreDeg, halfDeg, topDeg } = frame;
  const floor = y(0);
  const azimuths = Array.from({ length: 181 }, (_, k) => -halfDeg + (k / 180) * 2 * halfDeg);
  const point = (a: number, of: (azimuth: number) => number): string =>
    `${x(a).toFixed(1)} ${y(Math.max(0, Math.min(topDeg, of(a + centreDeg)))).toFixed(1)}`;
  const ridge = (of: (azimuth: number) => number): string =>
    ["M", x(-halfDeg), " ", floor, "L", azimuths.map((a) => point(a, of)).join("L"), "L", x(halfDeg), " ", floor, "Z"].join("");
  const behind = (azimuth: number): number =>
    plane.tiltDeg <= 0
      ? 0
      : radToDeg(Math.atan(-Math.tan(degToRad(Math.min(89.9, plane.tiltDeg))) * Math.cos(degToRad(azimuth - plane.azimuthDeg))));
  return (
    <g fontSize={12}>
      <defs>
        <clipPath id="sky-sheet">
          <rect x={LEFT} y={TOP} width={width - 8 - LEFT} height={floor - TOP} />
        </clipPath>
        <pattern id="behind-modules" width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <path d="M0 0V7" stroke="var(--rule-strong)" strokeWidth="1.4" />
        </pattern>
      </defs>
      <rect x={LEFT} y={TOP} width={width - 8 - LEFT} height={floor - TOP} fill="var(--paper-deep)" />
      <Scale frame={frame} />
      <g clipPath="url(#sky-sheet)">
        <path d={ridge(behind)} fill="url(#behind-modules)" />
        <SkyBands frame={frame} arcs={arcs} sky={sky} sayCell={sayCell} />
        {arcs.map((arc) => (
          <Arc key={arc.label} arc={arc} frame={frame} hourOf={hourOf} />
        ))}
        {silhouettes.map((silhouette) => (
          <Outline key={silhouette.id} silhouette={silhouette} frame={frame} />
        ))}
        <path d={ridge(horizonAt)} fill="var(--account-downtime)" fillOpacity={0.55} stroke="var(--account-downtime)" />
      </g>
      <text x={LEFT - 6} y={TOP + 10} textAnchor="end" fill="var(--ink-soft)">
        {topDeg}°
      </text>
    </g>
  );
}

/** The sun of one moment on the sheet; nothing while it is down. */
export function SunDot({ frame, now }: { frame: SkyFrame; now: { readonly azimuthDeg: number; readonly elevationDeg: number } }) {
  if (now.elevationDeg <= 0) return null;
  const { x, y } = skyToPx(frame, now.azimuthDeg, now.elevationDeg);
  return <circle cx={x} cy={y} r={8} fill="var(--brass)" stroke="var(--ink)" />;
}

const NAMES: Readonly<Record<number, string>> = { 0: "N", 45: "NE", 90: "E", 135: "SE", 180: "S", 225: "SW", 270: "W", 315: "NW" };

function Scale({ frame }: { frame: SkyFrame }) {
  const { x, y } = scales(frame);
  const marks = Array.from({ length: 24 }, (_, k) => k * 15).filter(
    (azimuth) => Math.abs(turned(azimuth, frame.centreDeg)) <= frame.halfDeg,
  );
  return (
    <g>
      {y.ticks(6).map((elevation) => (
        <g key={elevation}>
          <line x1={x(-frame.halfDeg)} x2={x(frame.halfDeg)} y1={y(elevation)} y2={y(elevation)} stroke="var(--rule)" />
          {elevation < frame.topDeg - 4 && (
            <text x={LEFT - 6} y={y(elevation) + 4} textAnchor="end" fill="var(--ink-soft)">
              {elevation}°
            </text>
          )}
        </g>
      ))}
      {marks.map((azimuth) => {
        const at = x(turned(azimuth, frame.centreDeg));
        return (
          <g key={azimuth}>
            <line x1={at} x2={at} y1={y(0)} y2={y(0) + (azimuth % 45 === 0 ? 6 : 3)} stroke="var(--rule-strong)" />
            {azimuth % 45 === 0 && (
              <text x={at} y={y(0) + 19} textAnchor="middle" fill="var(--ink-soft)">
                {NAMES[azimuth]}
              </text>
            )}
          </g>
        );
      })}
    </g>
  );
}

function Arc({ arc, frame, hourOf }: { arc: SunPathArc; frame: SkyFrame; hourOf: (utcMs: number) => number }) {
  const up = arc.points.filter((point) => point.elevationDeg > -2);
  let line = "";
  up.forEach((point, k) => {
    const at = skyToPx(frame, point.azimuthDeg, point.elevationDeg);
    const before = up[k - 1];
    // Across the sheet's edge, and over a night, the line is lifted.
    const jump =
      !before ||
      Math.abs(turned(point.azimuthDeg, frame.centreDeg) - turned(before.azimuthDeg, frame.centreDeg)) > 180 ||
      point.utcMs - before.utcMs > 1_300_000;
    line += `${jump ? "M" : "L"}${at.x.toFixed(1)} ${at.y.toFixed(1)}`;
  });
  const highest = up.reduce<ArcPoint | null>((top, point) => (top === null || point.elevationDeg > top.elevationDeg ? point : top), null);
  const strong = arc.strong ?? false;
  return (
    <g>
      <path d={line} fill="none" stroke="var(--ink-soft)" strokeWidth={strong ? 1.3 : 0.7} strokeOpacity={strong ? 0.9 : 0.45} />
      {arc.hours &&
        up
          .filter((point) => Math.abs(hourOf(point.utcMs) - Math.round(hourOf(point.utcMs))) < 0.06 && point.elevationDeg > 0)
          .map((point) => {
            const at = skyToPx(frame, point.azimuthDeg, point.elevationDeg);
            return (
              <text key={point.utcMs} x={at.x} y={at.y - 5} textAnchor="middle" fill="var(--ink-soft)" fontSize={10.5}>
                {Math.round(hourOf(point.utcMs)) % 24}
              </text>
            );
          })}
      {strong && highest && highest.elevationDeg > 0 && (
        <text
          {...skyToPx(frame, highest.azimuthDeg, highest.elevationDeg)}
          dy={15}
          dx={14}
          fill="var(--ink)"
          fontStyle="italic"
          fontFamily="var(--serif)"
          fontSize={13.5}
        >
          {arc.label}
        </text>
      )}
    </g>
  );
}

function Outline({ silhouette, frame }: { silhouette: Silhouette; frame: SkyFrame }) {
  const { x, y } = scales(frame);
  const middle = silhouette.points.reduce((sum, [azimuth]) => sum + azimuth, 0) / silhouette.points.length;
  const shift = turned(middle, frame.centreDeg) - middle;
  // Drawn on both ends of the sheet, so that a thing across its edge shows on each.
  const paths = [-360, 0, 360].map(
    (lap) =>
      `M${silhouette.points.map(([azimuth, elevation]) => `${x(azimuth + shift + lap).toFixed(1)} ${y(elevation).toFixed(1)}`).join("L")}Z`,
  );
  const top = silhouette.points.reduce((a, b) => (b[1] > a[1] ? b : a));
  return (
    <g>
      {paths.map((d) => (
        <path
          key={d}
          d={d}
          fill="var(--account-shading)"
          fillOpacity={silhouette.thin ? 0.45 : 0.75}
          stroke="var(--account-shading)"
          strokeDasharray={silhouette.thin ? "3 2" : undefined}
        />
      ))}
      <text
        x={x(top[0] + shift)}
        y={Math.max(14, y(top[1]) - 5)}
        textAnchor="middle"
        fill="var(--ink)"
        stroke="var(--paper-deep)"
        strokeWidth={3}
        paintOrder="stroke"
      >
        {silhouette.label}
      </text>
    </g>
  );
}
