import { planeOf } from "@/core/irradiance";
import { arrayNameplateW, type PvArray, type Site, siteAcRatedW, siteOn } from "@/core/site";
import { DAY_MS, MINUTE_MS, YEAR_MS } from "@/core/units";
import type { SimulatedWeather } from "./climate";

/** What really happens to a simulated plant; the owner's site document does not say. */
export interface PlantTruth {
  /** Power of the modules against their nameplate. */
  readonly toleranceFrac: number;
  readonly ageingPerYearFrac: number;
  readonly soilingPerDayFrac: number;
  /** A day with this much rain, mm, cleans. */
  readonly cleaningRainMm: number;
  /** UTC days ("2025-07-03") on which somebody cleaned. */
  readonly cleanings: readonly string[];
  /** Times without output, ISO instants. */
  readonly outages: readonly { readonly from: string; readonly to: string }[];
  /** Times in which a share of the strings gave nothing, ISO instants. */
  readonly stringsOut?: readonly { readonly from: string; readonly to: string; readonly lostFrac: number }[];
  /** Times in which something held the output at a power, W, ISO instants. */
  readonly limits?: readonly { readonly from: string; readonly to: string; readonly acW: number }[];
  /** The inverter's real ceiling against the rating in the book. */
  readonly ceilingFrac?: number;
  /** A ceiling that is set otherwise from a moment on, against the rating in the book. */
  readonly ceilingMoves?: { readonly at: string; readonly frac: number };
  /** How the ceiling falls with warm air, and a time in which it falls sooner: a fan that failed. */
  readonly heat?: {
    readonly fromC: number;
    readonly perKFrac: number;
    readonly fan?: { readonly from: string; readonly to: string; readonly soonerK: number };
  };
  /** Times that the logger lost, ISO instants. */
  readonly lost: readonly { readonly from: string; readonly to: string }[];
  readonly meterGainFrac: number;
  /** Where arrays really face, by id, where the owner has it wrong. */
  readonly azimuthDeg?: Readonly<Record<string, number>>;
  /** What stands before arrays, by id: soft-edged discs in the sky as seen from the middle of the array. */
  readonly discs?: Readonly<Record<string, readonly SkyDisc[]>>;
}

/** A tree's crown as an eye sees it: an ellipse of the sky, with the light that passes it in leaf and bare. */
export interface SkyDisc {
  readonly azimuthDeg: number;
  readonly elevationDeg: number;
  readonly halfWidthDeg: number;
  readonly halfHeightDeg: number;
  readonly throughFrac: readonly number[];
}

const within = (utcMs: number, spans: readonly { from: string; to: string }[]): boolean =>
  spans.some((span) => utcMs >= Date.parse(span.from) && utcMs < Date.parse(span.to));

/** Energy that each cause took, kWh: before its stage minus after it; snow and dirt at nameplate, the others at the inverter's output. */
export interface TrueLosses {
  readonly idealKwh: number;
  readonly snowKwh: number;
  readonly soilingKwh: number;
  readonly stringsKwh: number;
  readonly clippingKwh: number;
  readonly outageKwh: number;
  readonly limitKwh: number;
  readonly deliveredKwh: number;
}

/**
 * Metered AC energy of each step, kWh; NaN where the logger lost it. Physics of its own, so that a comparison with the model is
 * honest: Klucher's sky (1979), a lagging cell temperature, a part-load inverter, a soiling saw-tooth.
 */
export const simulatePlant = (site: Site, truth: PlantTruth, weather: SimulatedWeather): Float64Array =>
  simulateWithTruth(site, truth, weather).energyKwh;

/** The same with what each cause took; steps that the logger lost count as lost to none. */
export function simulateWithTruth(
  site: Site,
  truth: PlantTruth,
  weather: SimulatedWeather,
): { energyKwh: Float64Array; dcKwh: Float64Array; losses: TrueLosses; snowFrac: Float64Array } {
  const { axis } = weather;
  const energyKwh = new Float64Array(axis.count);
  const dcKwh = new Float64Array(axis.count);
  const soiling = soilingFrac(truth, weather);
  const snowFrac = snowCover(site, weather);
  const commissionedMs = Date.parse(`${site.commissioned}T00:00:00Z`);
  const standing = new Map<string, Standing>();
  const lag = Math.exp(-axis.stepMinutes / 8);
  const toKwh = axis.stepMinutes / 60 / 1000;
  const lost = { idealKwh: 0, snowKwh: 0, soilingKwh: 0, stringsKwh: 0, clippingKwh: 0, outageKwh: 0, limitKwh: 0, deliveredKwh: 0 };
  let rise = 0;
  for (let i = 0; i < axis.count; i++) {
    const utcMs = axis.startUtcMs + i * axis.stepMinutes * MINUTE_MS;
    const aged = 1 - (truth.ageingPerYearFrac * (utcMs - commissionedMs)) / YEAR_MS;
    let dcW = 0;
    const date = new Date(utcMs).toISOString().slice(0, 10);
    const dirt = soiling[Math.floor(i / (1440 / axis.stepMinutes))]!;
    const { arrays, acRatedW: bookW } = standingOn(site, truth, date, standing);
    const acRatedW = bookW * ceilingFracAt(truth, utcMs, weather.airTempC[i]!);
    for (const array of arrays) {
      const openWm2 = klucher(weather, i, array, new Date(utcMs).getUTCMonth());
      const lightWm2 = openWm2 * (1 - snowFrac[i]!) * (1 - dirt);
      const atNameplate = (array.nameplateW / 1000) * toKwh;
      lost.idealKwh += openWm2 * atNameplate;
      lost.snowKwh += openWm2 * snowFrac[i]! * atNameplate;
      lost.soilingKwh += openWm2 * (1 - snowFrac[i]!) * dirt * atNameplate;
      rise = lag * rise + (1 - lag) * lightWm2 * 0.0335 * Math.max(0.5, 1.18 - 0.06 * weather.windSpeedMs[i]!);
      const warmth = 1 + array.gamma * (weather.airTempC[i]! + rise - 25);
      const weak = lightWm2 > 1 ? 1 + 0.036 * Math.log(lightWm2 / 1000) : 0;
      dcW += ((array.nameplateW * lightWm2) / 1000) * warmth * Math.max(0, weak) * aged * (1 + truth.toleranceFrac) * 0.974;
    }
    const out = (truth.stringsOut ?? []).find(({ from, to }) => utcMs >= Date.parse(from) && utcMs < Date.parse(to));
    const whole = inverterW(dcW, acRatedW);
    const part = out ? inverterW(dcW * (1 - out.lostFrac), acRatedW) : whole;
    const freeW = part.acW * 0.995;
    const isDown = within(utcMs, truth.outages);
    const limit = (truth.limits ?? []).find(({ from, to }) => utcMs >= Date.parse(from) && utcMs < Date.parse(to));
    const acW = Math.min(freeW, limit && !isDown ? limit.acW : freeW);
    lost.limitKwh += (freeW - acW) * toKwh;
    lost.clippingKwh += whole.cutW * toKwh;
    lost.stringsKwh += (whole.acW - part.acW) * toKwh;
    if (isDown) lost.outageKwh += acW * toKwh;
    const made = isDown ? 0 : acW * (1 + truth.meterGainFrac);
    lost.deliveredKwh += made * toKwh;
    dcKwh[i] = isDown || within(utcMs, truth.lost) ? (isDown ? 0 : Number.NaN) : part.dcW * toKwh;
    energyKwh[i] = within(utcMs, truth.lost) ? Number.NaN : Math.round(made * toKwh * 1000) / 1000;
  }
  return { energyKwh, dcKwh, losses: lost, snowFrac };
}

/** Share of the rating that the inverters give at most. */
function ceilingFracAt({ ceilingFrac = 1, ceilingMoves, heat }: PlantTruth, utcMs: number, airTempC: number): number {
  const set = ceilingMoves && utcMs >= Date.parse(ceilingMoves.at) ? ceilingMoves.frac : ceilingFrac;
  if (!heat) return set;
  const sooner = heat.fan && within(utcMs, [heat.fan]) ? heat.fan.soonerK : 0;
  return Math.min(set, 1 - heat.perKFrac * Math.max(0, airTempC - heat.fromC + sooner));
}

/** Output of a part-load inverter, what its rating cut off, and what it drew: on its ceiling it leaves the best point of the strings. */
function inverterW(dcW: number, acRatedW: number): { acW: number; cutW: number; dcW: number } {
  const openW = Math.max(0, dcW - 0.0035 * acRatedW - 0.011 * dcW - (0.009 * dcW * dcW) / acRatedW);
  const cutW = Math.max(0, openW - acRatedW);
  return { acW: Math.min(acRatedW, openW), cutW, dcW: openW > 0 ? dcW * (1 - cutW / openW) : 0 };
}

/** Hours that a cover of fresh snow takes to slide off in full sun, upright; and what warm air does. */
const SLIDE_PER_SUN_HOUR = 0.35;
const MELT_PER_K_HOUR = 0.035;
const COVERING_CM = 1.2;

/** Share of the modules under snow: a fall covers all, sun and warm air take it off, the steeper the sooner. */
function snowCover(site: Site, { axis, snowDepthCm, ghiWm2, airTempC }: SimulatedWeather): Float64Array {
  const out = new Float64Array(axis.count);
  if (!snowDepthCm) return out;
  const steep = Math.sin(((site.arrays[0]?.tiltDeg ?? 30) * Math.PI) / 180);
  const hours = axis.stepMinutes / 60;
  let cover = 0;
  for (let i = 1; i < axis.count; i++) {
    if (snowDepthCm[i]! - snowDepthCm[i - 1]! >= COVERING_CM) cover = 1;
    else {
      const sun = airTempC[i]! > -6 ? (SLIDE_PER_SUN_HOUR * ghiWm2[i]!) / 1000 : 0;
      cover = Math.max(0, cover - (sun + Math.max(0, airTempC[i]!) * MELT_PER_K_HOUR) * steep * hours);
    }
    out[i] = cover;
  }
  return out;
}

interface StandingArray {
  readonly plane: ReturnType<typeof planeOf>;
  readonly tiltDeg: number;
  readonly nameplateW: number;
  readonly gamma: number;
  readonly discs: readonly SkyDisc[];
}

interface Standing {
  readonly arrays: readonly StandingArray[];
  readonly acRatedW: number;
}

/** What stands on a day: a seasonal rack turns in the year, hardware is swapped. Kept by tilts and revisions. */
function standingOn(site: Site, truth: PlantTruth, date: string, kept: Map<string, Standing>): Standing {
  const still = site.revisions.length === 0 && site.arrays.every((array) => array.tiltSchedule.length === 0);
  const stood = still ? site : siteOn(site, date);
  const key = [...stood.arrays.map((array) => array.tiltDeg), site.revisions.filter((revision) => revision.from <= date).length].join();
  const existing = kept.get(key) ?? {
    arrays: stood.arrays.map((array) => standingArray(stood, truth, array)),
    acRatedW: siteAcRatedW(stood),
  };
  kept.set(key, existing);
  return existing;
}

const standingArray = (site: Site, truth: PlantTruth, array: PvArray): StandingArray => ({
  plane: planeOf(array.tiltDeg, truth.azimuthDeg?.[array.id] ?? array.azimuthDeg),
  tiltDeg: array.tiltDeg,
  nameplateW: arrayNameplateW(site, array),
  gamma: site.modules[array.module]!.gammaPmpPerK * 1.03,
  discs: truth.discs?.[array.id] ?? [],
});

/** How much more than its light a shaded part of a string costs. Source: Woyte, Nijs & Belmans, 2003, Partial shadowing of photovoltaic arrays with different system configurations. */
const STRING_PENALTY = 1.6;
const DEG = Math.PI / 180;

/** Share of an even sky's light on the plane that the discs stand before: their solid angle by the cosine in their middles. */
function skyBehind(discs: readonly SkyDisc[], plane: ReturnType<typeof planeOf>, month: number): number {
  return discs.reduce((sum, disc) => {
    const [azimuth, elevation] = [disc.azimuthDeg * DEG, Math.max(2, disc.elevationDeg) * DEG];
    const flat = Math.cos(elevation);
    const facing = plane.east * flat * Math.sin(azimuth) + plane.north * flat * Math.cos(azimuth) + plane.up * Math.sin(elevation);
    const above = Math.min(disc.halfHeightDeg, (disc.elevationDeg + disc.halfHeightDeg) / 2) * DEG;
    const solidAngle = Math.PI * disc.halfWidthDeg * DEG * above * flat;
    return sum + (solidAngle * Math.max(0, facing) * (1 - disc.throughFrac[month]!)) / Math.PI;
  }, 0);
}

/** Share of the beam that passes the discs; their edges are soft, since an array is no point. */
function pastDiscs(discs: readonly SkyDisc[], east: number, north: number, up: number, month: number): number {
  let kept = 1;
  for (const disc of discs) {
    const azimuth = (Math.atan2(east, north) * 180) / Math.PI;
    const elevation = (Math.asin(Math.min(1, up)) * 180) / Math.PI;
    const aside = ((azimuth - disc.azimuthDeg + 540) % 360) - 180;
    const away = Math.hypot(aside / disc.halfWidthDeg, (elevation - disc.elevationDeg) / disc.halfHeightDeg);
    const covered = 1 / (1 + Math.exp((away - 1) * 3));
    kept *= 1 - covered * (1 - disc.throughFrac[month]!);
  }
  return kept;
}

/** In-plane light that passes the glass, W/m2. Source: Klucher, 1979, Evaluation of models to predict insolation on tilted surfaces. */
function klucher({ sun, ghiWm2, dhiWm2 }: SimulatedWeather, i: number, { plane, tiltDeg, discs }: StandingArray, month: number): number {
  const up = sun.up[i]!;
  const ghi = ghiWm2[i]!;
  if (!(ghi > 0)) return 0;
  const dhi = dhiWm2[i]!;
  const cosIncidence = Math.max(0, plane.east * sun.east[i]! + plane.north * sun.north[i]! + plane.up * up);
  const clear = 1 - (dhi / ghi) ** 2;
  const sinHalfTilt = Math.sin((tiltDeg * Math.PI) / 360);
  const sinZenith = Math.sqrt(Math.max(0, 1 - up * up));
  const sky =
    dhi *
    (plane.skyViewFrac - skyBehind(discs, plane, month)) *
    (1 + clear * sinHalfTilt ** 3) *
    (1 + clear * cosIncidence ** 2 * sinZenith ** 3);
  const open = discs.length > 0 && up > 0 ? pastDiscs(discs, sun.east[i]!, sun.north[i]!, up, month) : 1;
  // A shaded cell takes more than its own light from its string.
  const beam = up > 0.02 ? ((ghi - dhi) / up) * cosIncidence * Math.max(0, 1 - STRING_PENALTY * (1 - open)) : 0;
  const glass = cosIncidence > 0.05 ? Math.max(0, 1 - 0.045 * (1 / cosIncidence - 1)) : 0;
  return Math.min(beam, 1200) * glass + 0.955 * sky + 0.9 * ghi * 0.2 * plane.groundViewFrac;
}

/** Share of light lost to dirt, one value a UTC day. */
function soilingFrac(truth: PlantTruth, { axis, rainMm }: SimulatedWeather): Float64Array {
  const perDay = 1440 / axis.stepMinutes;
  const days = Math.ceil(axis.count / perDay);
  const out = new Float64Array(days);
  let dirt = 0.01;
  for (let day = 0; day < days; day++) {
    const date = new Date(axis.startUtcMs + day * DAY_MS).toISOString().slice(0, 10);
    const rain = rainMm.subarray(day * perDay, (day + 1) * perDay).reduce((a, b) => a + b, 0);
    if (truth.cleanings.includes(date)) dirt = 0.001;
    else if (rain >= truth.cleaningRainMm) dirt *= 0.08;
    else dirt = Math.min(0.25, dirt + truth.soilingPerDayFrac);
    out[day] = dirt;
  }
  return out;
}
