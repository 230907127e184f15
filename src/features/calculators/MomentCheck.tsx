import { useState } from "react";
import type { SiteDocument } from "@/contracts/site";
import { type PvArray, siteOn } from "@/core/site";
import { type Moment, momentPowerW, type TriedPlane, twoReadings } from "@/core/tilt";
import { utcOfWall, zoneOffset } from "@/core/time";
import { AzimuthField, TiltField } from "@/features/kit/angles/AngleField";
import { DateField } from "@/features/kit/fields/DateField";
import { NumberField } from "@/features/kit/fields/NumberField";
import { Figure } from "@/features/kit/figures/Figure";
import chapter from "@/features/kit/look/Chapter.module.css";
import { number, percent } from "@/wording/format";
import { say, TWO_READINGS } from "@/wording/screens/calculators";
import { momentWorking } from "@/wording/workings/bench-workings";
import styles from "./Bench.module.css";
import { type Typed, typedNumber } from "./use-number-fields";

/** One of the two ways the modules stand or are tried: when, how, and what a display said. */
interface Look {
  readonly at: string;
  readonly tilt: Typed;
  readonly azimuth: Typed;
  readonly read: Typed;
}

interface Judged {
  readonly moment: Moment;
  readonly plane: TriedPlane;
  readonly expectedW: number;
}

/** What tilting or turning brings at one moment, for a rack that is moved by hand or a roof that is parked; and two readings minutes apart, each judged. */
export function MomentCheck({ site, array, nowUtcMs }: { site: SiteDocument; array: PvArray; nowUtcMs: number }) {
  const zone = site.place.timeZone;
  const now = new Date(nowUtcMs + zoneOffset(zone)(nowUtcMs)).toISOString().slice(0, 16);
  const stands = siteOn(site, now.slice(0, 10)).arrays.find((each) => each.id === array.id) ?? array;
  const [looks, setLooks] = useState<readonly [Look, Look]>([
    { at: now, tilt: stands.tiltDeg, azimuth: stands.azimuthDeg, read: "" },
    { at: now, tilt: 45, azimuth: stands.azimuthDeg, read: "" },
  ]);
  const [ghi, setGhi] = useState<Typed>("");
  const [air, setAir] = useState<Typed>(15);
  const set = (k: 0 | 1, change: Partial<Look>): void => {
    const next = looks.map((look, at) => (at === k ? { ...look, ...change } : look)) as [Look, Look];
    // The second reading is taken right after the first: its clock follows until it is set itself.
    if (k === 0 && change.at !== undefined && looks[1].at === looks[0].at) next[1] = { ...next[1], at: change.at };
    setLooks(next);
  };
  const [first, second] = looks.map((look) => judged(site, array, look, typedNumber(ghi, null), typedNumber(air, 15))) as [
    Judged | null,
    Judged | null,
  ];
  return (
    <section className={chapter.section}>
      <h2>{say.atThisMoment}</h2>
      <MomentAnswer first={first} second={second} looks={looks} zone={zone} atMostW={mostOf(site, array)} />
      {([0, 1] as const).map((k) => (
        <LookFields key={k} k={k} look={looks[k]} site={site} array={array} set={(change) => set(k, change)} />
      ))}
      <div className={styles.fields}>
        <NumberField size="xs" label={say.lightOnTheLevelWM} placeholder="cloudless" value={ghi} onChange={setGhi} />
        <NumberField size="xs" label="Air" unit="°C" value={air} onChange={setAir} />
      </div>
    </section>
  );
}

interface LookFieldsProps {
  readonly k: 0 | 1;
  readonly look: Look;
  readonly site: SiteDocument;
  readonly array: PvArray;
  readonly set: (change: Partial<Look>) => void;
}

/** One way to stand: when, how, and what was read. */
function LookFields({ k, look, site, array, set }: LookFieldsProps) {
  return (
    <div className={`${styles.fields} ${styles.moment}`} role="group" aria-label={k === 0 ? say.oneWay : say.theOtherWay}>
      <DateField type="datetime-local" label={say.clockOnTheSite} value={look.at} onChange={(at) => set({ at })} />
      <TiltField
        size="xs"
        plain
        label={k === 0 ? say.tiltAsItStands : say.tiltTried}
        latitudeDeg={site.place.latitudeDeg}
        azimuthDeg={typedNumber(look.azimuth, array.azimuthDeg)}
        value={look.tilt}
        onChange={(tilt) => set({ tilt })}
      />
      <AzimuthField size="xs" plain label="Azimuth, °" place={site.place} value={look.azimuth} onChange={(azimuth) => set({ azimuth })} />
      <NumberField
        size="xs"
        label="Read"
        unit="W"
        min={0}
        placeholder={say.ifYouDid}
        value={look.read}
        onChange={(read) => set({ read })}
      />
    </div>
  );
}

/** What the sky of the minute gives a way to stand; null while something of it is not said. */
function judged(site: SiteDocument, array: PvArray, look: Look, ghiWm2: number | null, airTempC: number): Judged | null {
  const { timeZone } = site.place;
  const wallMs = Date.parse(`${look.at}:00Z`);
  const [tiltDeg, azimuthDeg] = [typedNumber(look.tilt, null), typedNumber(look.azimuth, null)];
  if (Number.isNaN(wallMs) || tiltDeg === null || tiltDeg < 0 || tiltDeg > 90 || azimuthDeg === null) return null;
  const moment = { utcMs: utcOfWall(wallMs, zoneOffset(timeZone)), ghiWm2, airTempC };
  const plane = { tiltDeg, azimuthDeg: ((azimuthDeg % 360) + 360) % 360 };
  return { moment, plane, expectedW: momentPowerW(siteOn(site, look.at.slice(0, 10)), array.id, moment, [plane])[0] ?? 0 };
}

/** The rating of an array's inverter, less what is lost behind it; without one there is no such limit. */
function mostOf(site: SiteDocument, array: PvArray): number {
  const inverter = site.inverters.find(({ arrays }) => arrays.includes(array.id));
  if (!inverter) return Number.POSITIVE_INFINITY;
  const ratedW = inverter.acRatedW * (inverter.perModule ? array.count : 1);
  const { acWiringFrac, transformerFrac, availabilityFrac } = site.losses;
  return Math.floor(ratedW * (1 - acWiringFrac) * (1 - transformerFrac) * (1 - availabilityFrac));
}

interface MomentAnswerProps {
  readonly first: Judged | null;
  readonly second: Judged | null;
  readonly looks: readonly [Look, Look];
  readonly zone: string;
  /** What the inverter gives at the most, W, at the meter. */
  readonly atMostW: number;
}

function MomentAnswer({ first, second, looks, zone, atMostW }: MomentAnswerProps) {
  if (!first || !second) return <p className={styles.answer}>{say.giveADayAnHourAnd}</p>;
  const [readFirst, readSecond] = looks.map(({ read }) => typedNumber(read, null)) as [number | null, number | null];
  const report =
    readFirst === null || readSecond === null
      ? null
      : twoReadings({ expectedW: first.expectedW, readW: readFirst }, { expectedW: second.expectedW, readW: readSecond });
  const isTurned = first.plane.azimuthDeg !== second.plane.azimuthDeg;
  const way = ({ tiltDeg, azimuthDeg }: TriedPlane): string => `${number(tiltDeg)}°${isTurned ? ` ${say.toward(number(azimuthDeg))}` : ""}`;
  const signed = (frac: number): string => `${frac > 0 ? "+" : ""}${percent(frac, 0)}`;
  return (
    <p className={styles.answer} data-testid="moment-answer">
      {`${way(second.plane)} instead of ${way(first.plane)}: `}
      <Figure working={() => momentWorking(first, second, zone)}>
        <b>{number(second.expectedW)} W</b>
      </Figure>
      {say.insteadOfWExpected(number(first.expectedW))} {first.expectedW === 0 && second.expectedW === 0 && say.theSunIsDownThen}
      {Math.max(first.expectedW, second.expectedW) >= atMostW && say.heldByTheInverter(number(atMostW))}
      {report && (
        <span className={report.verdict === "both" || report.verdict === "gain" ? undefined : chapter.clay} data-testid="two-readings">
          {say.readGain(signed(report.readGainFrac), signed(report.expectedGainFrac))} {TWO_READINGS[report.verdict]}{" "}
          {say.eachOfCloudless(percent(report.sharesFrac[0], 0), percent(report.sharesFrac[1], 0))}
        </span>
      )}
    </p>
  );
}
