import { createReadStream, existsSync, readFileSync } from "node:fs";
import path from "node:path";
import {
  type LightSensor,
  type RandomPlant,
  randomPlant,
  type SensorPlant,
  simulateWeather,
  simulateWithTruth,
  type TrueLosses,
  throughSensor,
} from "../simulators";
import { ledgerFromFiles } from "../src/cli/read-files";
import type { AttributionReport } from "../src/contracts/attribution";
import type { FieldEntry } from "../src/contracts/field-book";
import { type SiteDocument, siteSchema } from "../src/contracts/site";
import { siteWithOffset } from "../src/core/attribution";
import { readEvents } from "../src/formats/events-csv";
import { attribute } from "../src/usecases/attribution";
import { type OpenLedger, openLedger, type StoredSeries } from "../src/usecases/ledger";

/** One claim of the analysis beside the truth. */
export interface AccuracyRow {
  readonly plant: string;
  readonly what: string;
  readonly ours: string;
  readonly truth: string;
  readonly limit: string;
  readonly holds: boolean;
}

interface PlantTruthFile {
  readonly degradation: { readonly rate_pct_per_year: number };
  readonly outages: readonly { readonly kind: string; readonly start: string; readonly end: string }[];
  readonly actual: {
    readonly arrays: readonly { readonly azimuth_deg: number; readonly tilt_deg: number; readonly claimed_azimuth_deg?: number }[];
  };
  readonly totals: { readonly years: number; readonly delivered_kwh: number; readonly losses_kwh: Readonly<Record<string, number>> };
}

const kwh = (value: number): string => `${Math.round(value).toLocaleString("en").replaceAll(",", " ")} kWh`;
const percent = (value: number): string => `${value.toFixed(2)} %/yr`;

/** Energy of a cause: within 15 % of the truth or 0.3 % of the yield, whichever is larger. */
function energyRow(plant: string, what: string, ours: number, truth: number, yieldKwh: number): AccuracyRow {
  const limit = Math.max(0.15 * Math.abs(truth), 0.003 * yieldKwh);
  return { plant, what, ours: kwh(ours), truth: kwh(truth), limit: `± ${kwh(limit)}`, holds: Math.abs(ours - truth) <= limit };
}

function ageingRows(plant: string, { ageing }: AttributionReport, truthPct: number, near = 0.2): AccuracyRow[] {
  const [rate, low, high] = [ageing.perYearFrac, ageing.low, ageing.high].map((value) => (value === null ? Number.NaN : value * 100)) as [
    number,
    number,
    number,
  ];
  const found = ageing.isTooSoon ? " (too soon to tell)" : "";
  return [
    {
      plant,
      what: "ageing",
      ours: percent(rate) + found,
      truth: percent(truthPct),
      limit: `± ${near} %/yr`,
      holds: Math.abs(rate - truthPct) <= near,
    },
    {
      plant,
      what: "its interval",
      ours: `${low.toFixed(2)} to ${high.toFixed(2)}`,
      truth: truthPct.toFixed(2),
      limit: "holds it",
      holds: low <= truthPct && truthPct <= high,
    },
  ];
}

function unexplainedRow(plant: string, { years, months, all }: AttributionReport): AccuracyRow {
  const whole = years.filter(({ key }) => months.filter((month) => month.key.startsWith(key) && month.meteredKwh !== null).length === 12);
  const worst = (whole.length > 0 ? whole : [all])
    .map((year) => (100 * (year.unexplainedKwh ?? 0)) / year.expectedKwh)
    .reduce((a, b) => (Math.abs(b) > Math.abs(a) ? b : a));
  return { plant, what: "unexplained, worst year", ours: `${worst.toFixed(2)} %`, truth: "0", limit: "± 2 %", holds: Math.abs(worst) < 2 };
}

const angle = (a: number, b: number): number => Math.abs(((a - b + 540) % 360) - 180);

function orientationRow(plant: string, report: AttributionReport, bookDeg: number, trueDeg: number): AccuracyRow[] {
  const found = report.findings.some(({ kind }) => kind === "orientation");
  const wrong = angle(bookDeg, trueDeg) > 1;
  const fitted = report.orientation?.arrays[0]?.fittedAzimuthDeg ?? Number.NaN;
  if (!wrong)
    return [{ plant, what: "plane as claimed", ours: found ? "alarm" : "no alarm", truth: "right", limit: "no alarm", holds: !found }];
  return [
    {
      plant,
      what: "azimuth",
      ours: found ? `${fitted.toFixed(1)}°` : "not seen",
      truth: `${trueDeg}°`,
      limit: "± 4°",
      holds: found && angle(fitted, trueDeg) <= 4,
    },
    turnIntervalRow(plant, report, bookDeg, trueDeg),
  ];
}

/** Degrees clockwise from the one bearing to the other, -180 to 180. */
const turnFrom = (fromDeg: number, toDeg: number): number => ((((toDeg - fromDeg) % 360) + 540) % 360) - 180;

function turnIntervalRow(plant: string, { orientation }: AttributionReport, bookDeg: number, trueDeg: number): AccuracyRow {
  const truth = turnFrom(bookDeg, trueDeg);
  const { low, high } = orientation?.azimuthOffsetDeg ?? { low: Number.NaN, high: Number.NaN };
  return {
    plant,
    what: "interval of its turn",
    ours: `${low.toFixed(1)}° to ${high.toFixed(1)}°`,
    truth: `${truth}°`,
    limit: "holds it",
    holds: low <= truth && truth <= high,
  };
}

/** How a book is made wrong to see whether the readings tell: degrees clockwise and steeper. */
const WRONG_BOOK = { azimuthOffsetDeg: 20, tiltOffsetDeg: -15 };

function wrongBookRows(plant: string, { orientation }: AttributionReport, trueAzimuthDeg: number, trueTiltDeg: number): AccuracyRow[] {
  const [array] = orientation?.arrays ?? [];
  const row = (what: string, found: boolean, fitted: number, truth: number): AccuracyRow => ({
    plant,
    what,
    ours: found ? `${fitted.toFixed(1)}°` : "not seen",
    truth: `${truth}°`,
    limit: "± 4°",
    holds: found && angle(fitted, truth) <= 4,
  });
  return [
    row(
      "azimuth, its book 20° further off",
      Boolean(orientation?.planeOffset?.azimuthOffsetDeg),
      array?.fittedAzimuthDeg ?? Number.NaN,
      trueAzimuthDeg,
    ),
    row("tilt, its book 15° off", Boolean(orientation?.planeOffset?.tiltOffsetDeg), array?.fittedTiltDeg ?? Number.NaN, trueTiltDeg),
  ];
}

const PLANTS = ["dry-roof", "alpine-hut", "southern-ranch", "bills-house"] as const;

/** The four plants whose files are simulated with other physics than ours. */
export async function plantRows(): Promise<AccuracyRow[]> {
  const rows: AccuracyRow[] = [];
  for (const plant of PLANTS) {
    const folder = path.join(import.meta.dirname, "..", "test", "fixtures", "plants", plant);
    const truth = JSON.parse(readFileSync(path.join(folder, "truth-totals.json"), "utf8")) as PlantTruthFile;
    const file = (name: string): string => path.join(folder, existsSync(path.join(folder, `${name}.gz`)) ? `${name}.gz` : name);
    const ledger = await ledgerFromFiles({
      site: path.join(folder, `${plant}.site.json`),
      weather: file("weather.csv"),
      production: file("production.csv"),
      promise: file("promise.csv"),
      events: file("events.csv"),
    });
    const { events } = await readEvents(createReadStream(file("events.csv")));
    const report = attribute({ ledger, entries: events })!;
    const lost = truth.totals.losses_kwh;
    const posted = report.all.accountsKwh;
    const energy = (what: string, ours: number, name: string): AccuracyRow =>
      energyRow(plant, what, ours, lost[name]!, truth.totals.delivered_kwh);
    rows.push(
      ...ageingRows(plant, report, truth.degradation.rate_pct_per_year, report.resolution === "months" ? 0.5 : 0.2),
      energy("soiling", posted.soiling, "soiling"),
      energy("snow", posted.snow, "snow"),
      energy("downtime and strings out", posted.downtime, "outage"),
      energy("clipping", posted.clipping, "clipping"),
      ...(report.resolution === "hours"
        ? [
            ...orientationRow(plant, report, ledger.site.arrays[0]!.azimuthDeg, truth.actual.arrays[0]!.azimuth_deg),
            ...wrongBookRows(
              plant,
              attribute({ ledger: { ...ledger, site: siteWithOffset(ledger.site, WRONG_BOOK) }, entries: events })!,
              truth.actual.arrays[0]!.azimuth_deg,
              truth.actual.arrays[0]!.tilt_deg,
            ),
          ]
        : []),
      ...truth.outages.map((outage) => outageRow(plant, report, outage)),
      unexplainedRow(plant, report),
    );
  }
  return rows;
}

function outageRow(plant: string, report: AttributionReport, { kind, start, end }: PlantTruthFile["outages"][number]): AccuracyRow {
  const own = report.findings.find(
    (finding) => finding.kind === (kind === "string" ? "strings-out" : "outage") && overlaps(finding, start, end),
  );
  const off = own ? [own.fromUtcMs - Date.parse(start), own.toUtcMs - Date.parse(end)].map((ms) => Math.abs(ms) / 86_400_000) : [99];
  const most = Math.max(...off);
  return {
    plant,
    what: kind === "string" ? "dates of the string out" : "dates of the outage",
    ours: own ? `off by ${most.toFixed(2)} days` : "not found",
    truth: `${start.slice(0, 10)} to ${end.slice(0, 10)}`,
    limit: kind === "string" ? "± 3 days" : "± 1 day",
    holds: most <= (kind === "string" ? 3 : 1),
  };
}

const overlaps = (finding: { fromUtcMs: number; toUtcMs: number }, from: string, to: string): boolean =>
  finding.fromUtcMs < Date.parse(to) && finding.toUtcMs > Date.parse(from);

/** How many findings are true and how many true faults are found, by kind. */
export interface FoundShare {
  readonly kind: string;
  readonly findings: number;
  readonly trueFindings: number;
  readonly faults: number;
  readonly foundFaults: number;
}

export interface SimulatedAccuracy {
  readonly rows: readonly AccuracyRow[];
  readonly shares: readonly FoundShare[];
  /** Findings a year of plants with nothing wrong. */
  readonly falseFindingsPerYear: number;
}

const METER_MINUTES = 15;

export interface Simulated {
  readonly plant: RandomPlant;
  readonly site: SiteDocument;
  readonly ledger: OpenLedger;
  readonly report: AttributionReport;
  readonly losses: TrueLosses;
}

/** How the light of a simulated plant is read. */
interface LightRead {
  readonly source: SensorPlant["source"] | "unknown";
  readonly sensor: LightSensor | null;
  readonly hasRain: boolean;
}
const AS_IT_CAME: LightRead = { source: "unknown", sensor: null, hasRain: true };

/** Plays a simulated plant and reads it as a book would. */
export function simulate(plant: RandomPlant, read: LightRead = AS_IT_CAME): Simulated {
  const site = siteSchema.parse({ ...plant.site, lightSource: read.source });
  const startUtcMs = Date.parse(plant.firstUtc);
  const fine = {
    startUtcMs,
    stepMinutes: METER_MINUTES,
    count: Math.round((Date.parse(plant.lastUtc) - startUtcMs) / (METER_MINUTES * 60_000)),
  };
  const weather = simulateWeather(plant.climate, site.place, fine, plant.seed);
  const { energyKwh, losses } = simulateWithTruth(site, plant.truth, weather);
  const hours = { startUtcMs, stepMinutes: 60, count: fine.count / 4 };
  const folded = (column: Float64Array, how: "mean" | "sum"): Float64Array =>
    Float64Array.from({ length: hours.count }, (_, h) => {
      const sum = column[4 * h]! + column[4 * h + 1]! + column[4 * h + 2]! + column[4 * h + 3]!;
      return how === "mean" ? sum / 4 : sum;
    });
  const mast = (quantity: string, values: Float64Array): StoredSeries => ({ quantity, meterId: "", axis: hours, values });
  const ledger = openLedger({
    site,
    weather: [
      mast(
        "ghi_w_m2",
        read.sensor ? throughSensor(folded(weather.ghiWm2, "mean"), hours, read.sensor, plant.seed) : folded(weather.ghiWm2, "mean"),
      ),
      mast("air_temperature_c", folded(weather.airTempC, "mean")),
      mast("wind_speed_m_s", folded(weather.windSpeedMs, "mean")),
      ...(read.hasRain ? [mast("rain_mm", folded(weather.rainMm, "sum"))] : []),
      ...(weather.snowDepthCm ? [mast("snow_depth_cm", folded(weather.snowDepthCm, "mean").map(Math.round))] : []),
    ],
    production: [{ quantity: "energy_kwh", meterId: "main", axis: fine, values: energyKwh }],
    promise: null,
  });
  const entries: FieldEntry[] = plant.recordedCleanings.map((day) => ({
    from: day,
    to: day,
    kind: "cleaning",
    array: "",
    note: "",
    value: "",
  }));
  return { plant, site, ledger, report: attribute({ ledger, entries })!, losses };
}

/** Twenty simulated plants with faults from a seed, and eight with nothing wrong. */
export function simulatedRows(count = 20, healthy = 8): SimulatedAccuracy {
  const rows: AccuracyRow[] = [];
  const shares = new Map<string, { findings: number; trueFindings: number; faults: number; foundFaults: number }>();
  const tally = (kind: string, add: Partial<Omit<FoundShare, "kind">>): void => {
    const existing = shares.get(kind) ?? { findings: 0, trueFindings: 0, faults: 0, foundFaults: 0 };
    for (const [name, value] of Object.entries(add)) existing[name as keyof typeof existing] += value;
    shares.set(kind, existing);
  };
  for (let k = 0; k < count; k++) {
    const one = simulate(randomPlant(k));
    const { plant, site, report, losses } = one;
    const posted = report.all.accountsKwh;
    const energy = (what: string, ours: number, truth: number): AccuracyRow =>
      energyRow(plant.name, what, ours, truth, losses.deliveredKwh);
    const book = site.arrays[0]!.azimuthDeg;
    rows.push(
      ...ageingRows(plant.name, report, plant.truth.ageingPerYearFrac * 100),
      energy("soiling", posted.soiling, losses.soilingKwh),
      energy("snow", posted.snow, losses.snowKwh),
      energy("downtime and strings out", posted.downtime, losses.outageKwh + losses.stringsKwh),
      energy("curtailment", posted.curtailment, losses.limitKwh),
      energy("clipping", posted.clipping, losses.clippingKwh),
      ...orientationRow(plant.name, report, book, plant.truth.azimuthDeg?.a ?? book),
      unexplainedRow(plant.name, report),
    );
    countFound(one, tally);
  }
  let [years, found] = [0, 0];
  for (let k = 0; k < healthy; k++) {
    const { report } = simulate(randomPlant(100 + k, false));
    years += report.ageing.years;
    found += report.findings.filter(({ kind }) => kind !== "snow" && kind !== "soiling" && kind !== "ageing").length;
  }
  return { rows, shares: [...shares].map(([kind, share]) => ({ kind, ...share })), falseFindingsPerYear: found / years };
}

function countFound({ plant, site, report }: Simulated, tally: (kind: string, add: Partial<Omit<FoundShare, "kind">>) => void): void {
  const match = (kind: string, faults: readonly { from: string; to: string }[]): void => {
    const own = report.findings.filter((finding) => finding.kind === kind);
    tally(kind, {
      findings: own.length,
      trueFindings: own.filter((finding) => faults.some(({ from, to }) => overlaps(finding, from, to))).length,
      faults: faults.length,
      foundFaults: faults.filter(({ from, to }) => own.some((finding) => overlaps(finding, from, to))).length,
    });
  };
  match("outage", plant.truth.outages);
  match("strings-out", plant.truth.stringsOut ?? []);
  const wide = (day: string): { from: string; to: string } => ({
    from: new Date(Date.parse(day) - 8 * 86_400_000).toISOString(),
    to: new Date(Date.parse(day) + 9 * 86_400_000).toISOString(),
  });
  match("unrecorded-cleaning", plant.truth.cleanings.filter((day) => !plant.recordedCleanings.includes(day)).map(wide));
  const book = site.arrays[0]!.azimuthDeg;
  const wrong = angle(plant.truth.azimuthDeg?.a ?? book, book) > 1;
  const found = report.findings.some(({ kind }) => kind === "orientation");
  tally("orientation", {
    findings: found ? 1 : 0,
    trueFindings: found && wrong ? 1 : 0,
    faults: wrong ? 1 : 0,
    foundFaults: found && wrong ? 1 : 0,
  });
  match("held-low", plant.truth.limits ?? []);
  const always = [{ from: plant.firstUtc, to: plant.lastUtc }];
  match("shading", plant.truth.discs ? always : []);
  match("ceiling", plant.truth.ceilingFrac && plant.truth.ceilingFrac < 1 ? always : []);
}
