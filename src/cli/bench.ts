import type { SiteDocument } from "@/contracts/site";
import { packWeather, unpackWeather } from "@/contracts/weather-wire";
import { magneticDeclination, rowSpacing, trueOfMagneticDeg, winterSolsticeDeg } from "@/core/geometry";
import { arrayLayout, type PvArray } from "@/core/site";
import { planTilts, TILT_GOALS } from "@/core/tilt";
import { zoneOffset } from "@/core/time";
import { HOUR_MS } from "@/core/units";
import { clearSkyWeather, hoursOfYear } from "@/core/weather";
import { type PreparedWeather, prepareWeather, shadeReport, sumOf } from "@/core/yield";
import { yearsOf, yearWeather } from "@/usecases/ledger";
import { say } from "@/wording/cli";
import { type CliOptions, needed, oneOf } from "./arguments";
import { changeBench, inverterBench, spotBench, trialBench } from "./bench-field";
import { caseBench, loanBench } from "./bench-money";
import { cableBench, loadsBench, mixedBench, modulesBench, type SiteYear, snowBench } from "./bench-site";
import { printJson, printNotices, printText, textTable } from "./print";
import { ledgerFromFiles, readSiteFile } from "./read-files";
import { CliRefusal } from "./refuse";

const CLOUDLESS_YEAR = 2025;

/** Every bench by its name. */
export const BENCHES = {
  tilt: tiltBench,
  shade: shadeBench,
  rows: rowsBench,
  compass: compassBench,
  case: async (options: CliOptions) => {
    const site = await readSiteFile(options);
    await caseBench(site, await yearOf(site, options), options);
  },
  loan: async (options: CliOptions) => loanBench(await readSiteFile(options), options),
  "spot-check": async (options: CliOptions) => spotBench(await readSiteFile(options), options),
  "inverter-reading": async (options: CliOptions) => inverterBench(await readSiteFile(options), options),
  "mixed-string": async (options: CliOptions) => mixedBench(await siteYear(options), options),
  cable: async (options: CliOptions) => cableBench(await siteYear(options), options),
  modules: async (options: CliOptions) => modulesBench(await siteYear(options), options),
  snow: async (options: CliOptions) => snowBench(await siteYear(options), options),
  loads: async (options: CliOptions) => loadsBench(await siteYear(options), options),
  trial: trialBench,
  change: changeBench,
} as const;

/** `bench NAME`: the calculators of the bench and of the site chapter, as the screens have them. */
export async function benchCommand(options: CliOptions, name: string | undefined): Promise<void> {
  const bench = BENCHES[name as keyof typeof BENCHES];
  if (!bench) throw new CliRefusal(say.benchChooseOneOf(name ?? "", Object.keys(BENCHES).join(", ")));
  await bench(options);
}

/** The last whole year of a weather file, or a cloudless year where none is given. */
async function yearOf(site: SiteDocument, options: CliOptions): Promise<{ year: string | null; prepared: PreparedWeather }> {
  if (options.weather === undefined) {
    const offsetHours = Math.round(zoneOffset(site.place.timeZone)(Date.UTC(CLOUDLESS_YEAR, 0, 1)) / HOUR_MS);
    return { year: null, prepared: prepareWeather(site.place, clearSkyWeather(hoursOfYear(CLOUDLESS_YEAR, offsetHours), site.place)) };
  }
  const { from: _from, to: _to, production: _production, ...files } = options;
  const ledger = await ledgerFromFiles(files);
  printNotices(ledger.notices);
  const year = yearsOf(ledger).at(-1) ?? null;
  if (year === null) throw new CliRefusal(say.noMonthOfWeatherWasFound(options.weather));
  const { prepared, from, to } = yearWeather(site.place, ledger, Number(year));
  return { year, prepared: prepareWeather(site.place, unpackWeather(packWeather(prepared.weather, from, to).buffer)) };
}

async function siteYear(options: CliOptions): Promise<SiteYear> {
  const site = await readSiteFile(options);
  return { site, array: arrayOf(site, options), ...(await yearOf(site, options)) };
}

function arrayOf(site: SiteDocument, options: CliOptions): PvArray {
  const id = oneOf(
    options.array,
    site.arrays.map((array) => array.id),
    site.arrays[0]!.id,
    "array",
  );
  return site.arrays.find((array) => array.id === id)!;
}

async function tiltBench(options: CliOptions): Promise<void> {
  const site = await readSiteFile(options);
  const goal = oneOf(options.goal, TILT_GOALS, "energy", "goal");
  const { year, prepared } = await yearOf(site, options);
  const report = await planTilts(site, prepared, { arrayId: arrayOf(site, options).id, goal, priceByMonth: null });
  if (options.json) return printJson("bench-tilt", { year, ...report });
  const rows = report!.plans.map((plan) => [
    `${plan.positions || ""} ${plan.method}`.trim(),
    plan.steps.length > 4 ? `${plan.steps.length} tilts` : plan.steps.map((step) => `${step.from} ${step.tiltDeg.toFixed(1)}`).join(", "),
    plan.yearKwh,
    plan.winterKwh,
    plan.leastKwhPerDay.toFixed(1),
  ]);
  printText(textTable(["plan", "tilts", `${year ?? "cloudless year"} kWh`, say.winterHalfKwh, "least month kWh/day"], rows));
}

async function shadeBench(options: CliOptions): Promise<void> {
  const site = await readSiteFile(options);
  const { year, prepared } = await yearOf(site, options);
  const report = shadeReport(site, prepared);
  if (options.json) return printJson("bench-shade", { year, ...report });
  const lost = sumOf(report.openKwh) - sumOf(report.expectedKwh);
  printText(say.shadeTakesKwhOfAtThe(year ?? say.aCloudlessYear2, lost.toFixed(0), sumOf(report.openKwh).toFixed(0)));
  printText(
    textTable(
      ["without", say.kwhBackAYear],
      report.costs.map(({ id, monthsKwh }) => [id, sumOf(monthsKwh)]),
    ),
  );
  printText(
    textTable(
      ["rule", "kWh lost"],
      report.byRule.map(({ rule, lostKwh }) => [rule, lostKwh]),
    ),
  );
}

async function rowsBench(options: CliOptions): Promise<void> {
  const site = await readSiteFile(options);
  const array = arrayOf(site, options);
  const { latitudeDeg } = site.place;
  const spacing = rowSpacing({
    latitudeDeg,
    tiltDeg: array.tiltDeg,
    surfaceAzimuthDeg: array.azimuthDeg,
    slantLengthM: arrayLayout(site, array).slantM,
    declinationDeg: winterSolsticeDeg(latitudeDeg),
    windowStartH: Number(options.from ?? 10),
    windowEndH: Number(options.to ?? 14),
  });
  if (options.json) return printJson("bench-rows", { ...spacing });
  printText(spacing ? say.gapMARowEveryM(spacing.gapM.toFixed(2), spacing.pitchM.toFixed(2)) : say.theSunIsNotUpThrough);
}

async function compassBench(options: CliOptions): Promise<void> {
  const site = await readSiteFile(options);
  const magneticDeg = Number(needed(options.reading, "reading", say.whatTheCompassShowsInDegrees));
  if (Number.isNaN(magneticDeg)) throw new CliRefusal(say.readingExpectedDegreesFrom0To(options.reading));
  const utcMs = options.date === undefined ? Date.now() : Date.parse(`${options.date}T12:00:00Z`);
  if (Number.isNaN(utcMs)) throw new CliRefusal(say.dateWriteADateAs2026(options.date));
  const declination = magneticDeclination(site.place, utcMs);
  const trueDeg = trueOfMagneticDeg(magneticDeg, declination.declinationDeg);
  if (options.json) return printJson("bench-compass", { magneticDeg, trueDeg, ...declination });
  printText(
    say.magneticIsTrueDeclination(magneticDeg.toFixed(1), trueDeg.toFixed(1), declination.declinationDeg.toFixed(1), declination.model),
  );
}
