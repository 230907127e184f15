import { loadDoubtInWords, loadsSchema } from "@/contracts/loads";
import { mixedStringsSchema } from "@/contracts/mixed-string";
import { moduleLibrary } from "@/contracts/module-library";
import type { SiteDocument } from "@/contracts/site";
import { BYPASS_DROP_V, circuitsOf, costPerKwh, mixedYearOnSite, modulePlan, siteWithModule, stringsNow } from "@/core/comparison";
import { cableSections, cheapestSection, mixedReport, siteStringCheck, squaredHours } from "@/core/electrical";
import { loadDoubts, loadReport } from "@/core/loads";
import { pricePerKwh, tariffRises, yearlyKwhWorth } from "@/core/money";
import { arrayNameplateW, nameplateW, type PvArray, partOfSite } from "@/core/site";
import { monthBins } from "@/core/time";
import { albedoGain, hourProfile, monthSums, type PreparedWeather, runPrepared, stormReport, sumOf } from "@/core/yield";
import { say } from "@/wording/cli";
import { type CliOptions, needed } from "./arguments";
import { jsonFile } from "./json-file";
import { printJson, printText, textTable } from "./print";
import { CliRefusal } from "./refuse";
import { withFigures } from "./with-figures";

/** A site, a year of its weather, and the array that is asked of. */
export interface SiteYear {
  readonly site: SiteDocument;
  readonly array: PvArray;
  readonly year: string | null;
  readonly prepared: PreparedWeather;
}

/** `bench mixed-string --strings FILE`: unlike modules on one input, now and over the year. */
export async function mixedBench({ site, year, prepared }: SiteYear, options: CliOptions): Promise<void> {
  const strings = await jsonFile(needed(options.strings, "strings", say.aJsonFileWithTheStrings), mixedStringsSchema);
  const circuits = circuitsOf(site);
  const foreign = strings.flat().find(({ module }) => !circuits.has(module));
  if (foreign) throw new CliRefusal(say.moduleIsNotInTheSite(foreign.module, [...circuits.keys()].join(", ")));
  const { voltageV, currentA, ...report } = mixedReport(stringsNow(strings, circuits), BYPASS_DROP_V);
  const whole = mixedYearOnSite(site, prepared, strings, 1);
  if (options.json) {
    printJson("bench-mixed-string", { year, ...report, curve: [...voltageV].map((volts, k) => [volts, currentA[k]]), yearKwh: whole });
    return;
  }
  printText(say.wOnOneInputOfW(report.togetherW.toFixed(0), report.byModuleW.toFixed(0), report.rule.powerW.toFixed(0)));
  printText(
    textTable(
      ["connected", `${year ?? "cloudless year"}, kWh DC`],
      [
        [say.allOnOneInput, whole?.togetherKwh ?? null],
        [say.everyStringOnItsOwn, whole?.byStringKwh ?? null],
        [say.everyModuleOnItsOwn, whole?.byModuleKwh ?? null],
      ],
    ),
  );
}

/** `bench cable`: an array's strings against their inverter, and sections by cost over life. */
export function cableBench({ site, array, prepared }: SiteYear, options: CliOptions): void {
  const price = pricePerKwh(site);
  const figures = withFigures(options.with, { length: 30, temp: 50, perM: 0.5, perMm2: 0.22, price, years: 25 }, ["price"]);
  const module = site.modules[array.module]!;
  const inverter = site.inverters.find(({ arrays }) => arrays.includes(array.id));
  const fullW = arrayNameplateW(site, array);
  const { axis } = prepared.weather;
  const hours = axis.stepMinutes / 60;
  const { expectedKwh } = runPrepared(partOfSite(site, [array.id]), prepared, monthBins(axis, site.place.timeZone));
  const inSeries = inverter?.perModule ? 1 : (array.modulesPerString ?? array.count);
  if (module.vmpV === null || module.impA === null) throw new CliRefusal(say.moduleHasNoVmpvAndImpa(array.module));
  const choices = cableSections({
    conductor: "copper",
    oneWayLengthM: figures.length!,
    conductorTempC: figures.temp!,
    currentA: module.impA,
    voltageV: module.vmpV * inSeries,
    squaredHours: squaredHours(
      expectedKwh.map((kwh) => (kwh * 1000) / hours),
      hours,
      fullW,
    ),
    lifeValuePerKwhYear: yearlyKwhWorth(figures.price!, tariffRises(site, figures.years!), site.money.running.discountFrac),
    pricePerM: figures.perM!,
    pricePerMm2M: figures.perMm2!,
  });
  const best = cheapestSection(choices);
  const check = inverter ? siteStringCheck(site, array, inverter) : null;
  if (options.json) {
    printJson("bench-cable", { array: array.id, check, sections: choices, cheapestMm2: best?.areaMm2 ?? null });
    return;
  }
  printText(say.mm2CostsLeastOverYears(best?.areaMm2, figures.years));
  printText(
    textTable(
      ["mm2", "drop, V", "drop, %", say.kwhLostAYear, say.overItsLife],
      choices.map((each) => [
        String(each.areaMm2),
        each.dropV.toFixed(2),
        (each.dropFrac * 100).toFixed(2),
        each.lossKwhPerYear.toFixed(1),
        each.lifeCost.toFixed(0),
      ]),
    ),
  );
}

/** `bench modules`: two to five modules for the first array's power. */
export function modulesBench({ site, array, year, prepared }: SiteYear, options: CliOptions): void {
  const all = { ...Object.fromEntries(moduleLibrary.map(({ name, fields }) => [name, fields])), ...site.modules };
  const names =
    options.modules?.split(",").map((name) => name.trim()) ?? [array.module, ...moduleLibrary.map(({ name }) => name)].slice(0, 3);
  const unknown = names.find((name) => !(name in all));
  if (unknown !== undefined) throw new CliRefusal(`--modules ${unknown}: choose among ${Object.keys(all).join(", ")}.`);
  if (names.length < 2 || names.length > 5) throw new CliRefusal(say.modulesTwoToFiveAreCompared(names.length));
  const figures = withFigures(options.with, { perW: 0.24, electronics: 0, racking: 35, fixed: 2500 }, []);
  const kwp = arrayNameplateW(site, array) / 1000;
  const rows = names.map((name) => {
    const module = all[name]!;
    const prices = {
      perModule: module.pmpW * figures.perW!,
      electronicsPerModule: figures.electronics!,
      rackingPerM2: figures.racking!,
      fixed: figures.fixed!,
    };
    const plan = modulePlan(name, module, { kind: "power", kwp }, prices);
    const yearKwh = sumOf(monthSums(siteWithModule(site, array, name, module, plan.count), prepared).expectedKwh);
    const { discountFrac, horizonYears } = site.money.running;
    return {
      ...plan,
      yearKwh,
      costPerKwh: costPerKwh(plan.cost, yearKwh, Math.round(horizonYears), site.ageing, discountFrac),
    };
  });
  if (options.json) {
    printJson("bench-modules", { year, modules: rows });
    return;
  }
  printText(
    textTable(
      ["module", "count", "kWp", "m2", `${year ?? "cloudless year"} kWh`, `a kWh, ${site.currency}`],
      rows.map((row) => [row.name, row.count, row.kwp.toFixed(2), row.areaM2?.toFixed(1) ?? "-", row.yearKwh, row.costPerKwh.toFixed(4)]),
    ),
  );
}

/** `bench snow`: storms and what clearing them would have brought; what snow on the ground gives back. */
export function snowBench({ site, array, year, prepared }: SiteYear, options: CliOptions): void {
  const storms = stormReport(site, array, prepared);
  if (!storms) throw new CliRefusal(say.thereIsNoSnowDepthCm(options.weather ?? "This weather"));
  const albedo = albedoGain(site, array, prepared, [array.tiltDeg, 60, 90], null);
  if (options.json) {
    printJson("bench-snow", { year, storms, albedo });
    return;
  }
  printText(
    textTable(
      ["fell (UTC)", "cm", "C", "days", "lost kWh", "clearing brings"],
      storms.map((each) => [
        new Date(each.fromUtcMs).toISOString().slice(0, 10),
        each.depthCm.toFixed(0),
        each.fallTempC.toFixed(1),
        (each.lyingHours / 24).toFixed(1),
        each.lostKwh.toFixed(1),
        each.clearingKwh.toFixed(1),
      ]),
    ),
  );
}

/** `bench loads --loads FILE`: daily use against what the array makes. */
export async function loadsBench({ site, year, prepared }: SiteYear, options: CliOptions): Promise<void> {
  const file = needed(options.loads, "loads", say.aJsonFileWithAppliancesAnd);
  const { appliances, battery } = await jsonFile(file, loadsSchema);
  const doubts = loadDoubts(appliances, battery);
  const report = loadReport({ appliances, battery, madeKwByHour: hourProfile(site, prepared), arrayW: nameplateW(site) });
  if (options.json) {
    printJson("bench-loads", { year, doubts, ...report });
    return;
  }
  for (const doubt of doubts) printText(loadDoubtInWords(doubt));
  printText(say.theBatteryCarriesDaysOfThe(report.autonomyDays.toFixed(1), report.worst.month));
  printText(
    textTable(
      ["month", say.usedKwhADay, say.madeKwhADay, "covers, %"],
      report.months.map((month) => [
        String(month.month),
        month.useKwhPerDay.toFixed(1),
        month.madeKwhPerDay.toFixed(1),
        Number.isFinite(month.coverFrac) ? (month.coverFrac * 100).toFixed(0) : "all",
      ]),
    ),
  );
}
