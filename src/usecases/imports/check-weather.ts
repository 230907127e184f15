import type { ProblemLog } from "@/contracts/problems";
import type { Site } from "@/core/site";
import { runSun } from "@/core/sun";
import { MINUTE_MS } from "@/core/units";
import type { StoredSeries } from "../ledger";
import { joinPages, type MeteredPages } from "./join-pages";

/** A cloud's edge can lift a few minutes of GHI above the sky's own light. Source: Gueymard, 2017, Cloud and albedo enhancement impacts on solar irradiance. */
const ENHANCED = 1.25;
const SENSOR_WM2 = 60;
/** Light while the sun stands this far under the horizon (sine; about 6 deg) is no twilight. */
const NIGHT_SINE = -0.1;
/** This share of impossible lit steps is no cloud's edge but a wrong unit, clock or place. */
const WRONG_FRAC = 0.05;
const DIFFUSE_MARGIN = 1.1;
/** No weather station on earth has a warmer mean. Source: World Meteorological Organization, World weather and climate extremes archive (Dallol, 34.4 C). */
const WARMEST_MEAN_C = 35;

/** Sets weather against what the site's sky allows: each finding with its first places. */
export function checkWeather(series: readonly MeteredPages[], site: Site, log: ProblemLog): void {
  const column = (quantity: string): StoredSeries | null => {
    const pages = series.find((candidate) => candidate.quantity === quantity);
    return pages ? joinPages(pages) : null;
  };
  const [ghi, dni, dhi, poa, air] = ["ghi_w_m2", "dni_w_m2", "dhi_w_m2", "poa_w_m2", "air_temperature_c"].map(column);
  if (dni && !ghi && !dhi && !poa) log.add("beam-alone", "error", { column: "dni_w_m2" });
  if (poa && new Set(site.arrays.map((array) => `${array.tiltDeg}/${array.azimuthDeg}`)).size > 1) {
    log.add("one-plane", "notice", { column: "poa_w_m2" }, { arrays: site.arrays.length });
  }
  if (ghi) checkAgainstSky(ghi, site, log);
  if (ghi && dhi && ghi.axis.startUtcMs === dhi.axis.startUtcMs) checkDiffuse(ghi, dhi, log);
  if (air) checkAir(air, log);
}

const timeOf = ({ axis }: StoredSeries, i: number): string =>
  `${new Date(axis.startUtcMs + i * axis.stepMinutes * MINUTE_MS).toISOString().slice(0, 16)}Z`;

function checkAgainstSky(ghi: StoredSeries, site: Site, log: ProblemLog): void {
  const sun = runSun(ghi.axis, site.place);
  const over: number[] = [];
  let lit = 0;
  for (let i = 0; i < ghi.values.length; i++) {
    const value = ghi.values[i]!;
    if (!(value > 20)) continue;
    lit++;
    const up = sun.up[i]!;
    const most = up < NIGHT_SINE ? 0 : ENHANCED * Math.max(0, up) * sun.extraterrestrialWm2[i]! + SENSOR_WM2;
    if (value > most) over.push(i);
  }
  const share = over.length / Math.max(1, lit);
  for (const i of over) {
    const facts = { percent: Math.round(share * 1000) / 10, latitude: site.place.latitudeDeg, longitude: site.place.longitudeDeg };
    log.add(
      "above-sky",
      share > WRONG_FRAC ? "error" : "notice",
      { column: `ghi_w_m2 at ${timeOf(ghi, i)}`, value: String(ghi.values[i]) },
      facts,
    );
  }
}

function checkDiffuse(ghi: StoredSeries, dhi: StoredSeries, log: ProblemLog): void {
  for (let i = 0; i < Math.min(ghi.values.length, dhi.values.length); i++) {
    if (dhi.values[i]! > DIFFUSE_MARGIN * ghi.values[i]! + 20) {
      log.add("diffuse-above-global", "notice", { column: `dhi_w_m2 at ${timeOf(dhi, i)}`, value: String(dhi.values[i]) });
    }
  }
}

function checkAir(air: StoredSeries, log: ProblemLog): void {
  const known = air.values.filter((value) => !Number.isNaN(value));
  const mean = known.reduce((sum, value) => sum + value, 0) / Math.max(1, known.length);
  if (mean > WARMEST_MEAN_C) log.add("warm-air", "error", { column: "air_temperature_c" }, { mean: Math.round(mean * 10) / 10 });
}
