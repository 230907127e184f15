import { Slider, Switch } from "@mantine/core";
import { IconPlayerPause, IconPlayerPlay } from "@tabler/icons-react";
import { useEffect, useMemo, useState } from "react";
import { compassPoint, monthDates, solarMidnightUtcMs, sunArc } from "@/core/geometry";
import { bodiesOf, type FlatPoint, groundShadow, outermostShadow, outlineOf } from "@/core/shading";
import { arrayPlace, type PvArray, type SiteObstacle, siteOn } from "@/core/site";
import { sunPosition } from "@/core/sun";
import { utcOfWall, zoneOffset } from "@/core/time";
import { HOUR_MS } from "@/core/units";
import { number } from "@/features/figures/format";
import { MONTHS_SHORT } from "@/features/geometry/words";
import { obstaclesInPlan, placeArray, placeObstacle } from "./in-plan";
import { PegTable } from "./PegTable";
import { PlanView } from "./PlanView";
import styles from "./Shade.module.css";
import { SkyPicture } from "./SkyPicture";
import type { SiteDraft } from "./use-site-draft";

interface Props {
  readonly slug: string;
  readonly draft: SiteDraft;
  readonly array: PvArray;
  readonly selected: string | null;
  readonly select: (id: string) => void;
}

/** Hours of solar time within which the year's outlines are drawn. */
const WINDOW: readonly [number, number] = [9, 15];
/** Clock minutes that pass in a second of the animation. */
const MINUTES_A_SECOND = 90;

/** The sky as the array sees it, and the shadows on the ground, at one day and hour that a slider moves. */
export function ShadePictures({ slug, draft, array, selected, select }: Props) {
  const { form, site } = draft;
  const { latitudeDeg, longitudeDeg, timeZone } = site.place;
  const [date, setDate] = useState(latitudeDeg < 0 ? "2025-06-21" : "2025-12-21");
  const [minutes, setMinutes] = useState(14 * 60);
  const [outlined, setOutlined] = useState(false);
  const [playing, setPlaying] = useState(false);
  usePlayback(playing, setMinutes);
  const things = useMemo(() => obstaclesInPlan(site), [site]);
  // A seasonal rack is drawn as it stands on the day.
  const stood = useMemo(() => siteOn(site, date), [site, date]);
  const arrays = useMemo(() => stood.arrays.map((each) => arrayPlace(stood, each.id)), [stood]);
  const utcMs = utcOfWall(Date.parse(`${date}T00:00:00Z`) + minutes * 60_000, zoneOffset(timeZone));
  const sun = sunPosition(utcMs, { latitudeDeg, longitudeDeg, pressurePa: 0, airTempC: 15 });
  const elevationDeg = 90 - sun.trueZenithDeg;
  const shadows = things.flatMap((thing) => bodiesOf(thing).map((body) => groundShadow(body, sun.vector) ?? []));
  const outlines = useMemo(
    () => (outlined ? yearOutlines({ latitudeDeg, longitudeDeg }, things.find((thing) => thing.id === selected) ?? things[0]) : []),
    [outlined, latitudeDeg, longitudeDeg, things, selected],
  );
  return (
    <>
      <div className={styles.pictures}>
        <SkyPicture
          slug={slug}
          draft={draft}
          array={stood.arrays.find((each) => each.id === array.id) ?? array}
          now={{ azimuthDeg: sun.azimuthDeg, elevationDeg }}
        />
        <PlanView
          title="Shadows on the ground"
          note="drag things, or use the arrow keys"
          fileName={`${slug}-shadows`}
          height={330}
          arrays={arrays}
          obstacles={things}
          shadows={shadows}
          outlines={outlines}
          selected={selected}
          select={select}
          move={(id, to) => (site.arrays.some((each) => each.id === id) ? placeArray(form, id, to) : placeObstacle(form, site, id, to))}
        />
      </div>
      <div className={styles.time}>
        <button
          type="button"
          className={styles.play}
          onClick={() => setPlaying(!playing)}
          aria-label={playing ? "Stop the sun" : "Let the sun run"}
          title={playing ? "Stop" : "Let the sun run"}
        >
          {playing ? <IconPlayerPause size={18} /> : <IconPlayerPlay size={18} />}
        </button>
        <input
          type="date"
          aria-label="Day of the shadows"
          value={date}
          onChange={(event) => event.currentTarget.value && setDate(event.currentTarget.value)}
        />
        <Slider
          className={styles.slider}
          min={0}
          max={1439}
          step={1}
          value={minutes}
          onChange={setMinutes}
          label={null}
          thumbLabel="Hour of the shadows"
          size={3}
        />
        <span className={styles.clock} data-testid="moment">
          {clock(minutes)},{" "}
          {elevationDeg > 0 ? `sun ${number(elevationDeg)}° high in the ${compassPoint(sun.azimuthDeg)}` : "the sun is down"}
        </span>
        <Switch
          size="xs"
          label="Outlines of the year"
          checked={outlined}
          onChange={(event) => setOutlined(event.currentTarget.checked)}
          disabled={things.length === 0}
        />
      </div>
      {outlined && things.length > 0 && (
        <PegTable place={site.place} obstacle={things.find((thing) => thing.id === selected) ?? things[0]!} />
      )}
    </>
  );
}

const clock = (minutes: number): string =>
  `${String(Math.floor(minutes / 60)).padStart(2, "0")}:${String(Math.floor(minutes % 60)).padStart(2, "0")}`;

function usePlayback(playing: boolean, setMinutes: (next: (minutes: number) => number) => void): void {
  useEffect(() => {
    if (!playing) return;
    let before = performance.now();
    let frame = requestAnimationFrame(function step(now) {
      const passed = ((now - before) / 1000) * MINUTES_A_SECOND;
      before = now;
      setMinutes((minutes) => (minutes + passed) % 1440);
      frame = requestAnimationFrame(step);
    });
    return () => cancelAnimationFrame(frame);
  }, [playing, setMinutes]);
}

/** For each month the outermost line that an obstacle's shadow reaches on the 21st, within the window: what is marked with pegs and paint by hand. */
function yearOutlines(
  place: { latitudeDeg: number; longitudeDeg: number },
  obstacle: SiteObstacle | undefined,
): { points: FlatPoint[]; label: string }[] {
  if (!obstacle) return [];
  const bodies = bodiesOf(obstacle);
  return monthDates(2025).flatMap((date, m) => {
    const midnight = solarMidnightUtcMs(date, place.longitudeDeg);
    const suns = sunArc(place, date, 15).filter(
      ({ utcMs }) => utcMs >= midnight + WINDOW[0] * HOUR_MS && utcMs <= midnight + WINDOW[1] * HOUR_MS,
    );
    const points = outlineOf(bodies.flatMap((body) => outermostShadow(body, suns)));
    return points.length < 3 ? [] : [{ points, label: MONTHS_SHORT[m]! }];
  });
}
