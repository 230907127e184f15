"use client";

import { useState } from "react";
import { type CableRun, type Conductor, cableSections, cheapestSection, SECTIONS_MM2, type SectionChoice } from "@/core/electrical";
import { pricePerKwh, tariffRises, yearlyKwhWorth } from "@/core/money";
import { arrayNameplateW, partOfSite } from "@/core/site";
import chapter from "@/features/kit/look/Chapter.module.css";
import { measure, number, percent, sectionName } from "@/wording/format";
import { say } from "@/wording/screens/calculators-cable";
import styles from "../Bench.module.css";
import type { BenchProps } from "../bench-views";
import { useBenchAnswer, useBenchEngine } from "../use-bench-engine";
import { useNumberFields } from "../use-number-fields";
import { CableInputs, StringWords } from "./CableFields";
import { CrossSectionsTable, LowVoltages, MUCH_DROP_FRAC, type SectionFacts } from "./SectionTables";
import { type Scope, workingPoint } from "./working-point";

/** Until the year is gone through: hours at full power that heat as much as a middling year, of 1,000 full-load hours. */
const USUAL_SQUARED_HOURS = 620;
/** What a kilowatt-hour is taken to be worth where no price is known. */
const USUAL_PRICE = 0.15;

/** What a section costs in drop and energy, and whether another would cost less over its life. */
function sectionWords(own: SectionChoice | null, best: SectionChoice | null, years: number, run: string, scope: Scope): string {
  const parts = (choice: SectionChoice) =>
    [percent(choice.dropFrac, 2), number(choice.lossKwhPerYear, choice.lossKwhPerYear < 100 ? 1 : 0)] as const;
  const words: string[] = [];
  if (own) {
    const [drop, kwh] = parts(own);
    words.push(own.dropFrac > 1 ? say.cantCarry(sectionName(own.areaMm2), run) : say.yourSection(sectionName(own.areaMm2), drop, kwh, run));
  }
  if (best && !(own && Math.abs(own.areaMm2 - best.areaMm2) < 0.01)) {
    const [drop, kwh] = parts(best);
    words.push(
      say.mmCostsLeastOverYearsDrop(
        sectionName(best.areaMm2),
        years,
        drop,
        kwh,
        scope === "array" ? say.theArraysRun(run) : say.eachStringsRun(run),
      ),
    );
  }
  if (best && best.dropFrac > MUCH_DROP_FRAC) words.push(say.higherVoltageMends);
  if (own && best && own.lifeCost > best.lifeCost && own.areaMm2 < best.areaMm2)
    words.push(say.saysMore(number(own.lossKwhPerYear - best.lossKwhPerYear)));
  return words.join(" ");
}

/** Strings against their inverter, and the cable between: drop, loss a year, the section that is there or is thought of, and the one that costs least over its life. */
export function CableBench({ slug, site, sun, nowUtcMs }: BenchProps) {
  const [arrayId, setArrayId] = useState(site.arrays[0]!.id);
  const array = site.arrays.find(({ id }) => id === arrayId) ?? site.arrays[0]!;
  const inverter = site.inverters.find(({ arrays }) => arrays.includes(array.id));
  const [scope, setScope] = useState<Scope>("string");
  const [conductor, setConductor] = useState<Conductor>("copper");
  const fields = useNumberFields({ lengthM: 30, ownMm2: "", ownV: "", tempC: 50, perM: 0.5, perMm2: 0.22, years: 25 });
  const [ownMm2, ownV] = [positive(fields.typed.ownMm2), positive(fields.typed.ownV)];
  const works = workingPoint(site, array, scope, ownV);
  const years = fields.numberOf("years", 25);
  const { engine } = useBenchEngine(slug, site, sun);
  const own = partOfSite(site, [array.id]);
  const fullW = arrayNameplateW(site, array);
  const squared = useBenchAnswer(engine, { own, fullW }, (remote, asked) => remote.squared(asked.own, asked.fullW)) ?? USUAL_SQUARED_HOURS;
  const price = pricePerKwh(site) ?? USUAL_PRICE;
  const worth = yearlyKwhWorth(price, tariffRises(site, years), site.money.running.discountFrac);
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
  const choices = cableSections(run, SECTIONS_MM2);
  const best = cheapestSection(choices);
  const mine = ownMm2 === null ? null : (cableSections(run, [ownMm2])[0] ?? null);
  const shown = choices
    .filter((choice, k) => k < SHOWN || choice === best)
    .concat(mine ?? [])
    .sort((a, b) => a.areaMm2 - b.areaMm2);
  const facts: SectionFacts = { lengthM: run.oneWayLengthM, ...works, squaredHours: squared, worth, currency: site.currency, sun };
  const sentence = sectionWords(mine, best, years, measure(run.oneWayLengthM, "m"), scope);
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
          scope={scope}
          setScope={setScope}
          conductor={conductor}
          setConductor={setConductor}
          fields={fields}
          inverter={inverter}
          slug={slug}
          nowUtcMs={nowUtcMs}
          sentence={sentence}
        />
        <div>
          <CrossSectionsTable site={site} choices={shown} best={best} own={mine} facts={facts} />
          {pricePerKwh(site) === null && <p className={chapter.soft}>{say.noPriceKnown(number(USUAL_PRICE, 2), site.currency)}</p>}
          <LowVoltages run={run} section={mine ?? best} facts={facts} />
          <p className={chapter.caution}>{say.ampacityFusesFromThreeStringsSide}</p>
        </div>
      </div>
    </>
  );
}

/** Standard sections that a table shows. */
const SHOWN = 9;
const positive = (value: number | string): number | null => (typeof value === "number" && value > 0 ? value : null);
