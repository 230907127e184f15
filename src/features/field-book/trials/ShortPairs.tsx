"use client";

import { Button } from "@mantine/core";
import { useState } from "react";
import { siteOn } from "@/core/site";
import { momentPowerW } from "@/core/tilt";
import { utcOfWall, zoneOffset } from "@/core/time";
import { type ShortPair, type ShortPairReport, shortPairs } from "@/core/trial";
import { DateField } from "@/features/kit/fields/DateField";
import { NumberField } from "@/features/kit/fields/NumberField";
import { Cells } from "@/features/kit/figures/Cells";
import chapter from "@/features/kit/look/Chapter.module.css";
import { ScrollBox } from "@/features/kit/look/ScrollBox";
import { RuledTable } from "@/features/kit/table/RuledTable";
import { number, percent } from "@/wording/format";
import { say } from "@/wording/screens/field-book-trials";
import { pairWorking } from "@/wording/workings/field-workings";
import styles from "../FieldBook.module.css";
import type { FieldBookProps } from "../field-book-props";

interface Row {
  readonly at: string;
  readonly tiltA: number | string;
  readonly tiltB: number | string;
  readonly readA: number | string;
  readonly readB: number | string;
}

/** Readings by hand, flat and tilted minutes apart, against what the model expects of those very minutes. */
export function ShortPairs({ site, nowUtcMs }: FieldBookProps) {
  const offset = zoneOffset(site.place.timeZone);
  const today = new Date(nowUtcMs + offset(nowUtcMs)).toISOString().slice(0, 10);
  const [rows, setRows] = useState<readonly Row[]>([{ at: `${today}T09:30`, tiltA: 0, tiltB: 45, readA: "", readB: "" }]);
  const array = site.arrays[0]!;
  const pairs = rows.flatMap(({ at, tiltA, tiltB, readA, readB }): ShortPair[] => {
    const wallMs = Date.parse(`${at}:00Z`);
    if ([readA, readB, tiltA, tiltB].some((value) => value === "") || Number.isNaN(wallMs)) return [];
    const stood = siteOn(site, at.slice(0, 10));
    const moment = { utcMs: utcOfWall(wallMs, offset), ghiWm2: null, airTempC: 15 };
    const [expectedA = 0, expectedB = 0] = momentPowerW(stood, array.id, moment, [
      { tiltDeg: Number(tiltA), azimuthDeg: array.azimuthDeg },
      { tiltDeg: Number(tiltB), azimuthDeg: array.azimuthDeg },
    ]);
    return [{ at, readA: Number(readA), readB: Number(readB), expectedA, expectedB }];
  });
  const report = pairs.length > 0 ? shortPairs(pairs) : null;
  const set = (k: number, change: Partial<Row>): void => setRows(rows.map((row, at) => (at === k ? { ...row, ...change } : row)));
  return (
    <section className={chapter.section}>
      <h2>{say.byHandMinutesApart}</h2>
      <p className={chapter.soft}>
        {report
          ? say.theSecondWayOfStandingGave(percent(report.readFrac, 0), percent(report.expectedFrac, 0))
          : say.flatAgainstTiltedSayReadWatts(array.name || array.id)}
      </p>
      {rows.map((row, k) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: a pair is its place in the list
        <div key={k} className={styles.fields}>
          <DateField type="datetime-local" label={say.clockOnTheSite} value={row.at} onChange={(at) => set(k, { at })} />
          {(
            [
              ["tiltA", "First tilt, °"],
              ["readA", say.readWOrA],
              ["tiltB", "Second tilt, °"],
              ["readB", say.readWOrA],
            ] as const
          ).map(([key, label]) => (
            <NumberField key={key} label={label} min={0} value={row[key]} onChange={(value) => set(k, { [key]: value })} />
          ))}
        </div>
      ))}
      <Button variant="subtle" size="compact-sm" onClick={() => setRows([...rows, { ...rows.at(-1)!, readA: "", readB: "" }])}>
        Another pair
      </Button>
      {report && <PairsTable report={report} />}
    </section>
  );
}

interface PairsTableProps {
  readonly report: ShortPairReport;
}

function PairsTable({ report }: PairsTableProps) {
  return (
    <ScrollBox label="Pairs">
      <RuledTable className={chapter.table}>
        <thead>
          <tr>
            <th scope="col">at</th>
            <th scope="col">gain read</th>
            <th scope="col">gain expected</th>
            <th scope="col">{say.agreeWithinATenth}</th>
          </tr>
        </thead>
        <tbody>
          {report.pairs.map((pair) => (
            <tr key={`${pair.at} ${pair.readA} ${pair.readB}`}>
              <td>{pair.at.replace("T", " ")}</td>
              <Cells working={() => pairWorking(pair)}>
                {[
                  percent(pair.readFrac, 0),
                  `${percent(pair.expectedFrac, 0)} (${number(pair.expectedA)} and ${number(pair.expectedB)} W)`,
                ]}
              </Cells>
              <td className={pair.agrees ? "" : chapter.clay}>{pair.agrees ? "yes" : say.noACloudAWrongHour}</td>
            </tr>
          ))}
        </tbody>
      </RuledTable>
    </ScrollBox>
  );
}
