import { scaleLinear } from "d3";
import type { ArcPoint } from "@/core/geometry";

/** The sky as a sheet: azimuth across around a middle, elevation up. */
export interface SkyFrame {
  readonly width: number;
  readonly height: number;
  readonly centreDeg: number;
  /** Degrees of azimuth on each side of the middle. */
  readonly halfDeg: number;
  readonly topDeg: number;
}

export const LEFT = 34;
const BOTTOM = 24;
export const TOP = 8;

/** A frame that holds a year's arcs: around the equator's side, as wide as the sun goes. */
export function skyFrame(
  width: number,
  height: number,
  centreDeg: number,
  arcs: readonly { readonly points: readonly ArcPoint[] }[],
): SkyFrame {
  let half = 60;
  let top = 20;
  for (const { points } of arcs) {
    for (const { azimuthDeg, elevationDeg } of points) {
      if (elevationDeg < 0) continue;
      half = Math.max(half, Math.abs(turned(azimuthDeg, centreDeg)));
      top = Math.max(top, elevationDeg);
    }
  }
  return {
    width,
    height,
    centreDeg,
    halfDeg: Math.min(180, Math.ceil((half + 8) / 10) * 10),
    topDeg: Math.min(90, Math.ceil((top + 6) / 10) * 10),
  };
}

/** Azimuth from the middle, -180 to 180. */
export const turned = (azimuthDeg: number, centreDeg: number): number => ((((azimuthDeg - centreDeg + 180) % 360) + 360) % 360) - 180;

export function scales({ width, height, halfDeg, topDeg }: SkyFrame) {
  return {
    x: scaleLinear([-halfDeg, halfDeg], [LEFT, width - 8]),
    y: scaleLinear([0, topDeg], [height - BOTTOM, TOP]),
  };
}

export const skyToPx = (frame: SkyFrame, azimuthDeg: number, elevationDeg: number): { x: number; y: number } => {
  const { x, y } = scales(frame);
  return { x: x(turned(azimuthDeg, frame.centreDeg)), y: y(elevationDeg) };
};

export const skyFromPx = (frame: SkyFrame, px: number, py: number): { azimuthDeg: number; elevationDeg: number } => {
  const { x, y } = scales(frame);
  return { azimuthDeg: (((x.invert(px) + frame.centreDeg) % 360) + 360) % 360, elevationDeg: Math.max(0, Math.min(90, y.invert(py))) };
};
