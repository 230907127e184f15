"use client";

import type { Remote } from "comlink";
import { useState } from "react";
import { pricePerKwh } from "@/core/money";
import { SLIDE_PER_HOUR } from "@/core/snow";
import { degToRad } from "@/core/units";
import type { ClearingNow, StormReport } from "@/core/yield";
import { noteEntry } from "@/features/field-book/note-entry";
import { WriteDown } from "@/features/field-book/WriteDown";
import { DateField } from "@/features/kit/fields/DateField";
import { NumberField } from "@/features/kit/fields/NumberField";
import chapter from "@/features/kit/look/Chapter.module.css";
import { ScrollBox } from "@/features/kit/look/ScrollBox";
import { RuledTable } from "@/features/kit/table/RuledTable";
import { dateName, number } from "@/wording/format";
import { say } from "@/wording/screens/calculators-snow";
import { ArrayField } from "../ArrayField";
import styles from "../Bench.module.css";
import type { BenchEngine } from "../bench.worker";
import type { BenchProps } from "../bench-views";
import { useBenchAnswer, useBenchEngine } from "../use-bench-engine";
import { ClearingTable, GroundLight, StormsSection } from "./StormTables";

const STEEP: readonly number[] = [60, 90];

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
      <ClearingVerdict engine={engine} sentence={sentence} clearing={clearing} day={day} price={price} site={site} />
      <div className={styles.rowsGrid}>
        <div className={clearing && storms ? undefined : chapter.awaited}>
          <div className={styles.inputs}>
            <ArrayField site={site} value={array.id} onChange={setArrayId} />
            <NumberField label="Clearing once" unit={site.currency} min={0} value={cost} onChange={setCost} />
            <DateField label="Covered on" value={day} onChange={(value) => value && setDay(value)} />
          </div>
          <StormsSection ranked={ranked} array={array} worthIt={worthIt} />
          {clearing && clearing.byYear.length > 0 && <ClearingTable clearing={clearing} array={array} />}
          <WriteDown slug={slug} disabled={!storms} entry={() => noteEntry(nowUtcMs, `Snow: ${sentence}`)} />
        </div>
        <div>
          <SelfCleaning tiltDeg={array.tiltDeg} />
          <p className={chapter.caution}>{say.snowFromTheGroundWithA}</p>
          <GroundLight albedo={albedo} />
        </div>
      </div>
    </>
  );
}

interface ClearingVerdictProps {
  readonly engine: Remote<BenchEngine> | null;
  readonly sentence: string;
  readonly clearing: ClearingNow | null;
  readonly day: string;
  readonly price: number;
  readonly site: BenchProps["site"];
}

function ClearingVerdict({ engine, sentence, clearing, day, price, site }: ClearingVerdictProps) {
  return (
    <p className={chapter.verdict} data-lines="3" data-testid="snow-sentence">
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
