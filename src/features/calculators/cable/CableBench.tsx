"use client";

import { NativeSelect, NumberInput } from "@mantine/core";
import { type Dispatch, type SetStateAction, useState } from "react";
import type { SiteDocument } from "@/contracts/site";
import { type CableRun, type Conductor, cableSections, cheapestSection, SECTIONS_MM2, stringCheck } from "@/core/electrical";
import { pricePerKwh, yearlyKwhWorth } from "@/core/money";
import { arrayNameplateW, type Inverter, type PvArray, partOfSite } from "@/core/site";
import { noteEntry } from "@/features/field-book/note-entry";
import { WriteDown } from "@/features/field-book/WriteDown";
import { Cells } from "@/features/kit/figures/Cells";
import chapter from "@/features/kit/look/Chapter.module.css";
import { RuledTable } from "@/features/kit/table/RuledTable";
import { number, percent } from "@/wording/format";
import { say } from "@/wording/screens/calculators-cable";
import { limitWorking } from "@/wording/workings/site-workings";
import { ArrayField } from "../ArrayField";
import styles from "../Bench.module.css";
import type { BenchProps } from "../bench-views";
import { useBenchAnswer, useBenchEngine } from "../use-bench-engine";
import { CrossSectionsTable, LowVoltages, type SectionFacts } from "./SectionTables";

/** Without a year of weather: hours at full power that heat as much as a middling year, of 1,000 full-load hours. */
const USUAL_SQUARED_HOURS = 620;
const numberOf = (value: number | string, fallback: number): number => (typeof value === "number" ? value : fallback);

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
        <div>
          <RunFields
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
          />
          {inverter ? (
            <LimitTable site={site} array={array} inverter={inverter} />
          ) : (
            <p className={chapter.soft}>{say.thisArrayHangsOnNoInverter}</p>
          )}
          <WriteDown slug={slug} entry={() => noteEntry(nowUtcMs, `Cable: ${sentence}`)} />
        </div>
        <div>
          <CrossSectionsTable site={site} choices={choices} best={best} facts={facts} />
          <LowVoltages run={run} best={best} facts={facts} />
          <p className={chapter.caution}>{say.ampacityFusesFromThreeStringsSide}</p>
        </div>
      </div>
    </>
  );
}

interface RunFieldsProps {
  readonly site: BenchProps["site"];
  readonly array: SiteDocument["arrays"][number];
  readonly setArrayId: Dispatch<SetStateAction<string>>;
  readonly conductor: "copper" | "aluminium";
  readonly setConductor: Dispatch<SetStateAction<"copper" | "aluminium">>;
  readonly lengthM: string | number;
  readonly setLength: Dispatch<SetStateAction<string | number>>;
  readonly tempC: string | number;
  readonly setTemp: Dispatch<SetStateAction<string | number>>;
  readonly perM: string | number;
  readonly setPerM: Dispatch<SetStateAction<string | number>>;
  readonly perMm2: string | number;
  readonly setPerMm2: Dispatch<SetStateAction<string | number>>;
  readonly years: string | number;
  readonly setYears: Dispatch<SetStateAction<string | number>>;
}

/** The run of cable, and what a conductor costs. */
function RunFields({
  site,
  array,
  setArrayId,
  conductor,
  setConductor,
  lengthM,
  setLength,
  tempC,
  setTemp,
  perM,
  setPerM,
  perMm2,
  setPerMm2,
  years,
  setYears,
}: RunFieldsProps) {
  return (
    <div className={styles.inputs}>
      <ArrayField site={site} value={array.id} onChange={setArrayId} />
      <NativeSelect
        label="Conductor"
        data={["copper", "aluminium"]}
        value={conductor}
        onChange={(event) => setConductor(event.currentTarget.value as Conductor)}
      />
      <NumberInput label={say.lengthOneWayM} hideControls min={0.5} value={lengthM} onChange={setLength} />
      <NumberInput label="Conductor at, °C" hideControls min={-40} max={120} value={tempC} onChange={setTemp} />
      <NumberInput label={`A metre, ${site.currency}`} hideControls min={0} value={perM} onChange={setPerM} />
      <NumberInput label={say.andAMmOfIt(site.currency)} hideControls min={0} value={perMm2} onChange={setPerMm2} />
      <NumberInput label="Years" hideControls min={1} max={60} value={years} onChange={setYears} />
    </div>
  );
}

interface CheckProps {
  readonly site: BenchProps["site"];
  readonly array: PvArray;
  readonly inverter: Inverter;
}

function StringWords({ site, array, inverter }: CheckProps) {
  const check = stringCheck(site.place, array, site.modules[array.module]!, inverter);
  const broken = [check.coldVoc, check.hotVmp, check.coldVmp, check.current].filter(({ holds }) => holds === false).length;
  if (broken === 0) return say.inSeriesKeepWithinTheInverters(check.modulesInSeries);
  return <span className={chapter.clay}>{say.inSeriesBreakOfTheInverters(check.modulesInSeries, broken)}</span>;
}

function LimitTable({ site, array, inverter }: CheckProps) {
  const check = stringCheck(site.place, array, site.modules[array.module]!, inverter);
  const nameplateW = arrayNameplateW(site, array);
  const ratedW = inverter.acRatedW * (inverter.perModule ? array.count : 1);
  const checked = { arrayId: array.id, name: array.name || array.id, inverter, check };
  const rows = [
    [say.openCircuitAtC(number(check.recordLowC)), "coldVoc", "V", "at most"],
    [say.workingInTheHeatCellsC(number(check.hotCellC)), "hotVmp", "V", "at least"],
    [`working at ${number(check.recordLowC)} °C`, "coldVmp", "V", "at most"],
    [say.shortCircuit125AnInput, "current", "A", "at most"],
  ] as const;
  return (
    <>
      <RuledTable className={chapter.table}>
        <thead>
          <tr>
            <th scope="col">{say.stringsOfOfThem(check.modulesInSeries, check.strings)}</th>
            <th scope="col">value</th>
            <th scope="col">limit</th>
          </tr>
        </thead>
        <tbody>
          {rows.map(([name, key, unit, bound]) => {
            const { value, limit, holds } = check[key];
            return (
              <tr key={key}>
                <td>{name}</td>
                <Cells working={() => limitWorking(site, checked, key, name, unit)} className={holds === false ? chapter.clay : undefined}>
                  {[
                    value === null ? "not known" : `${number(value, unit === "A" ? 1 : 0)} ${unit}`,
                    limit === null ? say.notInTheBook : `${bound} ${number(limit)} ${unit}`,
                  ]}
                </Cells>
              </tr>
            );
          })}
        </tbody>
      </RuledTable>
      <p className={chapter.soft}>
        {check.range ? say.toModulesMayStandInA(check.range.least, check.range.most) : ""}
        {say.dcToAc(number(nameplateW / ratedW, 2))}
        {check.assumed && say.recordTemperaturesAreUsualOnesEnter}
      </p>
    </>
  );
}
