"use client";

import { useState } from "react";
import { type CableRun, type Conductor, cableSections, cheapestSection, SECTIONS_MM2 } from "@/core/electrical";
import { pricePerKwh, yearlyKwhWorth } from "@/core/money";
import { arrayNameplateW, partOfSite } from "@/core/site";
import chapter from "@/features/kit/look/Chapter.module.css";
import { number, percent } from "@/wording/format";
import { say } from "@/wording/screens/calculators-cable";
import styles from "../Bench.module.css";
import type { BenchProps } from "../bench-views";
import { useBenchAnswer, useBenchEngine } from "../use-bench-engine";
import { CableInputs, numberOf, StringWords } from "./CableFields";
import { CrossSectionsTable, LowVoltages, type SectionFacts } from "./SectionTables";

/** Without a year of weather: hours at full power that heat as much as a middling year, of 1,000 full-load hours. */
const USUAL_SQUARED_HOURS = 620;

/** Strings against their inverter, and the cable between: drop, loss a year, and the section that costs least over its life. */
export function CableBench({ slug, site, year, nowUtcMs }: BenchProps) {
  const [arrayId, setArrayId] = useState(site.arrays[0]!.id);
  const array = site.arrays.find(({ id }) => id === arrayId) ?? site.arrays[0]!;
  const inverter = site.inverters.find(({ arrays }) => arrays.includes(array.id));
  const module = site.modules[array.module]!;
  const inSeries = inverter?.perModule ? 1 : (array.modulesPerString ?? array.count);
  const vmp = (module.vmpV ?? 35) * inSeries;
  const imp = module.impA ?? module.pmpW / (module.vmpV ?? 35);
  const [conductor, setConductor] = useState<Conductor>("copper");
  const [lengthM, setLength] = useState<number | string>(30);
  const [tempC, setTemp] = useState<number | string>(50);
  const [perM, setPerM] = useState<number | string>(0.5);
  const [perMm2, setPerMm2] = useState<number | string>(0.22);
  const [years, setYears] = useState<number | string>(25);
  const { engine } = useBenchEngine(slug, site, year);
  const own = partOfSite(site, [array.id]);
  const fullW = arrayNameplateW(site, array);
  const squared = useBenchAnswer(engine, { own, fullW }, (remote, asked) => remote.squared(asked.own, asked.fullW)) ?? USUAL_SQUARED_HOURS;
  const { running, tariff } = site.money;
  const price = pricePerKwh(site) ?? 0.15;
  const worth = yearlyKwhWorth(price, tariff.priceRisePerYearFrac, running.discountFrac, numberOf(years, 25));
  const run: CableRun = {
    conductor,
    oneWayLengthM: numberOf(lengthM, 30),
    conductorTempC: numberOf(tempC, 50),
    currentA: imp,
    voltageV: vmp,
    squaredHours: squared,
    lifeValuePerKwhYear: worth,
    pricePerM: numberOf(perM, 0),
    pricePerMm2M: numberOf(perMm2, 0),
  };
  const choices = cableSections(run, SECTIONS_MM2.slice(0, 8));
  const best = cheapestSection(choices);
  const facts: SectionFacts = {
    lengthM: run.oneWayLengthM,
    currentA: imp,
    voltageV: vmp,
    squaredHours: squared,
    worth,
    currency: site.currency,
  };
  const sentence = best
    ? say.mmCostsLeastOverYearsDrop(
        best.areaMm2,
        numberOf(years, 25),
        percent(best.dropFrac, 2),
        number(best.lossKwhPerYear, 1),
        number(run.oneWayLengthM),
      )
    : "";
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
          lengthM={lengthM}
          setLength={setLength}
          tempC={tempC}
          setTemp={setTemp}
          perM={perM}
          setPerM={setPerM}
          perMm2={perMm2}
          setPerMm2={setPerMm2}
          years={years}
          setYears={setYears}
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
