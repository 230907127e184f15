import { monthDates, shadowOf, solarMidnightUtcMs } from "@/core/geometry";
import type { Place, SiteObstacle } from "@/core/site";
import { sunPosition } from "@/core/sun";
import { HOUR_MS } from "@/core/units";
import chapter from "@/features/kit/look/Chapter.module.css";
import { ScrollBox } from "@/features/kit/look/ScrollBox";
import { RuledTable } from "@/features/kit/table/RuledTable";
import { measure, number } from "@/wording/format";
import { monthOfYear } from "@/wording/geometry";
import { say } from "@/wording/screens/site";
import styles from "./Shade.module.css";

const HOURS = [9, 10.5, 12, 13.5, 15] as const;

/** Where to set the pegs: length and bearing of the shadow of an obstacle's top, on the 21st of each month, by solar time. */
export function PegTable({ place, obstacle }: { place: Place; obstacle: SiteObstacle }) {
  const rows = monthDates(2025).map((date, m) => ({
    month: monthOfYear(m),
    pegs: HOURS.map((hour) => {
      const utcMs = solarMidnightUtcMs(date, place.longitudeDeg) + hour * HOUR_MS;
      const sun = sunPosition(utcMs, { ...place, pressurePa: 0, airTempC: 15 });
      return shadowOf(obstacle.heightM, { elevationDeg: 90 - sun.trueZenithDeg, azimuthDeg: sun.azimuthDeg });
    }),
  }));
  return (
    <ScrollBox label="Pegs" className={styles.pegs}>
      <RuledTable className={chapter.table}>
        <caption>{say.pegsForTheTopOfMetres(obstacle.name || obstacle.kind)}</caption>
        <thead>
          <tr>
            <th scope="col">month</th>
            {HOURS.map((hour) => (
              <th scope="col" key={hour}>
                {`${Math.floor(hour)}:${hour % 1 ? "30" : "00"}`}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map(({ month, pegs }) => (
            <tr key={month}>
              <td>{month}</td>
              {pegs.map((peg, k) => (
                <td key={HOURS[k]}>{peg && peg.lengthM < 500 ? `${measure(peg.lengthM, "m", 1)}, ${number(peg.bearingDeg)}°` : "–"}</td>
              ))}
            </tr>
          ))}
        </tbody>
      </RuledTable>
    </ScrollBox>
  );
}
