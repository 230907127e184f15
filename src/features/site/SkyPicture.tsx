import { Switch } from "@mantine/core";
import { type KeyboardEvent, memo, type PointerEvent, type ReactNode, useMemo, useRef, useState } from "react";
import { type Silhouette, type SkyFrame, SunPath, type SunPathArc, skyFrame, skyFromPx, skyToPx } from "@/charts";
import { equatorAzimuthDeg, monthDates, sunArc } from "@/core/geometry";
import { bodiesOf, horizonElevationDeg, horizonPointsOf, skyOutline } from "@/core/shading";
import { arrayPlace, type HorizonPoint, type PvArray } from "@/core/site";
import { zoneOffset } from "@/core/time";
import { HOUR_MS } from "@/core/units";
import { ChartFrame } from "@/features/kit/save/ChartFrame";
import { number } from "@/wording/format";
import { MONTHS_SHORT } from "@/wording/geometry";
import { say } from "@/wording/screens/site";
import { obstaclesInPlan } from "./in-plan";
import styles from "./Shade.module.css";
import { setAt } from "./site-values";
import type { SiteDraft } from "./use-site-draft";

interface Props {
  readonly slug: string;
  readonly draft: SiteDraft;
  readonly array: PvArray;
  /** Draws the sun of the moment. */
  readonly sun: (frame: SkyFrame) => ReactNode;
}

const HEIGHT = 330;
/** The horizon is painted in columns of this width. */
const COLUMN_DEG = 5;
const StillPath = memo(SunPath);

/** Form path of the horizon that an array sees: its own where it has one. */
export const horizonPath = (draft: SiteDraft, array: PvArray): string => {
  const k = draft.form.values.arrays.findIndex((candidate) => candidate.id === array.id);
  return array.horizon.length > 0 && k >= 0 ? `arrays.${k}.horizon` : "horizon";
};

/** The sun's ways of the year as an array sees them, with obstacles and the horizon, which can be painted on it. */
export function SkyPicture({ slug, draft, array, sun }: Props) {
  const { form, site } = draft;
  const [painting, setPainting] = useState(false);
  const { latitudeDeg, longitudeDeg, timeZone } = site.place;
  const arcs = useMemo<SunPathArc[]>(
    () =>
      monthDates(2025).map((date, m) => ({
        label: MONTHS_SHORT[m]!,
        points: sunArc({ latitudeDeg, longitudeDeg }, date),
        strong: m === 2 || m === 5 || m === 11,
      })),
    [latitudeDeg, longitudeDeg],
  );
  const silhouettes = useMemo<Silhouette[]>(() => {
    const place = arrayPlace(site, array.id);
    return obstaclesInPlan(site).flatMap((thing) =>
      bodiesOf(thing).flatMap((body, k) => {
        const points = skyOutline(body, place);
        return points
          ? [
              {
                id: `${thing.id}/${k}`,
                label: k === 0 ? thing.name || thing.kind : "",
                points,
                thin: body.through.some((share) => share > 0.2),
              },
            ]
          : [];
      }),
    );
  }, [site, array.id]);
  const points = horizonPointsOf(site, array);
  const offset = useMemo(() => zoneOffset(timeZone), [timeZone]);
  const hourOf = useMemo(() => (utcMs: number) => ((((utcMs + offset(utcMs)) / HOUR_MS) % 24) + 24) % 24, [offset]);
  const horizonAt = useMemo(() => (azimuthDeg: number) => horizonElevationDeg(points, azimuthDeg), [points]);
  const plane = useMemo(() => ({ tiltDeg: array.tiltDeg, azimuthDeg: array.azimuthDeg }), [array.tiltDeg, array.azimuthDeg]);
  const path = horizonPath(draft, array);
  const write = (next: HorizonPoint[]): void =>
    setAt(
      form,
      path,
      [...next].sort((a, b) => a.azimuthDeg - b.azimuthDeg),
    );
  const paint = (azimuthDeg: number, elevationDeg: number): void => {
    const at = (Math.round(azimuthDeg / COLUMN_DEG) * COLUMN_DEG) % 360;
    // Unpainted columns beside a first stroke stay level, rather than run up to it from the other end of the world.
    const edges = [at - COLUMN_DEG, at + COLUMN_DEG].map((a) => (a + 360) % 360);
    const level =
      points.length === 0
        ? edges.map((a) => ({ azimuthDeg: a, elevationDeg: 0 }))
        : edges
            .filter((a) => horizonAt(a) === 0 && !points.some((p) => p.azimuthDeg === a))
            .map((a) => ({ azimuthDeg: a, elevationDeg: 0 }));
    write([...points.filter((p) => p.azimuthDeg !== at), ...level, { azimuthDeg: at, elevationDeg: Math.round(elevationDeg * 2) / 2 }]);
  };
  return (
    <ChartFrame
      title={say.theSkyFromHere}
      note={
        <Switch
          size="xs"
          label={say.paintTheHorizon}
          checked={painting}
          onChange={(event) => setPainting(event.currentTarget.checked)}
          className={styles.switch}
        />
      }
      fileName={`${slug}-${array.id}-sun-path`}
      height={HEIGHT}
      interactive
      summary={say.sunPathsOfTheYearAs(array.name || array.id, silhouettes.length)}
      table={() => [
        ["month", "local_hour", "azimuth_deg", "elevation_deg"],
        ...arcs.flatMap(({ label, points: arc }) =>
          arc
            .filter((p) => p.elevationDeg > 0)
            .map((p) => [label, Number(hourOf(p.utcMs).toFixed(2)), Number(p.azimuthDeg.toFixed(2)), Number(p.elevationDeg.toFixed(2))]),
        ),
      ]}
    >
      {(width) => (
        <SkySheet
          width={width}
          latitudeDeg={latitudeDeg}
          arcs={arcs}
          painting={painting}
          paint={paint}
          points={points}
          silhouettes={silhouettes}
          horizonAt={horizonAt}
          plane={plane}
          hourOf={hourOf}
          sun={sun}
        />
      )}
    </ChartFrame>
  );
}

interface SkySheetProps {
  readonly width: number;
  readonly latitudeDeg: number;
  readonly arcs: SunPathArc[];
  readonly painting: boolean;
  readonly paint: (azimuthDeg: number, elevationDeg: number) => void;
  readonly points: readonly HorizonPoint[];
  readonly silhouettes: Silhouette[];
  readonly horizonAt: (azimuthDeg: number) => number;
  readonly plane: { tiltDeg: number; azimuthDeg: number };
  readonly hourOf: (utcMs: number) => number;
  readonly sun: (frame: SkyFrame) => ReactNode;
}

function SkySheet({ width, latitudeDeg, arcs, painting, paint, points, silhouettes, horizonAt, plane, hourOf, sun }: SkySheetProps) {
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
          <StillPath frame={frame} arcs={arcs} silhouettes={silhouettes} horizonAt={horizonAt} plane={plane} hourOf={hourOf} />
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
