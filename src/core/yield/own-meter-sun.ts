import type { Site } from "../site";
import { runSun } from "../sun";
import { monthBins } from "../time";
import { localYear, usualAirC, weatherFromMeans } from "../weather";
import { runYield } from "./run-yield";

/** No month is darker or brighter than these over the light above the air; beyond them the meter and the book's plant do not go together. */
const LEAST_CLEARNESS = 0.06;
const MOST_CLEARNESS = 0.84;
/** Output follows light by its first to its second power (a low sun's beam comes with the clearness): a stride between the two settles in some turns. */
const STRIDE = 0.65;
const TURNS = 14;
const CLOSE_FRAC = 0.002;

/**
 * Light of the level in kWh/m2 a month, January first, in which the plant of the book gives what its own meter counted: right for what-ifs on this very site, and
 * silent about how well the plant does, since it was made to fit. `year` is the one whose plant is meant, with its age and its revisions. Null where a month was not counted, or where no light makes the plant give so much or so little.
 */
export function ownMeterSun(site: Site, monthlyKwh: readonly (number | null)[], year: number): (number | null)[] {
  const axis = localYear(year, site.place.timeZone);
  const bins = monthBins(axis, site.place.timeZone);
  const above = aboveKwhM2(site, axis, bins.binOf);
  const clearness = above.map(() => 0.5);
  const airTempC = usualAirC(axis, site.place);
  const given = (): Float64Array => {
    const { ghiWm2 } = weatherFromMeans(
      { ghiKwhM2: above.map((kwh, m) => kwh * clearness[m]!), airTempC: above.map(() => 15) },
      year,
      site.place,
    );
    const weather = { axis, ghiWm2, dniWm2: null, dhiWm2: null, poaWm2: null, airTempC, windSpeedMs: null };
    return runYield(site, weather, bins).expectedByBinKwh;
  };
  let made = given();
  for (let turn = 0; turn < TURNS; turn++) {
    monthlyKwh.forEach((wanted, m) => {
      if (wanted === null || !(made[m]! > 0)) return;
      clearness[m] = Math.max(LEAST_CLEARNESS, Math.min(MOST_CLEARNESS, clearness[m]! * (Math.max(0, wanted) / made[m]!) ** STRIDE));
    });
    made = given();
  }
  return monthlyKwh.map((wanted, m) =>
    wanted !== null && Math.abs(made[m]! - wanted) <= CLOSE_FRAC * Math.max(wanted, 1e-9) ? above[m]! * clearness[m]! : null,
  );
}

function aboveKwhM2(site: Site, axis: ReturnType<typeof localYear>, binOf: Uint16Array): number[] {
  const sun = runSun(axis, site.place);
  const out = new Array<number>(12).fill(0);
  for (let i = 0; i < axis.count; i++) out[binOf[i]!]! += (Math.max(0, sun.up[i]!) * sun.extraterrestrialWm2[i]!) / 1000;
  return out;
}
