"use client";

import type { SiteDocument } from "@/contracts/site";
import type { AlbedoGain, ClearingNow, StormReport } from "@/core/yield";
import { Cells } from "@/features/kit/figures/Cells";
import chapter from "@/features/kit/look/Chapter.module.css";
import { ScrollBox } from "@/features/kit/look/ScrollBox";
import { RuledTable } from "@/features/kit/table/RuledTable";
import { inReadersUnit, number, percent, readersUnit } from "@/wording/format";
import { dayName, MONTHS_SHORT } from "@/wording/geometry";
import { say } from "@/wording/screens/calculators-snow";
import { albedoWorking, clearingWorking, stormWorking } from "@/wording/workings/snow-workings";

const SHOWN = 12;

interface ClearingTableProps {
  readonly clearing: ClearingNow;
  readonly array: SiteDocument["arrays"][number];
}

export function ClearingTable({ clearing, array }: ClearingTableProps) {
  return (
    <RuledTable className={chapter.table}>
      <thead>
        <tr>
          <th scope="col">{say.inTheWeatherOf}</th>
          <th scope="col">{say.clearingBringsKwh}</th>
          <th scope="col">{say.wouldHaveLainDays}</th>
        </tr>
      </thead>
      <tbody>
        {clearing.byYear.map(({ year: name, gainKwh, days }) => (
          <tr key={name}>
            <td>{name}</td>
            <Cells working={() => clearingWorking(name, gainKwh, days, array.tiltDeg)}>{[number(gainKwh, 1), number(days, 1)]}</Cells>
          </tr>
        ))}
      </tbody>
    </RuledTable>
  );
}

interface StormsSectionProps {
  readonly ranked: StormReport[];
  readonly array: SiteDocument["arrays"][number];
  readonly worthIt: (storm: StormReport) => boolean;
  /** Told by somebody, and not by a gauge. */
  readonly isTyped: boolean;
}

export function StormsSection({ ranked, array, worthIt, isTyped }: StormsSectionProps) {
  return (
    <section className={chapter.section}>
      <h2>{say.stormsTheDearestFirst}</h2>
      <ScrollBox label="Storms">
        <RuledTable className={chapter.table}>
          <thead>
            <tr>
              <th scope="col">fell on</th>
              <th scope="col">{readersUnit("cm")}</th>
              <th scope="col">{`at, ${readersUnit("°C")}`}</th>
              <th scope="col">lay, days</th>
              <th scope="col">lost, kWh</th>
              <th scope="col">clearing brings</th>
            </tr>
          </thead>
          <tbody>
            {ranked.slice(0, SHOWN).map((storm, k) => (
              // biome-ignore lint/suspicious/noArrayIndexKey: two falls of one day are two
              <tr key={`${storm.fromUtcMs} ${k}`}>
                <td>{`${isTyped ? dayName(new Date(storm.fromUtcMs).toISOString().slice(5, 10)) : new Date(storm.fromUtcMs).toISOString().slice(0, 10)} ${storm.kind}`}</td>
                <Cells working={() => stormWorking(storm, array.tiltDeg, isTyped)} className={worthIt(storm) ? chapter.clay : undefined}>
                  {[
                    number(inReadersUnit(storm.depthCm, "cm")[0]),
                    number(inReadersUnit(storm.fallTempC, "°C")[0], 1),
                    number(storm.lyingHours / 24, 1),
                    number(storm.lostKwh, 1),
                    number(storm.clearingKwh, 1),
                  ]}
                </Cells>
              </tr>
            ))}
          </tbody>
        </RuledTable>
      </ScrollBox>
    </section>
  );
}

interface GroundLightProps {
  readonly albedo: AlbedoGain[] | null;
  /** As if snow lay through the winter: no gauge said when. */
  readonly isWholeWinter: boolean;
}

/** What ground light brings by month. */
export function GroundLight({ albedo, isWholeWinter }: GroundLightProps) {
  return (
    <section className={chapter.section}>
      <h2>{say.whatSnowOnTheGroundGives}</h2>
      <p className={chapter.soft}>{say.brightGroundCountsMostForSteep}</p>
      {isWholeWinter && <p className={chapter.soft}>{say.asIfSnowLayAllWinter}</p>}
      {albedo ? (
        <ScrollBox label={say.gainByMonth}>
          <RuledTable className={chapter.table}>
            <thead>
              <tr>
                <th scope="col">{say.aYearsMonthKwh}</th>
                {albedo.map(({ tiltDeg }) => (
                  <th key={tiltDeg} scope="col">{`${number(tiltDeg)}° from flat`}</th>
                ))}
              </tr>
            </thead>
            <tbody>
              {MONTHS_SHORT.map((name, m) =>
                albedo.every(({ gainKwh }) => gainKwh[m]! < 0.05) ? null : (
                  <tr key={name}>
                    <td>{name}</td>
                    <Cells working={() => albedoWorking(name, m, albedo)}>
                      {albedo.map(
                        ({ gainKwh, bareKwh }) =>
                          `+${number(gainKwh[m]!, 1)} (${percent(bareKwh[m]! > 0 ? gainKwh[m]! / bareKwh[m]! : 0)})`,
                      )}
                    </Cells>
                  </tr>
                ),
              )}
            </tbody>
          </RuledTable>
        </ScrollBox>
      ) : (
        <p className={chapter.soft}>…</p>
      )}
    </section>
  );
}
