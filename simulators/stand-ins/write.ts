import { mkdirSync, writeFileSync } from "node:fs";
import path from "node:path";
import { diceOf } from "./dice";
import { DAY_MS, type Fate, fateOf } from "./fate";
import { Clock, productionFile, standardOf, weatherFile } from "./files";
import { makeSky, type Sky, STEP_MS } from "./sky";
import { ASKED, STAGES, type Walked, walk } from "./walk";

/** Writes stand-in `seed` as a folder of the fleet's form: what its owner has, and the truth beside it. Gives the folder. */
export function writeStandIn(seed: number, into: string): string {
  const fate = fateOf(seed);
  const sky = makeSky(fate.region, fate.at, fate.startMs, fate.days, diceOf(seed, "sky"));
  const walked = walk(fate, sky);
  const folder = path.join(into, `S${seed}-${fate.kind.replaceAll(" ", "-")}`);
  mkdirSync(folder, { recursive: true });
  const put = (name: string, text: string): void => writeFileSync(path.join(folder, name), text);
  put("site.json", JSON.stringify(ownersFacts(fate), null, 1));
  put("weather.csv", weatherFile(fate, sky));
  put("production.csv", productionFile(fate, walked));
  put("events.csv", eventsFile(fate));
  put("truth.json", JSON.stringify(truthOf(fate, sky, walked), null, 1));
  return folder;
}

function ownersFacts(fate: Fate): object {
  const clock = new Clock(fate.zone);
  return {
    id: `S${fate.seed}`,
    name: `Stand-in ${fate.seed}`,
    latitude: fate.at.latitudeDeg,
    longitude: fate.at.longitudeDeg,
    elevation_m: fate.at.elevationM,
    timezone: fate.region.timeZone,
    commissioned: clock.day(fate.commissionedMs),
    currency: fate.region.currency,
    albedo: 0.2,
    arrays: fate.planes.map((plane) => ({
      id: plane.id,
      tilt_deg: plane.tiltDeg,
      azimuth_deg: plane.bearingDeg,
      module_count: plane.strings * plane.perString,
      modules_per_string: plane.perString,
      mounting: fate.laws.u0 > 27 ? "open rack" : "roof, with a gap",
      inverter: "I1",
      module: {
        model: "M",
        pmp_w: fate.moduleW,
        voc_v: 41,
        isc_a: fate.moduleW / 31.6,
        vmp_v: 34,
        imp_a: fate.moduleW / 34,
        gamma_pmp_pct_per_k: 100 * fate.gammaPerK,
        beta_voc_pct_per_k: -0.28,
        alpha_isc_pct_per_k: 0.05,
        noct_c: 44,
        area_m2: fate.moduleW / 205,
      },
    })),
    inverters: [
      {
        id: "I1",
        ac_rating_w: fate.acRatedW,
        rated_efficiency_pct: 100 * (1 - fate.laws.idle - fate.laws.linear - fate.laws.square),
        weighted_efficiency_pct: 100 * (1 - fate.laws.linear - fate.laws.idle * 1.8 - fate.laws.square * 0.55),
      },
    ],
    nominal_losses_pct: { dc_wiring: 1.2, mismatch: 1, ac_wiring: 0.5, soiling: 2 },
  };
}

function eventsFile(fate: Fate): string {
  const clock = new Clock(fate.zone);
  const rows = [
    ...fate.cleanings.filter(({ isWritten }) => isWritten).map(({ ms }) => [clock.day(ms + DAY_MS / 2), "cleaning", "washed"]),
    ...fate.sensor.domes
      .filter(({ isWritten }) => isWritten)
      .map(({ to }) => [clock.day(to), "inspection", "dome of the pyranometer wiped"]),
    ...(fate.meter.later ? [[clock.day(fate.meter.later.fromMs), "inspection", "new production meter"]] : []),
  ];
  return `${[["date", "kind", "note"], ...rows.sort(([a], [b]) => (a! < b! ? -1 : 1))].map((row) => row.join(",")).join("\n")}\n`;
}

const sum = (values: Float64Array): number => values.reduce((a, b) => a + b, 0);
const rounded = (value: number): number => Math.round(value * 1000) / 1000;

function truthOf(fate: Fate, sky: Sky, walked: Walked): object {
  const clock = new Clock(fate.zone);
  const span = ({ from, to }: { from: number; to: number }) => ({ start: clock.iso(from), end: clock.iso(to) });
  const months = new Map<string, Record<string, number>>();
  for (let i = 0; i < sky.count; i++) {
    const key = clock.day(fate.startMs + i * STEP_MS).slice(0, 7);
    const own = months.get(key) ?? {};
    for (const cause of ASKED) own[cause] = (own[cause] ?? 0) + walked.gainedKwh[cause][i]!;
    months.set(key, own);
  }
  return {
    plant: fate.kind,
    record: { timezone: fate.region.timeZone },
    degradation: { rate_pct_per_year: 100 * fate.laws.agesPerYear, first_year_step_pct: 100 * fate.laws.firstStep },
    soiling: {
      cleanings: fate.cleanings.map(({ ms }) => clock.day(ms + DAY_MS / 2)),
      cleanings_recorded: fate.cleanings.filter(({ isWritten }) => isWritten).map(({ ms }) => clock.day(ms + DAY_MS / 2)),
    },
    outages: fate.outages.map((outage, k) => ({ kind: outage.kind, ...span(outage), lost_kwh: rounded(walked.outageKwh[k]!) })),
    curtailment: fate.limits.map(span),
    actual: {
      arrays: fate.planes.map((plane) => ({
        as_claimed: plane.realBearingDeg === plane.bearingDeg && plane.realTiltDeg === plane.tiltDeg,
        azimuth_deg: plane.realBearingDeg,
        tilt_deg: plane.realTiltDeg,
        claimed_azimuth_deg: plane.bearingDeg,
      })),
    },
    clock: { wrong_spans: wrongSpans(fate, clock) },
    unit_mistakes: fate.wrongUnit ? [{ first_interval_start: clock.iso(fate.wrongUnit.from), end: clock.iso(fate.wrongUnit.to) }] : [],
    ...(fate.nightW > 0 ? { night_draw: { watts: fate.nightW } } : {}),
    ...(fate.meter.later ? { meter_change: { export_stands_in: span(fate.meter.later.standIn) } } : {}),
    ...(fate.ceiling ? { ceiling_change: { at: clock.iso(fate.ceiling.fromMs), new_ceiling_kw: fate.ceiling.acW / 1000 } } : {}),
    ...(fate.derating ? { derating: fate.derating.fan ? { fan_failed: span(fate.derating.fan) } : {} } : {}),
    weather_sensor: { ghi_drift_pct_per_year: 100 * fate.sensor.perYear, soiled: fate.sensor.domes.map(span) },
    totals: {
      delivered_kwh: rounded(sum(walked.deliveredKwh)),
      losses_kwh: Object.fromEntries(STAGES.map((stage) => [stage, rounded(sum(walked.lostKwh[stage]))])),
    },
    monthly: [...months].map(([month, gained]) => ({
      month,
      gain_if_removed_kwh: Object.fromEntries(Object.entries(gained).map(([cause, kwh]) => [cause, rounded(kwh)])),
    })),
  };
}

/** Spans in which the clock was an hour off: summer times before it was set right. */
function wrongSpans(fate: Fate, clock: Clock): object[] {
  if (fate.wrongClockUntilMs === null) return [];
  const [spans, standard]: [{ start: string; end: string }[], number] = [[], standardOf(fate)];
  let from: number | null = null;
  for (let utcMs = fate.startMs; utcMs <= fate.wrongClockUntilMs; utcMs += 3_600_000) {
    const isWrong = clock.offset(utcMs) !== standard && utcMs < fate.wrongClockUntilMs;
    if (isWrong) from ??= utcMs;
    else if (from !== null) {
      spans.push({ start: clock.iso(from), end: clock.iso(utcMs) });
      from = null;
    }
  }
  return spans;
}
