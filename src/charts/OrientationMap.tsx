import { contours, geoPath, geoTransform } from "d3";

/** A plane to mark on the map. */
export interface MapMark {
  readonly tiltDeg: number;
  readonly azimuthDeg: number;
  readonly label: string;
  readonly kind: "array" | "wish" | "best";
}

export interface OrientationMapProps {
  /** Energy by tilt (rows, flat first) and azimuth (columns, north first), without holes. */
  readonly kwh: Float64Array;
  readonly tilts: number;
  readonly azimuths: number;
  readonly stepDeg: number;
  readonly size: number;
  readonly marks: readonly MapMark[];
}

/** Share of the best plane: lower bounds of the classes. */
export const MAP_BOUNDS = [0.5, 0.65, 0.75, 0.84, 0.91, 0.96, 0.99] as const;
const RIM = 24;

/** Where a plane lies on the map of a size: flat in the middle, upright at the rim, north up. */
export function placeOnMap(size: number, tiltDeg: number, azimuthDeg: number): { x: number; y: number } {
  const radius = (tiltDeg / 90) * (size / 2 - RIM);
  const angle = (azimuthDeg * Math.PI) / 180;
  return { x: size / 2 + radius * Math.sin(angle), y: size / 2 - radius * Math.cos(angle) };
}

/** The plane under a point of the map; null outside. */
export function planeAtPoint(size: number, x: number, y: number): { tiltDeg: number; azimuthDeg: number } | null {
  const [dx, dy] = [x - size / 2, size / 2 - y];
  const tiltDeg = (Math.hypot(dx, dy) / (size / 2 - RIM)) * 90;
  if (tiltDeg > 92) return null;
  return { tiltDeg: Math.min(90, Math.round(tiltDeg)), azimuthDeg: (Math.round((Math.atan2(dx, dy) * 180) / Math.PI) + 360) % 360 };
}

/** Yearly energy of every plane as a disc, in classes of the best plane's energy, with planes marked on it. */
export function OrientationMap({ kwh, tilts, azimuths, stepDeg, size, marks }: OrientationMapProps) {
  const best = kwh.reduce((most, value) => Math.max(most, value), 0);
  const outline = outlines(size, stepDeg);
  const levels = contours()
    .size([azimuths + 2, tilts])
    .thresholds(MAP_BOUNDS.map((bound) => bound * best))(wrapped(kwh, tilts, azimuths));
  return (
    <g fontSize={12.5}>
      <circle cx={size / 2} cy={size / 2} r={size / 2 - RIM} fill="var(--sun-0)" />
      {levels.map((level, k) => (
        <path key={level.value} d={outline(level) ?? ""} fill={`var(--sun-${k + 1})`} />
      ))}
      {[30, 60, 90].map((tilt) => (
        <circle
          key={tilt}
          cx={size / 2}
          cy={size / 2}
          r={(tilt / 90) * (size / 2 - RIM)}
          fill="none"
          stroke="var(--ink)"
          strokeOpacity={0.28}
        />
      ))}
      {[30, 60].map((tilt) => (
        <text key={tilt} {...placeOnMap(size, tilt, 44)} dx={3} fill="var(--ink)" fillOpacity={0.75} fontSize={11}>
          {tilt}°
        </text>
      ))}
      {["N", "E", "S", "W"].map((name, k) => {
        const at = placeOnMap(size, 98, k * 90);
        return (
          <text key={name} x={at.x} y={at.y + 4.5} textAnchor="middle" fill="var(--ink-soft)">
            {name}
          </text>
        );
      })}
      {marks.map((mark) => (
        <Mark key={`${mark.kind}-${mark.label}`} mark={mark} size={size} />
      ))}
    </g>
  );
}

/** The map's values with its last azimuth repeated before the first, and the first after the last, so that contours close around north. */
function wrapped(kwh: Float64Array, tilts: number, azimuths: number): number[] {
  const out: number[] = [];
  for (let t = 0; t < tilts; t++) {
    for (let a = -1; a <= azimuths; a++) out.push(kwh[t * azimuths + ((a + azimuths) % azimuths)]!);
  }
  return out;
}

/** Draws contours of the grid on the disc: a value stands in the middle of its cell. */
function outlines(size: number, stepDeg: number) {
  return geoPath(
    geoTransform({
      point(x, y) {
        const tilt = Math.min(90, Math.max(0, (y - 0.5) * stepDeg));
        const at = placeOnMap(size, tilt, (x - 1.5) * stepDeg);
        this.stream.point(at.x, at.y);
      },
    }),
  );
}

function Mark({ mark, size }: { mark: MapMark; size: number }) {
  const { x, y } = placeOnMap(size, mark.tiltDeg, mark.azimuthDeg);
  if (mark.kind === "best") {
    return <path d={`M${x - 5} ${y}H${x + 5}M${x} ${y - 5}V${y + 5}`} stroke="var(--ink)" strokeWidth={1.6} />;
  }
  if (mark.kind === "wish") return <circle cx={x} cy={y} r={8} fill="none" stroke="var(--clay)" strokeWidth={2.4} />;
  return (
    <g>
      <circle cx={x} cy={y} r={4.5} fill="var(--ink)" stroke="var(--paper)" strokeWidth={1.5} />
      <text x={x + 9} y={y + 4} fill="var(--ink)" stroke="var(--paper)" strokeWidth={3} paintOrder="stroke">
        {mark.label}
      </text>
    </g>
  );
}
