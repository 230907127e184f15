import { useState } from "react";
import type { SiteDocument } from "@/contracts/site";
import { type PvArray, siteOn } from "@/core/site";
import { momentPowerW } from "@/core/tilt";
import { utcOfWall, zoneOffset } from "@/core/time";
import { TiltField } from "@/features/kit/angles/AngleField";
import { DateField } from "@/features/kit/fields/DateField";
import { NumberField } from "@/features/kit/fields/NumberField";
import { Figure } from "@/features/kit/figures/Figure";
import chapter from "@/features/kit/look/Chapter.module.css";
import { number } from "@/wording/format";
import { say } from "@/wording/screens/calculators";
import { momentWorking } from "@/wording/workings/bench-workings";
import styles from "./Bench.module.css";
import { typedNumber } from "./use-number-fields";

/** What tilting brings at one moment: for a rack that is turned by hand through the day. */
export function MomentCheck({ site, array, nowUtcMs }: { site: SiteDocument; array: PvArray; nowUtcMs: number }) {
  const zone = site.place.timeZone;
  const [at, setAt] = useState(new Date(nowUtcMs + zoneOffset(zone)(nowUtcMs)).toISOString().slice(0, 16));
  const [tilt, setTilt] = useState<number | string>(45);
  const [ghi, setGhi] = useState<number | string>("");
  const [air, setAir] = useState<number | string>(15);
  const wallMs = Date.parse(`${at}:00Z`);
  const known = at !== "" && !Number.isNaN(wallMs) && typeof tilt === "number" && tilt >= 0 && tilt <= 90;
  const stood = known ? siteOn(site, at.slice(0, 10)) : site;
  const stands = stood.arrays.find((each) => each.id === array.id)?.tiltDeg ?? array.tiltDeg;
  const moment = {
    utcMs: known ? utcOfWall(wallMs, zoneOffset(zone)) : 0,
    ghiWm2: typedNumber(ghi, null),
    airTempC: typedNumber(air, 15),
  };
  const powers = known ? momentPowerW(stood, array.id, moment, [stands, tilt]) : null;
  const [asItIs = 0, tilted = 0] = powers ?? [];
  return (
    <section className={chapter.section}>
      <h2>{say.atThisMoment}</h2>
      <p className={styles.answer} data-testid="moment-answer">
        {powers ? (
          <>
            {`${number(Number(tilt))}° instead of ${number(stands)}°: `}
            <Figure working={() => momentWorking(moment, stands, Number(tilt), powers, zone)}>
              <b>{number(tilted)} W</b>
            </Figure>
            {say.insteadOfWExpected(number(asItIs))}
          </>
        ) : (
          say.giveADayAnHourAnd
        )}
      </p>
      <div className={styles.fields}>
        <DateField type="datetime-local" label={say.clockOnTheSite} value={at} onChange={setAt} />
        <TiltField
          size="xs"
          plain
          label="Tilt tried, °"
          latitudeDeg={site.place.latitudeDeg}
          azimuthDeg={array.azimuthDeg}
          value={tilt}
          onChange={setTilt}
        />
        <NumberField size="xs" label={say.lightOnTheLevelWM} placeholder="cloudless" value={ghi} onChange={setGhi} />
        <NumberField size="xs" label="Air" unit="°C" value={air} onChange={setAir} />
      </div>
    </section>
  );
}
