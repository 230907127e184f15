import { describe, expect, it } from "vitest";
import type { AttributionReport } from "../../src/contracts/attribution";
import { siteSchema } from "../../src/contracts/site";
import { judged } from "./judge";
import { type ReadPlant, siteOf } from "./plant";
import type { PlantTruth } from "./truth";

const DAY = 86_400_000;
const START = Date.UTC(2023, 0, 1);
const finding = (kind: string, fromDay: number, toDay: number, kwh: number | null = null) => ({
  key: `${kind}-${fromDay}`,
  kind,
  fromUtcMs: START + fromDay * DAY,
  toUtcMs: START + toDay * DAY,
  kwh,
  kwhLow: kwh === null ? null : 0.9 * kwh,
  kwhHigh: kwh === null ? null : 1.1 * kwh,
  confidenceFrac: 0.9,
  facts: {},
  entry: null,
});
const line = { key: "2023", expectedKwh: 10_000, unexplainedKwh: 50, meteredKwh: 9_000, accountsKwh: { soiling: 200, downtime: 90 } };
const truth = {
  plant: "T",
  record: { timezone: "UTC" },
  degradation: { rate_pct_per_year: 0.6 },
  soiling: { cleanings: ["2023-07-01"], cleanings_recorded: [] },
  outages: [{ kind: "inverter", start: "2023-03-01T00:00Z", end: "2023-03-05T00:00Z", lost_kwh: 95 }],
  curtailment: [],
  actual: { arrays: [{ as_claimed: true, azimuth_deg: 180, tilt_deg: 30 }] },
  clock: { wrong_spans: [] },
  unit_mistakes: [],
  totals: { delivered_kwh: 9_000, losses_kwh: { soiling: 230, outage: 95, snow: 0, clipping: 0, shading: 0, curtailment: 0 } },
  monthly: [{ month: "2023-01", gain_if_removed_kwh: { soiling: 210, snow: 0 } }],
} as unknown as PlantTruth;

const read = (findings: readonly object[], ageing: object = {}): ReadPlant => ({
  causes: {
    ageing: { perYearFrac: 0.007, low: 0.003, high: 0.011, ...ageing },
    resolution: "hours",
    all: line,
    years: [line],
    months: [],
    findings,
    orientation: null,
  } as unknown as AttributionReport,
  readings: [],
  asked: null,
});
const failed = (plant: ReadPlant) =>
  judged("T", plant, truth)
    .filter(({ holds }) => !holds)
    .map(({ what }) => what);
const outage = finding("outage", 59, 63, 90);

describe("a plant beside its truth", () => {
  it("holds where all that is told is so", () => {
    expect(failed(read([outage, finding("unrecorded-cleaning", 181, 182)]))).toEqual([]);
  });

  it("fails by every line that is not", () => {
    expect(failed(read([outage], { perYearFrac: 0.0085 }))).toEqual(["ageing %/yr"]);
    expect(failed(read([outage], { low: 0.0061 }))).toEqual(["its interval"]);
    expect(failed(read([]))).toEqual(["dates of inverter out"]);
    expect(failed(read([{ ...outage, kwhHigh: 94 }]))).toEqual(["outage from 2023-03-01"]);
    expect(failed({ ...read([outage]), asked: "whose clock?" })).toEqual(["reads the files unasked"]);
  });

  it("counts what the truth does not know as false, and leaves what it can't judge", () => {
    expect(failed(read([outage, finding("outage", 200, 201, 5)]))).toEqual(["outage 2023-07-20 to 2023-07-21"]);
    expect(failed(read([outage, finding("orientation", 0, 300)]))).toEqual(["plane as claimed", "orientation 2023-01-01 to 2023-10-28"]);
    expect(failed(read([outage, finding("sensor-drift", 0, 300)]))).toEqual([]);
  });
});

describe("an owner's facts", () => {
  it("become a site document that the ledger takes", () => {
    const module = {
      model: "M",
      pmp_w: 400,
      voc_v: 41,
      isc_a: 12,
      vmp_v: 34,
      imp_a: 11.76,
      gamma_pmp_pct_per_k: -0.35,
      beta_voc_pct_per_k: -0.27,
      alpha_isc_pct_per_k: 0.05,
      noct_c: 44,
      area_m2: 1.9,
    };
    const facts = {
      id: "T",
      name: "Quill barn",
      latitude: 45,
      longitude: 7,
      elevation_m: 300,
      timezone: "Europe/Rome",
      commissioned: "2020-01-01",
      arrays: [{ id: "A", tilt_deg: 20, azimuth_deg: 170, module_count: 20, mounting: "close to the roof", inverter: "I", module }],
      inverters: [{ id: "I", ac_rating_kw: 7, rated_efficiency_pct: 97 }],
      nominal_losses_pct: { soiling: 2 },
    };
    const site = siteSchema.parse(siteOf(facts as never));
    expect(site.arrays[0]).toMatchObject({ mounting: "roof-close", count: 20, azimuthDeg: 170 });
    expect(site.inverters[0]).toMatchObject({ acRatedW: 7000, ratedEfficiencyFrac: 0.97 });
    expect(site.losses.soilingFrac).toBe(0.02);
  });
});
