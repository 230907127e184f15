import { Switch } from "@mantine/core";
import { type ReactNode, useMemo, useState } from "react";
import type { Silhouette, SkyFrame, SunPathArc } from "@/charts";
import type { SiteDocument } from "@/contracts/site";
import { monthDates, sunArc } from "@/core/geometry";
import { bodiesOf, horizonElevationDeg, horizonPointsOf, type ShadedSky, SKY_STEP_MINUTES, SKY_STEPS, skyOutline } from "@/core/shading";
import { arrayPlace, type HorizonPoint, type PvArray } from "@/core/site";
import { zoneOffset } from "@/core/time";
import { HOUR_MS } from "@/core/units";
import { ChartFrame } from "@/features/kit/save/ChartFrame";
import { number } from "@/wording/format";
import { MONTHS_SHORT } from "@/wording/geometry";
import { say } from "@/wording/screens/site";
import { obstaclesInPlan } from "./in-plan";
import styles from "./Shade.module.css";
import { COLUMN_DEG, HEIGHT, SkySheet } from "./SkySheet";
import { setAt } from "./site-values";
import type { SiteDraft } from "./use-site-draft";

interface Props {
  readonly slug: string;
  readonly draft: SiteDraft;
  readonly array: PvArray;
  readonly shaded: ShadedSky;
  /** Draws the sun of the moment. */
  readonly sun: (frame: SkyFrame) => ReactNode;
}

/** The two halves of the year in which the sun stands in a band, each by the months that it begins and ends in. */
const monthsOfBand = (band: number): string => {
  const name = (month: number): string => MONTHS_SHORT[(month + 12) % 12]!;
  return `${name(band - 1)}–${name(band)}, ${name(10 - band)}–${name(11 - band)}`;
};

/** Form path of the horizon that an array sees: its own where it has one. */
export const horizonPath = (draft: SiteDraft, array: PvArray): string => {
  const k = draft.form.values.arrays.findIndex((candidate) => candidate.id === array.id);
  return array.horizon.length > 0 && k >= 0 ? `arrays.${k}.horizon` : "horizon";
};

/** The sun's path of each month at this place. */
function useArcs({ latitudeDeg, longitudeDeg }: SiteDocument["place"]): SunPathArc[] {
  return useMemo<SunPathArc[]>(
    () =>
      monthDates(2025).map((date, m) => ({
        label: MONTHS_SHORT[m]!,
        points: sunArc({ latitudeDeg, longitudeDeg }, date),
        strong: m === 2 || m === 5 || m === 11,
        hours: m === (latitudeDeg < 0 ? 11 : 5),
      })),
    [latitudeDeg, longitudeDeg],
  );
}

/** What stands before the sky, as the array sees it. */
function useSilhouettes(site: SiteDocument, arrayId: string): Silhouette[] {
  return useMemo<Silhouette[]>(() => {
    const place = arrayPlace(site, arrayId);
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
  }, [site, arrayId]);
}

/** Paints the horizon of an array, a column at a time. */
function usePaint({ form }: SiteDraft, path: string, points: readonly HorizonPoint[], horizonAt: (azimuthDeg: number) => number) {
  const write = (next: HorizonPoint[]): void =>
    setAt(
      form,
      path,
      [...next].sort((a, b) => a.azimuthDeg - b.azimuthDeg),
    );
  return (azimuthDeg: number, elevationDeg: number): void => {
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
}

/** What each cell of the sky says, and all of them as rows. */
function useCells(shaded: ShadedSky) {
  return useMemo(() => {
    const { openKwhM2, lostKwhM2 } = shaded;
    const timeOf = (step: number): string => {
      const minutes = step * SKY_STEP_MINUTES;
      return `${Math.floor(minutes / 60)}:${String(minutes % 60).padStart(2, "0")}`;
    };
    const sayCell = (band: number, step: number): string => {
      const cell = band * SKY_STEPS + step;
      return say.skyCell(monthsOfBand(band), timeOf(step), number(lostKwhM2[cell]!, 2), number(openKwhM2[cell]!, 2));
    };
    const rows = () =>
      Array.from(openKwhM2, (open, cell) => [
        monthsOfBand(Math.floor(cell / SKY_STEPS)),
        timeOf(cell % SKY_STEPS),
        Number(open.toFixed(3)),
        Number(lostKwhM2[cell]!.toFixed(3)),
      ]).filter(([, , open]) => Number(open) > 0);
    return { sayCell, rows };
  }, [shaded]);
}

interface SkyNoteProps {
  readonly painting: boolean;
  readonly setPainting: (on: boolean) => void;
}

function SkyNote({ painting, setPainting }: SkyNoteProps) {
  return (
    <span className={styles.skyNote}>
      <span className={styles.skyKey} data-key="sun">
        {say.sunOnTheModules}
      </span>
      <span className={styles.skyKey} data-key="lost">
        {say.energyLost}
      </span>
      <Switch
        size="xs"
        label={say.paintTheHorizon}
        checked={painting}
        onChange={(event) => setPainting(event.currentTarget.checked)}
        className={styles.switch}
      />
    </span>
  );
}

/** The sun's ways of the year as an array sees them, with obstacles and the horizon, which can be painted on it. */
export function SkyPicture({ slug, draft, array, shaded, sun }: Props) {
  const { site } = draft;
  const [painting, setPainting] = useState(false);
  const { latitudeDeg, timeZone } = site.place;
  const arcs = useArcs(site.place);
  const silhouettes = useSilhouettes(site, array.id);
  const points = horizonPointsOf(site, array);
  const offset = useMemo(() => zoneOffset(timeZone), [timeZone]);
  const hourOf = useMemo(() => (utcMs: number) => ((((utcMs + offset(utcMs)) / HOUR_MS) % 24) + 24) % 24, [offset]);
  const horizonAt = useMemo(() => (azimuthDeg: number) => horizonElevationDeg(points, azimuthDeg), [points]);
  const plane = useMemo(() => ({ tiltDeg: array.tiltDeg, azimuthDeg: array.azimuthDeg }), [array.tiltDeg, array.azimuthDeg]);
  const { sayCell, rows } = useCells(shaded);
  const paint = usePaint(draft, horizonPath(draft, array), points, horizonAt);
  return (
    <ChartFrame
      title={say.theSkyFromHere}
      note={<SkyNote painting={painting} setPainting={setPainting} />}
      fileName={`${slug}-${array.id}-sun-path`}
      height={HEIGHT}
      interactive
      summary={say.sunPathsOfTheYearAs(array.name || array.id, silhouettes.length)}
      table={() => [["months", "solar_time", "open_kwh_m2", "lost_kwh_m2"], ...rows()]}
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
          shaded={shaded}
          sayCell={sayCell}
          horizonAt={horizonAt}
          plane={plane}
          hourOf={hourOf}
          sun={sun}
        />
      )}
    </ChartFrame>
  );
}
