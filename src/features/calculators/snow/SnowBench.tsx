"use client";

import { useState } from "react";
import { pricePerKwh } from "@/core/money";
import { SLIDE_PER_HOUR } from "@/core/snow";
import { degToRad } from "@/core/units";
import type { ClearingNow, StormReport } from "@/core/yield";
import { DateField } from "@/features/kit/fields/DateField";
import { NumberField } from "@/features/kit/fields/NumberField";
import chapter from "@/features/kit/look/Chapter.module.css";
import { ScrollBox } from "@/features/kit/look/ScrollBox";
import { RuledTable } from "@/features/kit/table/RuledTable";
import { dateName, number } from "@/wording/format";
import { dayName } from "@/wording/geometry";
import { say } from "@/wording/screens/calculators-snow";
import { ArrayField } from "../ArrayField";
import styles from "../Bench.module.css";
import { BenchNote } from "../BenchNote";
import type { BenchProps } from "../bench-views";
import { GroundClaim } from "./GroundClaim";
import { ClearingTable, GroundLight, StormsSection } from "./StormTables";
import { TypedStormFields, useTypedStorms } from "./TypedStorms";
import { useSnow } from "./use-snow";

/** Which storms are worth the ladder, what clearing brings today, and what snow on the ground gives back. Any sun will do; storms that no gauge saw can be typed. */
export function SnowBench({ slug, site, sun, nowUtcMs }: BenchProps) {
  const [arrayId, setArrayId] = useState(site.arrays[0]!.id);
  const array = site.arrays.find(({ id }) => id === arrayId) ?? site.arrays[0]!;
  const [cost, setCost] = useState<number | string>(25);
  const [day, setDay] = useState(new Date(nowUtcMs).toISOString().slice(0, 10));
  const [typed, setTyped] = useTypedStorms(slug);
  const { refusal, storms, isReady, isTyped, clearing, albedo, isWholeWinter } = useSnow({ slug, site, sun, array, day, typed });
  const price = pricePerKwh(site);
  const worthIt = (storm: StormReport): boolean => price !== null && storm.clearingKwh * price > Number(cost);
  const ranked = [...(storms ?? [])].sort((a, b) => b.clearingKwh - a.clearingKwh);
  if (refusal) return <p className={chapter.clay}>{`${refusal.message} ${refusal.help}`}</p>;
  const sentence = stormWords({
    storms: ranked,
    isKnown: storms !== null,
    isTyped,
    worth: ranked.filter(worthIt),
    cost: Number(cost),
    price,
    site,
  });
  return (
    <>
      <ClearingVerdict isReady={isReady} sentence={sentence} clearing={clearing} day={day} price={price ?? 0} site={site} />
      <div className={styles.rowsGrid}>
        <div className={isReady ? undefined : styles.longAwaited}>
          <div className={styles.inputs}>
            <ArrayField site={site} value={array.id} onChange={setArrayId} />
            <NumberField label="Clearing once" unit={site.currency} min={0} value={cost} onChange={setCost} />
            {sun.year !== null && <DateField label="Covered on" value={day} onChange={(value) => value && setDay(value)} />}
          </div>
          <TypedStormFields typed={typed} setTyped={setTyped} isSouth={site.place.latitudeDeg < 0} />
          {ranked.length > 0 && <StormsSection ranked={ranked} array={array} worthIt={worthIt} isTyped={isTyped} />}
          {clearing && clearing.byYear.length > 0 && <ClearingTable clearing={clearing} array={array} />}
          {storms && <BenchNote slug={slug} nowUtcMs={nowUtcMs} words={`Snow: ${sentence}`} />}
        </div>
        <div>
          <SelfCleaning tiltDeg={array.tiltDeg} />
          <p className={chapter.caution}>{say.snowFromTheGroundWithA}</p>
          <GroundClaim albedo={albedo} />
          <GroundLight albedo={albedo} isWholeWinter={isWholeWinter} />
        </div>
      </div>
    </>
  );
}

interface StormWords {
  readonly storms: readonly StormReport[];
  readonly isKnown: boolean;
  readonly isTyped: boolean;
  readonly worth: readonly StormReport[];
  readonly cost: number;
  readonly price: number | null;
  readonly site: BenchProps["site"];
}

/** Which falls were worth clearing. */
function stormWords({ storms, isKnown, isTyped, worth, cost, price, site }: StormWords): string {
  if (!isKnown) return say.noSnowDepthTypeThem;
  if (storms.length === 0) return isTyped ? say.noneOfThemCovers : say.noStormInTheRecordCovered;
  const best = storms[0]!;
  if (price === null) return say.withoutAPriceTheMost(dayAndMonth(best), number(best.clearingKwh, 1), storms.length);
  if (isTyped)
    return say.ofTypedStorms(
      worth.length,
      storms.length,
      `${number(cost)} ${site.currency}`,
      worth.map(dayAndMonth).join(", "),
      `${dayAndMonth(best)}, ${number(best.clearingKwh, 1)} kWh`,
    );
  return say.ofStormsWouldHaveRepaidOf(worth.length, storms.length, number(cost), site.currency, kindWords(storms));
}

const dayAndMonth = ({ fromUtcMs }: StormReport): string => dayName(new Date(fromUtcMs).toISOString().slice(5, 10));

interface ClearingVerdictProps {
  /** Whether the storms are known, or known to be none. */
  readonly isReady: boolean;
  readonly sentence: string;
  readonly clearing: ClearingNow | null;
  readonly day: string;
  readonly price: number;
  readonly site: BenchProps["site"];
}

function ClearingVerdict({ isReady, sentence, clearing, day, price, site }: ClearingVerdictProps) {
  return (
    <p className={chapter.verdict} data-lines="3" data-testid="snow-sentence">
      {isReady ? sentence : say.theWintersAreBeingGoneThrough}
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
