"use client";

import { useState } from "react";
import { siteOn } from "@/core/site";
import { utcOfWall, zoneOffset } from "@/core/time";
import { type Morning, twoMornings } from "@/core/trial";
import { DAY_MS } from "@/core/units";
import { cloudlessSoFarKwh } from "@/core/yield";
import { DateField } from "@/features/kit/fields/DateField";
import { NumberField } from "@/features/kit/fields/NumberField";
import { Figure } from "@/features/kit/figures/Figure";
import chapter from "@/features/kit/look/Chapter.module.css";
import { number } from "@/wording/format";
import { say } from "@/wording/screens/calculators-sides";
import { morningsVerdict, signed } from "@/wording/totals";
import { morningsWorking } from "@/wording/workings/totals-workings";
import styles from "../Bench.module.css";
import { BenchNote } from "../BenchNote";
import type { BenchProps } from "../bench-views";
import { type Typed, typedNumber } from "../use-number-fields";

interface Read {
  readonly at: string;
  readonly kwh: Typed;
}

/** "A little more by mid-morning than yesterday": two counts by an hour, held against cloudless mornings. */
export function TwoMornings({ slug, site, nowUtcMs }: BenchProps) {
  const offset = zoneOffset(site.place.timeZone);
  const day = (back: number): string => new Date(nowUtcMs + offset(nowUtcMs) - back * DAY_MS).toISOString().slice(0, 10);
  const [reads, setReads] = useState<readonly [Read, Read]>([
    { at: `${day(1)}T10:30`, kwh: "" },
    { at: `${day(0)}T10:30`, kwh: "" },
  ]);
  const set = (k: 0 | 1, change: Partial<Read>): void =>
    setReads(reads.map((read, at) => (at === k ? { ...read, ...change } : read)) as [Read, Read]);
  const cloudless = reads.map(({ at }) => {
    const wallMs = Date.parse(`${at}:00Z`);
    if (Number.isNaN(wallMs)) return null;
    const midnight = utcOfWall(Math.floor(wallMs / DAY_MS) * DAY_MS, offset);
    return cloudlessSoFarKwh(siteOn(site, at.slice(0, 10)), midnight, utcOfWall(wallMs, offset));
  });
  const mornings = reads.map(({ kwh }, k): Morning | null => {
    const [readKwh, cloudlessKwh] = [typedNumber(kwh, null), cloudless[k] ?? null];
    return readKwh === null || cloudlessKwh === null ? null : { readKwh, cloudlessKwh };
  });
  const [first, second] = mornings as [Morning | null, Morning | null];
  const report = first && second ? twoMornings(first, second) : null;
  const words = report ? morningsVerdict(report) : "";
  return (
    <>
      <p className={chapter.verdict} data-lines="2" data-testid="mornings-sentence">
        {report && first && second ? (
          <>
            <Figure working={() => morningsWorking(report, first, second)}>{signed(report.frac)}</Figure>
            {words}
          </>
        ) : (
          say.typeTwoMornings
        )}
      </p>
      {([0, 1] as const).map((k) => (
        <div key={k} className={styles.fields} role="group" aria-label={k === 0 ? say.firstMorning : say.secondMorning}>
          <DateField
            type="datetime-local"
            label={k === 0 ? say.firstMorning : say.secondMorning}
            value={reads[k].at}
            onChange={(at) => set(k, { at })}
          />
          <NumberField label={say.countedSinceMidnight} unit="kWh" min={0} value={reads[k].kwh} onChange={(kwh) => set(k, { kwh })} />
          <p className={chapter.soft}>
            {cloudless[k] === null || cloudless[k] === undefined ? "" : say.cloudlessGives(number(cloudless[k], 1))}
          </p>
        </div>
      ))}
      <BenchNote slug={slug} nowUtcMs={nowUtcMs} words={report ? `${say.byMornings}: ${signed(report.frac)}${words}` : ""} />
    </>
  );
}
