import { type KeyboardEvent, memo, type PointerEvent, type ReactNode, useMemo, useRef } from "react";
import { type Silhouette, type SkyFrame, SunPath, type SunPathArc, skyFrame, skyFromPx, skyToPx } from "@/charts";
import { equatorAzimuthDeg } from "@/core/geometry";
import type { ShadedSky } from "@/core/shading";
import type { HorizonPoint } from "@/core/site";
import { number } from "@/wording/format";
import { say } from "@/wording/screens/site";

export const HEIGHT = 330;

/** The horizon is painted in columns of this width. */
export const COLUMN_DEG = 5;

const StillPath = memo(SunPath);

interface SkySheetProps {
  readonly width: number;
  readonly latitudeDeg: number;
  readonly arcs: SunPathArc[];
  readonly painting: boolean;
  readonly paint: (azimuthDeg: number, elevationDeg: number) => void;
  readonly points: readonly HorizonPoint[];
  readonly silhouettes: Silhouette[];
  readonly shaded: ShadedSky;
  readonly sayCell: (band: number, step: number) => string;
  readonly horizonAt: (azimuthDeg: number) => number;
  readonly plane: { tiltDeg: number; azimuthDeg: number };
  readonly hourOf: (utcMs: number) => number;
  readonly sun: (frame: SkyFrame) => ReactNode;
}

export function SkySheet({
  width,
  latitudeDeg,
  arcs,
  painting,
  paint,
  points,
  silhouettes,
  shaded,
  sayCell,
  horizonAt,
  plane,
  hourOf,
  sun,
}: SkySheetProps) {
  return (
    <Sheet
      width={width}
      centreDeg={equatorAzimuthDeg(latitudeDeg)}
      arcs={arcs}
      painting={painting}
      paint={paint}
      points={painting ? points : []}
      draw={(frame) => (
        <>
          <StillPath
            frame={frame}
            arcs={arcs}
            silhouettes={silhouettes}
            sky={shaded}
            sayCell={sayCell}
            horizonAt={horizonAt}
            plane={plane}
            hourOf={hourOf}
          />
          {sun(frame)}
        </>
      )}
    />
  );
}

interface SheetProps {
  readonly width: number;
  readonly centreDeg: number;
  readonly arcs: readonly SunPathArc[];
  readonly painting: boolean;
  readonly paint: (azimuthDeg: number, elevationDeg: number) => void;
  readonly points: readonly HorizonPoint[];
  readonly draw: (frame: SkyFrame) => ReactNode;
}

/** The drawn sheet, with a brush for the horizon on it and its points for the keyboard. */
function Sheet({ width, centreDeg, arcs, painting, paint, points, draw }: SheetProps) {
  const pressed = useRef(false);
  const frame = useMemo(() => skyFrame(width, HEIGHT, centreDeg, arcs), [width, centreDeg, arcs]);
  const stroke = (event: PointerEvent<SVGRectElement>): void => {
    const box = event.currentTarget.ownerSVGElement!.getBoundingClientRect();
    const at = skyFromPx(frame, event.clientX - box.left, event.clientY - box.top);
    paint(at.azimuthDeg, at.elevationDeg);
  };
  const nudge = (point: HorizonPoint) => (event: KeyboardEvent<SVGCircleElement>) => {
    const by = event.key === "ArrowUp" ? 0.5 : event.key === "ArrowDown" ? -0.5 : 0;
    if (by === 0) return;
    event.preventDefault();
    paint(point.azimuthDeg, Math.max(0, Math.min(90, point.elevationDeg + by)));
  };
  return (
    <g>
      {draw(frame)}
      {painting && (
        <rect
          width={width}
          height={HEIGHT}
          fill="transparent"
          style={{ cursor: "crosshair", touchAction: "none" }}
          onPointerDown={(event) => {
            pressed.current = true;
            event.currentTarget.setPointerCapture(event.pointerId);
            stroke(event);
          }}
          onPointerMove={(event) => pressed.current && stroke(event)}
          onPointerUp={() => {
            pressed.current = false;
          }}
        />
      )}
      {points.map((point) => {
        const at = skyToPx(frame, point.azimuthDeg, point.elevationDeg);
        return (
          <circle
            key={point.azimuthDeg}
            cx={at.x}
            cy={at.y}
            r={4}
            fill="var(--paper)"
            stroke="var(--clay)"
            strokeWidth={1.6}
            role="slider"
            tabIndex={0}
            aria-label={say.horizonAtDegrees(number(point.azimuthDeg))}
            aria-valuenow={point.elevationDeg}
            aria-valuemin={0}
            aria-valuemax={90}
            onKeyDown={nudge(point)}
          />
        );
      })}
    </g>
  );
}
