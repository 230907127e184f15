import { Slider, Switch } from "@mantine/core";
import { IconPlayerPause, IconPlayerPlay } from "@tabler/icons-react";
import { useEffect, useMemo, useState } from "react";
import { type PlanFrame, planPath, type SkyFrame, SunDot } from "@/charts";
import { compassPoint, monthDates, noonElevationDeg, solarMidnightUtcMs, sunArc, winterSolsticeDeg } from "@/core/geometry";
import { type Body, bodiesOf, type FlatPoint, groundShadow, outermostShadow, outlineOf, type ShadedSky } from "@/core/shading";
import { arrayPlace, type Place, type PvArray, type SiteObstacle, siteOn } from "@/core/site";
import { type SunPosition, sunPosition } from "@/core/sun";
import { utcOfWall, zoneOffset } from "@/core/time";
import { HOUR_MS } from "@/core/units";
import { DateField } from "@/features/kit/fields/DateField";
import { number } from "@/wording/format";
import { MONTHS_SHORT } from "@/wording/geometry";
import { say } from "@/wording/screens/site";
import { obstaclesInPlan, placeArray, placeObstacle } from "./in-plan";
import { type MomentStore, momentStore, useMinutes } from "./moment";
import { PegTable } from "./PegTable";
import { PlanView } from "./PlanView";
import styles from "./Shade.module.css";
import { SkyPicture } from "./SkyPicture";
import type { SiteDraft } from "./use-site-draft";

interface Props {
  readonly slug: string;
  readonly draft: SiteDraft;
  readonly array: PvArray;
  readonly shaded: ShadedSky;
  readonly selected: string | null;
  readonly select: (id: string) => void;
}

/** Hours of solar time within which the year's outlines are drawn. */
const WINDOW: readonly [number, number] = [9, 15];
/** Clock minutes that pass in a second of the animation. */
const MINUTES_A_SECOND = 90;

/** The sky as the array sees it, and the shadows on the ground, at one day and hour that a slider moves. */
export function ShadePictures({ slug, draft, array, shaded, selected, select }: Props) {
  const { form, site } = draft;
  const { place } = site;
  const [date, setDate] = useState(() => firstDay(place.latitudeDeg));
  const [store] = useState(() => momentStore(14 * 60));
  const [outlined, setOutlined] = useState(false);
  const things = useMemo(() => obstaclesInPlan(site), [site]);
  const bodies = useMemo(() => things.flatMap(bodiesOf), [things]);
  // A seasonal rack is drawn as it stands on the day.
  const stood = useMemo(() => siteOn(site, date), [site, date]);
  const arrays = useMemo(() => stood.arrays.map((each) => arrayPlace(stood, each.id)), [stood]);
  const chosen = things.find((thing) => thing.id === selected) ?? things[0];
  const outlines = useMemo(() => (outlined && chosen ? yearOutlines(place, chosen) : []), [outlined, place, chosen]);
  const day = { store, date, place };
  return (
    <>
      <div className={styles.pictures}>
        <SkyPicture
          slug={slug}
          draft={draft}
          array={stood.arrays.find((each) => each.id === array.id) ?? array}
          shaded={shaded}
          sun={(frame) => <MovingSun frame={frame} {...day} />}
        />
        <PlanView
          title={say.shadowsOnTheGround}
          note={say.dragThingsOrUseTheArrow}
          fileName={`${slug}-shadows`}
          height={330}
          arrays={arrays}
          obstacles={things}
          ground={(frame) => <MovingShadows frame={frame} bodies={bodies} {...day} />}
          outlines={outlines}
          selected={selected}
          select={select}
          move={(id, to) => (site.arrays.some((each) => each.id === id) ? placeArray(form, id, to) : placeObstacle(form, site, id, to))}
        />
      </div>
      <div className={styles.time}>
        <Playback store={store} />
        <DateField quiet label={say.dayOfTheShadows} value={date} onChange={(day) => day && setDate(day)} />
        <HourSlider store={store} />
        <Clock {...day} />
        <Switch
          size="xs"
          label={say.outlinesOfTheYear}
          checked={outlined}
          onChange={(event) => setOutlined(event.currentTarget.checked)}
          disabled={things.length === 0}
        />
      </div>
      {outlined && chosen && <PegTable place={place} obstacle={chosen} />}
    </>
  );
}

/** Below this noon height a winter solstice shows no shadows worth a picture. */
const LOW_NOON_DEG = 8;

/** The day that the pictures begin with: winter solstice, or an equinox where the winter sun hardly rises. */
function firstDay(latitudeDeg: number): string {
  if (noonElevationDeg(latitudeDeg, winterSolsticeDeg(latitudeDeg)) < LOW_NOON_DEG) return "2025-03-21";
  return latitudeDeg < 0 ? "2025-06-21" : "2025-12-21";
}

interface Day {
  readonly store: MomentStore;
  readonly date: string;
  readonly place: Place;
}

/** The sun of the followed moment. */
function useSun({ store, date, place }: Day): SunPosition {
  const minutes = useMinutes(store);
  const utcMs = utcOfWall(Date.parse(`${date}T00:00:00Z`) + minutes * 60_000, zoneOffset(place.timeZone));
  return sunPosition(utcMs, { ...place, pressurePa: 0, airTempC: 15 });
}

function MovingSun({ frame, ...day }: Day & { readonly frame: SkyFrame }) {
  const { azimuthDeg, trueZenithDeg } = useSun(day);
  return <SunDot frame={frame} now={{ azimuthDeg, elevationDeg: 90 - trueZenithDeg }} />;
}

function MovingShadows({ frame, bodies, ...day }: Day & { readonly frame: PlanFrame; readonly bodies: readonly Body[] }) {
  const { vector } = useSun(day);
  const d = bodies.map((body) => planPath(frame, groundShadow(body, vector) ?? [])).join("");
  return <path d={d} fill="var(--account-shading)" fillOpacity={0.36} />;
}

function Clock(day: Day) {
  const minutes = useMinutes(day.store);
  const { azimuthDeg, trueZenithDeg } = useSun(day);
  const elevationDeg = 90 - trueZenithDeg;
  return (
    <span className={styles.clock} data-testid="moment">
      {clock(minutes)}, {elevationDeg > 0 ? say.sunHighInThe(number(elevationDeg), compassPoint(azimuthDeg)) : say.theSunIsDown}
    </span>
  );
}

const clock = (minutes: number): string =>
  `${String(Math.floor(minutes / 60)).padStart(2, "0")}:${String(Math.floor(minutes % 60)).padStart(2, "0")}`;

function HourSlider({ store }: { store: MomentStore }) {
  return (
    <Slider
      className={styles.slider}
      min={0}
      max={1439}
      step={1}
      value={Math.floor(useMinutes(store))}
      onChange={store.set}
      label={null}
      thumbLabel={say.hourOfTheShadows}
      size={3}
    />
  );
}

/** Lets the hours run. */
function Playback({ store }: { store: MomentStore }) {
  const [playing, setPlaying] = useState(false);
  useEffect(() => {
    if (!playing) return;
    let before = performance.now();
    let frame = requestAnimationFrame(function step(now) {
      store.set((store.get() + ((now - before) / 1000) * MINUTES_A_SECOND) % 1440);
      before = now;
      frame = requestAnimationFrame(step);
    });
    return () => cancelAnimationFrame(frame);
  }, [playing, store]);
  return (
    <button
      type="button"
      className={styles.play}
      onClick={() => setPlaying(!playing)}
      aria-label={playing ? say.stopTheSun : say.letTheSunRun}
      title={playing ? "Stop" : say.letTheSunRun}
    >
      {playing ? <IconPlayerPause size={18} /> : <IconPlayerPlay size={18} />}
    </button>
  );
}

/** For each month the outermost line that an obstacle's shadow reaches on the 21st, within the window: what is marked with pegs and paint by hand. */
function yearOutlines(place: Place, obstacle: SiteObstacle): { points: FlatPoint[]; label: string }[] {
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
