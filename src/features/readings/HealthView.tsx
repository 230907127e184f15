"use client";

import { SegmentedControl } from "@mantine/core";
import { useState } from "react";
import { type HealthSide, healthSide, promisedKwh, USUAL_TOLERANCE } from "@/core/readings";
import { DAY_MS } from "@/core/units";
import { DateField } from "@/features/kit/fields/DateField";
import { NumberField } from "@/features/kit/fields/NumberField";
import { Figure } from "@/features/kit/figures/Figure";
import chapter from "@/features/kit/look/Chapter.module.css";
import segments from "@/features/kit/look/segments.module.css";
import { RuledTable } from "@/features/kit/table/RuledTable";
import { dateName, number, percent } from "@/wording/format";
import { say } from "@/wording/screens/readings";
import { healthWorking } from "@/wording/workings/health-working";
import { DisplaySection } from "./DisplaySection";
import type { ImportDeskProps } from "./ImportDesk";
import styles from "./ReadingsChapter.module.css";

export interface HealthBasisProps {
  readonly days: readonly string[];
  readonly expectedKwh: readonly number[];
  readonly promiseKwh: readonly number[] | null;
  readonly commissioned: string | null;
}

interface Props extends ImportDeskProps {
  readonly basis: HealthBasisProps;
}

type Way = "day" | "lifetime";
const nextDay = (date: string): string => new Date(Date.parse(`${date}T00:00:00Z`) + DAY_MS).toISOString().slice(0, 10);
const daysBetween = (from: string, to: string): number => Math.round((Date.parse(to) - Date.parse(from)) / DAY_MS);

/** As done at the wall: a day's total, or the lifetime by the days in service, against the promise and the expected for those very days. */
export function HealthView(props: Props) {
  const { basis } = props;
  const [way, setWay] = useState<Way>("day");
  const lastDay = basis.days.at(-1) ?? new Date().toISOString().slice(0, 10);
  const [from, setFrom] = useState(basis.commissioned ?? basis.days[0] ?? lastDay);
  const [on, setOn] = useState(lastDay);
  const [kwh, setKwh] = useState<number | string>("");
  const [toleranceKwh, setToleranceKwh] = useState<number | string>(USUAL_TOLERANCE.kwh);
  const [tolerancePercent, setTolerancePercent] = useState<number | string>(USUAL_TOLERANCE.frac * 100);
  const tolerance = { kwh: Number(toleranceKwh), frac: Number(tolerancePercent) / 100 };
  const span = way === "day" ? { from: on, to: nextDay(on) } : { from, to: nextDay(on) };
  const expected = expectedOver(basis, span.from, span.to);
  const promise = basis.promiseKwh ? promisedKwh(basis.promiseKwh, span.from, span.to) : null;
  const read = kwh === "" ? null : Number(kwh);
  return (
    <>
      <p className={chapter.verdict} data-testid="health-verdict">
        {read === null ? say.typeWhatTheDisplayShowsIt : sentence(read, way, span, expected, promise, tolerance)}
      </p>
      <div className={`${chapter.columns} ${styles.columns}`}>
        <section className={chapter.section}>
          <h2>{say.whatTheDisplayShows}</h2>
          <SegmentedControl
            classNames={segments}
            size="xs"
            data={[
              { value: "day", label: say.totalOfADay },
              { value: "lifetime", label: say.lifetimeSinceTheStart },
            ]}
            value={way}
            onChange={(value) => setWay(value)}
          />
          <div className={styles.options}>
            <NumberField label={way === "day" ? say.dayTotalKwh : "Lifetime, kWh"} value={kwh} onChange={setKwh} min={0} />
            <DateField
              label={way === "day" ? say.ofTheDay : say.readInTheEveningOf}
              value={on}
              onChange={(value) => value && setOn(value)}
            />
            {way === "lifetime" && <DateField label={say.inServiceSince} value={from} onChange={(value) => value && setFrom(value)} />}
          </div>
          <div className={styles.options}>
            <NumberField label={say.inToleranceWithinKwh} value={toleranceKwh} onChange={setToleranceKwh} min={0} />
            <NumberField label="or within" unit="%" value={tolerancePercent} onChange={setTolerancePercent} min={0} max={100} />
          </div>
          {read !== null && (
            <SidesTable expected={expected} read={read} tolerance={tolerance} span={span} basis={basis} promise={promise} />
          )}
        </section>
        <DisplaySection {...props} />
      </div>
      <p className={chapter.caution}>{say.readDisplaysFromTheFrontOpening}</p>
    </>
  );
}

interface SidesTableProps {
  readonly expected: Expected | null;
  readonly read: number;
  readonly tolerance: { kwh: number; frac: number };
  readonly span: { from: string; to: string };
  readonly basis: HealthBasisProps;
  readonly promise: number | null;
}

function SidesTable({ expected, read, tolerance, span, basis, promise }: SidesTableProps) {
  return (
    <RuledTable className={chapter.table}>
      <thead>
        <tr>
          <th scope="col">set against</th>
          <th scope="col">measure, kWh</th>
          <th scope="col">difference, kWh</th>
          <th scope="col">share</th>
          <th scope="col">in tolerance</th>
        </tr>
      </thead>
      <tbody>
        <SideRow
          name={say.expectedByTheWeatherThatCame}
          side={expected && healthSide(read * expected.knownFrac, expected.kwh, tolerance)}
          read={read}
          span={span}
          basis={basis}
          kind="expected"
        />
        <SideRow
          name={say.promiseByTheDaysThemselves}
          side={promise === null ? null : healthSide(read, promise, tolerance)}
          read={read}
          span={span}
          basis={basis}
          kind="promise"
        />
      </tbody>
    </RuledTable>
  );
}

interface Expected {
  readonly kwh: number;
  /** Share of the days for which weather stands in the book. */
  readonly knownFrac: number;
}

function expectedOver({ days, expectedKwh }: HealthBasisProps, from: string, to: string): Expected | null {
  let [kwh, known] = [0, 0];
  days.forEach((day, k) => {
    if (day < from || day >= to) return;
    kwh += expectedKwh[k]!;
    known++;
  });
  const all = daysBetween(from, to);
  return known > 0 && all > 0 ? { kwh, knownFrac: Math.min(1, known / all) } : null;
}

function sentence(
  read: number,
  way: Way,
  span: { from: string; to: string },
  expected: Expected | null,
  promise: number | null,
  tolerance: { kwh: number; frac: number },
): string {
  const days = daysBetween(span.from, span.to);
  const what =
    way === "day"
      ? `${number(read, 1)} kWh on ${dateName(span.from)}`
      : say.kwhInDaysKwhADay(number(read), number(days), number(read / Math.max(1, days), 1));
  if (expected && expected.knownFrac > 0.98) {
    const side = healthSide(read, expected.kwh, tolerance);
    const off = say.kwhTheKwhThatTheSun(
      number(Math.abs(side.differenceKwh), 1),
      side.differenceKwh < 0 ? "under" : "over",
      number(expected.kwh, 1),
    );
    const promised =
      promise === null ? "" : say.thePromiseSaysKwhFor(number(promise, 1), way === "day" ? say.aDayOfThatMonth : say.thoseVeryDays);
    return `${side.within ? "In tolerance" : say.outOfTolerance}: ${what}, ${off} (${percent(side.ratio, 0)}).${promised}`;
  }
  if (promise !== null) {
    const side = healthSide(read, promise, tolerance);
    return say.againstKwhPromisedForThoseVery(
      side.within ? say.inToleranceOfThePromise : say.outOfThePromisesTolerance,
      what,
      number(promise, 1),
      expected ? say.weatherStandsForOfThemOnly(percent(expected.knownFrac, 0)) : say.noWeatherStandsForThemSo,
    );
  }
  return say.neitherWeatherNorAPromiseStands(what);
}

interface SideProps {
  readonly name: string;
  readonly side: HealthSide | null;
  readonly read: number;
  readonly span: { readonly from: string; readonly to: string };
  readonly basis: HealthBasisProps;
  readonly kind: "expected" | "promise";
}

function SideRow({ name, side, read, span, basis, kind }: SideProps) {
  if (!side)
    return (
      <tr>
        <td>{name}</td>
        <td colSpan={4}>{kind === "promise" ? say.noPromiseInTheBook : say.noWeatherInTheBookFor}</td>
      </tr>
    );
  return (
    <tr>
      <td>{name}</td>
      <td>
        <Figure plain working={() => healthWorking(kind, side, read, span, basis)}>
          {number(side.measureKwh, 1)}
        </Figure>
      </td>
      <td>{number(side.differenceKwh, 1)}</td>
      <td>{Number.isNaN(side.ratio) ? "–" : percent(side.ratio)}</td>
      <td className={side.within ? undefined : chapter.clay}>{side.within ? "yes" : "no"}</td>
    </tr>
  );
}
