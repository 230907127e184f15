"use client";

import { NumberInput } from "@mantine/core";
import { useState } from "react";
import { pricePerKwh } from "@/core/money";
import { SLIDE_PER_HOUR } from "@/core/snow";
import { degToRad } from "@/core/units";
import type { StormReport } from "@/core/yield";
import { noteEntry } from "@/features/field-book/note-entry";
import { WriteDown } from "@/features/field-book/WriteDown";
import { Cells } from "@/features/kit/figures/Cells";
import chapter from "@/features/kit/look/Chapter.module.css";
import { DateField } from "@/features/kit/look/DateField";
import { ScrollBox } from "@/features/kit/look/ScrollBox";
import { RuledTable } from "@/features/kit/table/RuledTable";
import { dateName, number, percent } from "@/wording/format";
import { MONTHS_SHORT } from "@/wording/geometry";
import { say } from "@/wording/screens/calculators-snow";
import { albedoWorking, clearingWorking, stormWorking } from "@/wording/workings/snow-workings";
import { ArrayField } from "../ArrayField";
import styles from "../Bench.module.css";
import type { BenchProps } from "../bench-views";
import { useBenchAnswer, useBenchEngine } from "../use-bench-engine";

const STEEP: readonly number[] = [60, 90];
const SHOWN = 12;

/** Which storms are worth the ladder, what clearing brings today, and what snow on the ground gives back. */
export function SnowBench({ slug, site, year, nowUtcMs }: BenchProps) {
  const [arrayId, setArrayId] = useState(site.arrays[0]!.id);
  const array = site.arrays.find(({ id }) => id === arrayId) ?? site.arrays[0]!;
  const [cost, setCost] = useState<number | string>(25);
  const [day, setDay] = useState(new Date(nowUtcMs).toISOString().slice(0, 10));
  const { engine, refusal } = useBenchEngine(slug, site, year === null ? null : "all");
  const storms = useBenchAnswer(engine, { site, id: array.id }, (remote, asked) => remote.storms(asked.site, asked.id));
  const clearing = useBenchAnswer(engine, { site, id: array.id, day: day.slice(5) }, (remote, asked) =>
    remote.clearing(asked.site, asked.id, asked.day),
  );
  const tilts = [array.tiltDeg, ...STEEP.filter((tilt) => tilt !== array.tiltDeg)];
  const albedo = useBenchAnswer(engine, { site, id: array.id, tilts }, (remote, asked) =>
    remote.albedo(asked.site, asked.id, asked.tilts, null),
  );
  const price = pricePerKwh(site) ?? 0;
  const worthIt = (storm: StormReport): boolean => storm.clearingKwh * price > Number(cost);
  const ranked = [...(storms ?? [])].sort((a, b) => b.clearingKwh - a.clearingKwh);
  const needed = ranked.filter(worthIt);
  if (year === null) return <p className={chapter.verdict}>{say.snowIsReckonedOverTheBooks}</p>;
  if (refusal) return <p className={chapter.clay}>{`${refusal.message} ${refusal.help}`}</p>;
  const sentence =
    storms === null
      ? say.thisBooksWeatherHasNoSnow
      : storms.length === 0
        ? say.noStormInTheRecordCovered
        : say.ofStormsWouldHaveRepaidOf(needed.length, storms.length, number(Number(cost)), site.currency, kindWords(storms));
  return (
    <>
      <p className={chapter.verdict} data-testid="snow-sentence">
        {engine ? sentence : say.theWintersAreBeingGoneThrough}
        {clearing && clearing.byYear.length > 0 && (
          <>
            {" "}
            <b>
              {say.clearingOnBringsKwhUntilIt(
                dateName(day),
                number(clearing.meanKwh, 1),
                price > 0 ? ` (${number(clearing.meanKwh * price, 2)} ${site.currency})` : "",
              )}
            </b>
          </>
        )}
      </p>
      <div className={styles.rowsGrid}>
        <div>
          <div className={styles.inputs}>
            <ArrayField site={site} value={array.id} onChange={setArrayId} />
            <NumberInput label={`Clearing once, ${site.currency}`} hideControls min={0} value={cost} onChange={setCost} />
            <DateField label="Covered on" value={day} onChange={(value) => value && setDay(value)} />
          </div>
          {clearing && clearing.byYear.length > 0 && (
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
                    <Cells working={() => clearingWorking(name, gainKwh, days, array.tiltDeg)}>
                      {[number(gainKwh, 1), number(days, 1)]}
                    </Cells>
                  </tr>
                ))}
              </tbody>
            </RuledTable>
          )}
          <section className={chapter.section}>
            <h2>{say.stormsTheDearestFirst}</h2>
            <ScrollBox label="Storms">
              <RuledTable className={chapter.table}>
                <thead>
                  <tr>
                    <th scope="col">fell on</th>
                    <th scope="col">cm</th>
                    <th scope="col">at, °C</th>
                    <th scope="col">lay, days</th>
                    <th scope="col">lost, kWh</th>
                    <th scope="col">clearing brings</th>
                  </tr>
                </thead>
                <tbody>
                  {ranked.slice(0, SHOWN).map((storm) => (
                    <tr key={storm.fromUtcMs}>
                      <td>{`${new Date(storm.fromUtcMs).toISOString().slice(0, 10)} ${storm.kind}`}</td>
                      <Cells working={() => stormWorking(storm, array.tiltDeg)} className={worthIt(storm) ? chapter.clay : undefined}>
                        {[
                          number(storm.depthCm),
                          number(storm.fallTempC, 1),
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
          <WriteDown slug={slug} disabled={!storms} entry={() => noteEntry(nowUtcMs, `Snow: ${sentence}`)} />
        </div>
        <div>
          <section className={chapter.section}>
            <h2>{say.whatSnowOnTheGroundGives}</h2>
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
            <p className={chapter.soft}>{say.brightGroundCountsMostForSteep}</p>
          </section>
          <SelfCleaning tiltDeg={array.tiltDeg} />
          <p className={chapter.caution}>{say.snowFromTheGroundWithA}</p>
        </div>
      </div>
    </>
  );
}

/** What kind of storm is dear on this array. */
function kindWords(storms: readonly StormReport[]): string {
  const mean = (list: readonly StormReport[]): number => list.reduce((sum, storm) => sum + storm.clearingKwh, 0) / Math.max(1, list.length);
  const cold = storms.filter(({ afterTempC }) => afterTempC < -3);
  const deep = storms.filter(({ depthCm }) => depthCm >= 10);
  const wet = storms.filter(({ kind }) => kind === "wet");
  return say.clearingBringsKwhWhereColdDays(
    number(mean(cold), 1),
    cold.length,
    number(mean(deep), 1),
    deep.length,
    number(mean(wet), 1),
    wet.length,
  );
}

const TILTS = [5, 10, 20, 30, 45, 60] as const;

/** How fast a cover leaves a slope by itself. */
function SelfCleaning({ tiltDeg }: { tiltDeg: number }) {
  return (
    <section className={chapter.section}>
      <h2>{say.howFastSnowLeavesByItself}</h2>
      <ScrollBox label="Tilts">
        <RuledTable className={chapter.table}>
          <thead>
            <tr>
              <th scope="col">tilt</th>
              {TILTS.map((tilt) => (
                <th key={tilt} scope="col">{`${tilt}°`}</th>
              ))}
              <th scope="col">{`here, ${number(tiltDeg)}°`}</th>
            </tr>
          </thead>
          <tbody>
            <tr>
              <td>{say.hoursOfThawOrSunTo}</td>
              {[...TILTS, tiltDeg].map((tilt, k) => (
                <td key={k === TILTS.length ? "here" : tilt}>
                  {tilt > 0 ? number(1 / (SLIDE_PER_HOUR * Math.sin(degToRad(tilt)))) : "melts only"}
                </td>
              ))}
            </tr>
          </tbody>
        </RuledTable>
      </ScrollBox>
      <p className={chapter.soft}>{say.marionEtAl2013AShare}</p>
    </section>
  );
}
