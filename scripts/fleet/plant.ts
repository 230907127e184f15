import { existsSync, readFileSync, writeFileSync } from "node:fs";
import path from "node:path";
import { attributionFromFiles } from "../../src/cli/reconcile";
import type { AttributionReport } from "../../src/contracts/attribution";
import type { Finding } from "../../src/core/quality";

/** What an owner knows of a plant, as a folder of the fleet's form has it (site.json). */
interface OwnersFacts {
  readonly id: string;
  readonly name: string;
  readonly latitude: number;
  readonly longitude: number;
  readonly elevation_m: number;
  readonly timezone: string;
  readonly commissioned: string;
  readonly currency?: string;
  readonly albedo?: number;
  readonly arrays: readonly OwnersArray[];
  readonly inverters: readonly OwnersInverter[];
  readonly nominal_losses_pct?: Readonly<Record<string, number>>;
}

interface OwnersArray {
  readonly id: string;
  readonly tilt_deg: number;
  readonly azimuth_deg: number;
  readonly module_count: number;
  readonly modules_per_string?: number;
  readonly mounting?: string;
  readonly inverter: string;
  readonly module: Readonly<Record<string, number>> & { readonly model: string };
}

interface OwnersInverter {
  readonly id: string;
  readonly ac_rating_kw?: number;
  readonly ac_rating_w?: number;
  readonly rated_efficiency_pct: number;
  readonly weighted_efficiency_pct?: number;
  readonly count?: number;
  readonly per_module?: boolean;
}

/** How the outside world tells a mounting, in the ledger's three words. */
const mountingOf = (words = ""): string =>
  /rack|ground|pole|frame/i.test(words) ? "open-rack" : /close/i.test(words) ? "roof-close" : "roof-gap";

/** The ledger's own site document of an owner's facts. */
export function siteOf(facts: OwnersFacts): object {
  const percent = (name: string): number => (facts.nominal_losses_pct?.[name] ?? 0) / 100;
  const fedBy = (id: string): string[] => facts.arrays.filter(({ inverter }) => inverter === id).map((array) => array.id);
  return {
    format: "dusty-ledger/site",
    version: 1,
    name: facts.name,
    currency: facts.currency ?? "EUR",
    commissioned: facts.commissioned,
    place: { latitudeDeg: facts.latitude, longitudeDeg: facts.longitude, elevationM: facts.elevation_m, timeZone: facts.timezone },
    albedo: facts.albedo ?? 0.2,
    modules: Object.fromEntries(facts.arrays.map(({ module }) => [module.model, moduleOf(module)])),
    arrays: facts.arrays.map((array) => ({
      id: array.id,
      name: array.id,
      module: array.module.model,
      count: array.module_count,
      ...(array.modules_per_string ? { modulesPerString: array.modules_per_string } : {}),
      tiltDeg: array.tilt_deg,
      azimuthDeg: array.azimuth_deg,
      mounting: mountingOf(array.mounting),
    })),
    inverters: facts.inverters.map((inverter) => ({
      id: inverter.id,
      arrays: fedBy(inverter.id),
      acRatedW: inverter.ac_rating_kw === undefined ? inverter.ac_rating_w : inverter.ac_rating_kw * 1000,
      ratedEfficiencyFrac: (inverter.weighted_efficiency_pct ?? inverter.rated_efficiency_pct) / 100,
      perModule: inverter.per_module === true || (inverter.count ?? 1) > 1,
    })),
    meters: facts.inverters.map(({ id }) => ({ id: `m-${id}`, point: "ac", arrays: fedBy(id) })),
    losses: {
      mismatchFrac: percent("mismatch"),
      dcWiringFrac: percent("dc_wiring"),
      acWiringFrac: percent("ac_wiring"),
      soilingFrac: percent("soiling"),
      availabilityFrac: 0,
    },
  };
}

const moduleOf = (module: OwnersArray["module"]): object => ({
  pmpW: module.pmp_w,
  vocV: module.voc_v,
  iscA: module.isc_a,
  vmpV: module.vmp_v,
  impA: module.imp_a,
  gammaPmpPerK: module.gamma_pmp_pct_per_k! / 100,
  betaVocPerK: module.beta_voc_pct_per_k! / 100,
  alphaIscPerK: module.alpha_isc_pct_per_k! / 100,
  noctC: module.noct_c,
  areaM2: module.area_m2,
});

/** What a logger's manual says, tried only where the files are refused without it. */
const MANUALS: readonly Readonly<Record<string, string>>[] = [
  { "production-zone": "site", "production-labels": "start" },
  { "production-zone": "UTC+01:00", "production-labels": "end" },
  { "production-dates": "dmy", "production-unit": "kWh" },
  { "fiscal-years": "end" },
  { "production-unit": "kW" },
];

/** A plant as the ledger reads it: its account by evidence, what was found of causes, and of readings. */
export interface ReadPlant {
  readonly causes: AttributionReport;
  readonly readings: readonly Finding[];
  /** Why the files were not read as they stand; null where they were. */
  readonly asked: string | null;
}

/** Reads a plant of a folder, its own files alone; `work` is a folder for the site document. */
export async function readPlant(folder: string, work: string): Promise<ReadPlant> {
  const facts = JSON.parse(readFileSync(path.join(folder, "site.json"), "utf8")) as OwnersFacts;
  const site = path.join(work, `${path.basename(folder)}.site.json`);
  writeFileSync(site, JSON.stringify(siteOf(facts)));
  const file = (name: string): string | undefined =>
    [name, `${name}.gz`].map((candidate) => path.join(folder, candidate)).find((candidate) => existsSync(candidate));
  const given: Record<string, string> = { site };
  for (const [option, name] of [
    ["weather", "weather.csv"],
    ["production", "production.csv"],
    ["events", "events.csv"],
    ["promise", "statement.csv"],
  ] as const) {
    const found = file(name);
    if (found) given[option] = found;
  }
  let asked: string | null = null;
  for (const manual of [{}, ...MANUALS]) {
    const answers = Object.fromEntries(
      Object.entries(manual).map(([option, value]) => [option, value === "site" ? facts.timezone : value]),
    );
    try {
      const { ledger, causes } = await attributionFromFiles({ ...given, ...answers });
      return { causes, readings: ledger.examination.findings, asked };
    } catch (error) {
      asked ??= error instanceof Error ? error.message : String(error);
    }
  }
  throw new Error(asked ?? "not read");
}
