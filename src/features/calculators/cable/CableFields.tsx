"use client";

import { NativeSelect } from "@mantine/core";
import type { Dispatch, SetStateAction } from "react";
import type { SiteDocument } from "@/contracts/site";
import { type Conductor, LIMIT_KEYS, siteStringCheck } from "@/core/electrical";
import { arrayNameplateW, type Inverter, type PvArray } from "@/core/site";
import { NumberField } from "@/features/kit/fields/NumberField";
import { Cells } from "@/features/kit/figures/Cells";
import chapter from "@/features/kit/look/Chapter.module.css";
import { RuledTable } from "@/features/kit/table/RuledTable";
import { measure, number, percent } from "@/wording/format";
import { say } from "@/wording/screens/calculators-cable";
import { limitWorking } from "@/wording/workings/site-workings";
import { ArrayField } from "../ArrayField";
import styles from "../Bench.module.css";
import { BenchNote } from "../BenchNote";
import type { BenchProps } from "../bench-views";
import type { NumberFields } from "../use-number-fields";
import type { Scope } from "./working-point";

interface CableInputsProps extends RunFieldsProps {
  readonly inverter: SiteDocument["inverters"][number] | undefined;
  readonly slug: string | null;
  readonly nowUtcMs: number;
  readonly sentence: string;
}

/** What is asked for on the left of the page: the run, the string against its inverter, and the way into the field book. */
export function CableInputs({ inverter, slug, nowUtcMs, sentence, ...run }: CableInputsProps) {
  return (
    <div>
      <RunFields {...run} />
      {inverter ? (
        <LimitTable site={run.site} array={run.array} inverter={inverter} />
      ) : (
        <p className={chapter.soft}>{say.thisArrayHangsOnNoInverter}</p>
      )}
      <BenchNote slug={slug} nowUtcMs={nowUtcMs} words={sentence && `Cable: ${sentence}`} />
    </div>
  );
}

interface RunFieldsProps {
  readonly site: BenchProps["site"];
  readonly array: SiteDocument["arrays"][number];
  readonly setArrayId: Dispatch<SetStateAction<string>>;
  readonly scope: Scope;
  readonly setScope: Dispatch<SetStateAction<Scope>>;
  readonly conductor: "copper" | "aluminium";
  readonly setConductor: Dispatch<SetStateAction<"copper" | "aluminium">>;
  readonly fields: NumberFields<"lengthM" | "ownMm2" | "ownV" | "tempC" | "perM" | "perMm2" | "years">;
}

/** The run of cable, and what a conductor costs. */
function RunFields({ site, array, setArrayId, scope, setScope, conductor, setConductor, fields: { typed, into } }: RunFieldsProps) {
  return (
    <div className={styles.inputs}>
      <ArrayField site={site} value={array.id} onChange={setArrayId} />
      <NativeSelect
        label={say.whatItCarries}
        data={[
          { value: "string", label: say.oneString },
          { value: "array", label: say.theWholeArray },
        ]}
        value={scope}
        onChange={({ currentTarget }) => setScope(currentTarget.value as Scope)}
      />
      <NativeSelect
        label="Conductor"
        data={["copper", "aluminium"]}
        value={conductor}
        onChange={(event) => setConductor(event.currentTarget.value as Conductor)}
      />
      <NumberField label={say.lengthOneWayM} min={0.5} value={typed.lengthM} onChange={into("lengthM")} />
      <NumberField
        label={say.yourSectionMm2}
        unit="mm²"
        min={0}
        placeholder={say.theCheapest}
        value={typed.ownMm2}
        onChange={into("ownMm2")}
      />
      <NumberField label={say.yourVoltage} unit="V" min={1} placeholder={say.asTheStringsWork} value={typed.ownV} onChange={into("ownV")} />
      <NumberField label="Conductor at" unit="°C" min={-40} max={120} value={typed.tempC} onChange={into("tempC")} />
      <NumberField label="A metre" unit={site.currency} min={0} value={typed.perM} onChange={into("perM")} />
      <NumberField label={say.andAMmOfIt(site.currency)} min={0} value={typed.perMm2} onChange={into("perMm2")} />
      <NumberField label="Years" min={1} max={60} value={typed.years} onChange={into("years")} />
    </div>
  );
}

interface CheckProps {
  readonly site: BenchProps["site"];
  readonly array: PvArray;
  readonly inverter: Inverter;
}

export function StringWords({ site, array, inverter }: CheckProps) {
  const check = siteStringCheck(site, array, inverter);
  const held = LIMIT_KEYS.map((key) => check[key].holds);
  const broken = held.filter((holds) => holds === false).length;
  const unknown = held.filter((holds) => holds === null).length;
  if (broken === 0 && unknown > 0) return say.inSeriesNotKnown(check.modulesInSeries, held.length - unknown, unknown);
  if (broken === 0) return say.inSeriesKeepWithinTheInverters(check.modulesInSeries);
  return <span className={chapter.clay}>{say.inSeriesBreakOfTheInverters(check.modulesInSeries, broken)}</span>;
}

function LimitTable({ site, array, inverter }: CheckProps) {
  const check = siteStringCheck(site, array, inverter);
  const nameplateW = arrayNameplateW(site, array);
  const ratedW = inverter.acRatedW * (inverter.perModule ? array.count : 1);
  const checked = { arrayId: array.id, name: array.name || array.id, inverter, check };
  const coldest = check.recordLowC === null ? null : measure(check.recordLowC, "°C");
  const rows = [
    [say.openCircuitInTheCold(coldest), "coldVoc", "V", "at most"],
    [say.theSameModulesBear, "moduleVoc", "V", "at most"],
    [say.workingInTheHeatCellsC(measure(check.hotCellC, "°C")), "hotVmp", "V", "at least"],
    [say.workingInTheCold(coldest), "coldVmp", "V", "at most"],
    [check.rearFrac > 0 ? say.shortCircuitTwoSided(percent(check.rearFrac, 0)) : say.shortCircuit125AnInput, "current", "A", "at most"],
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
        {check.coldGuess &&
          say.coldestAirNotKnown(measure(check.coldGuess.airC, "°C"), check.coldGuess.vocV === null ? null : number(check.coldGuess.vocV))}
        {check.isHeatAssumed && say.hottestAirIsUsual}
      </p>
    </>
  );
}
