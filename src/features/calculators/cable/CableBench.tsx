"use client";

import { useState } from "react";
import type { SiteDocument } from "@/contracts/site";
import { type CableRun, type Conductor, cableSections, cheapestSection, SECTIONS_MM2, type SectionChoice } from "@/core/electrical";
import { pricePerKwh, tariffRises, yearlyKwhWorth } from "@/core/money";
import { arrayNameplateW, type Inverter, type PvArray, partOfSite } from "@/core/site";
import chapter from "@/features/kit/look/Chapter.module.css";
import { measure, number, percent } from "@/wording/format";
import { say } from "@/wording/screens/calculators-cable";
import styles from "../Bench.module.css";
import type { BenchProps } from "../bench-views";
import { useBenchAnswer, useBenchEngine } from "../use-bench-engine";
import { useNumberFields } from "../use-number-fields";
import { CableInputs, StringWords } from "./CableFields";
import { CrossSectionsTable, LowVoltages, type SectionFacts } from "./SectionTables";

/** Working voltage of a module of 60 cells, V. */
const USUAL_VMP_V = 35;
/** Without a year of weather: hours at full power that heat as much as a middling year, of 1,000 full-load hours. */
const USUAL_SQUARED_HOURS = 620;

/** Current and voltage of a string of this array in full light; a usual voltage stands in for a module whose sheet was not entered. */
function workingPoint(site: SiteDocument, array: PvArray, inverter: Inverter | undefined) {
  const module = site.modules[array.module]!;
  const inSeries = inverter?.perModule ? 1 : (array.modulesPerString ?? array.count);
  const vmpV = module.vmpV ?? USUAL_VMP_V;
  return { currentA: module.impA ?? module.pmpW / vmpV, voltageV: vmpV * inSeries };
}

const bestInWords = (best: SectionChoice, years: number, lengthM: number): string =>
  say.mmCostsLeastOverYearsDrop(best.areaMm2, years, percent(best.dropFrac, 2), number(best.lossKwhPerYear, 1), measure(lengthM, "m"));

/** Strings against their inverter, and the cable between: drop, loss a year, and the section that costs least over its life. */
export function CableBench({ slug, site, year, nowUtcMs }: BenchProps) {
  const [arrayId, setArrayId] = useState(site.arrays[0]!.id);
  const array = site.arrays.find(({ id }) => id === arrayId) ?? site.arrays[0]!;
  const inverter = site.inverters.find(({ arrays }) => arrays.includes(array.id));
  const works = workingPoint(site, array, inverter);
  const [conductor, setConductor] = useState<Conductor>("copper");
  const fields = useNumberFields({ lengthM: 30, tempC: 50, perM: 0.5, perMm2: 0.22, years: 25 });
  const years = fields.numberOf("years", 25);
  const { engine } = useBenchEngine(slug, site, year);
  const own = partOfSite(site, [array.id]);
  const fullW = arrayNameplateW(site, array);
  const squared = useBenchAnswer(engine, { own, fullW }, (remote, asked) => remote.squared(asked.own, asked.fullW)) ?? USUAL_SQUARED_HOURS;
  const { running } = site.money;
  const price = pricePerKwh(site) ?? 0.15;
  const worth = yearlyKwhWorth(price, tariffRises(site, years), running.discountFrac);
  const run: CableRun = {
    conductor,
    oneWayLengthM: fields.numberOf("lengthM", 30),
    conductorTempC: fields.numberOf("tempC", 50),
    ...works,
    squaredHours: squared,
    lifeValuePerKwhYear: worth,
    pricePerM: fields.numberOf("perM", 0),
    pricePerMm2M: fields.numberOf("perMm2", 0),
  };
  const choices = cableSections(run, SECTIONS_MM2.slice(0, 8));
  const best = cheapestSection(choices);
  const facts: SectionFacts = {
    lengthM: run.oneWayLengthM,
    ...works,
    squaredHours: squared,
    worth,
    currency: site.currency,
  };
  const sentence = best ? bestInWords(best, years, run.oneWayLengthM) : "";
  return (
    <>
      <p className={chapter.verdict} data-testid="cable-sentence">
        {inverter && <StringWords site={site} array={array} inverter={inverter} />} {sentence}
      </p>
      <div className={styles.rowsGrid}>
        <CableInputs
          site={site}
          array={array}
          setArrayId={setArrayId}
          conductor={conductor}
          setConductor={setConductor}
          fields={fields}
          inverter={inverter}
          slug={slug}
          nowUtcMs={nowUtcMs}
          sentence={sentence}
        />
        <div>
          <CrossSectionsTable site={site} choices={choices} best={best} facts={facts} />
          <LowVoltages run={run} best={best} facts={facts} />
          <p className={chapter.caution}>{say.ampacityFusesFromThreeStringsSide}</p>
        </div>
      </div>
    </>
  );
}
