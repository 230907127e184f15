"use client";

import type { GearYear, HeatLimit } from "@/core/gear";
import { Cells } from "@/features/kit/figures/Cells";
import chapter from "@/features/kit/look/Chapter.module.css";
import { ScrollBox } from "@/features/kit/look/ScrollBox";
import { RuledTable } from "@/features/kit/table/RuledTable";
import { inReadersUnit, number, percent, readersUnit } from "@/wording/format";
import { MONTHS_SHORT } from "@/wording/geometry";
import { say } from "@/wording/screens/calculators-gear";
import { gearWorking, mendWorking } from "@/wording/workings/gear-working";
import type { BenchSun } from "../bench-sun";
import { type GearOption, isPriced, mendOf, type Terms } from "./gear-options";

interface GearTableProps {
  readonly options: readonly GearOption[];
  readonly years: readonly GearYear[] | null;
  readonly terms: Terms;
  readonly limit: HeatLimit;
  readonly sun: BenchSun;
  readonly currency: string;
}

const degrees = (tempC: number): string => number(inReadersUnit(tempC, "°C")[0]);

/** As it stands and what could be done: heat, what it takes, what it brings. */
export function GearTable({ options, years, terms, limit, sun, currency }: GearTableProps) {
  const { battery } = terms;
  const priced = isPriced(terms);
  return (
    <ScrollBox label={say.placesAndMends}>
      <RuledTable className={chapter.table}>
        <thead>
          <tr>
            <th scope="col">{say.wayToStand}</th>
            <th scope="col">{say.hottest(readersUnit("°C"))}</th>
            <th scope="col">{say.hoursOver(`${degrees(limit.fullToC)} ${readersUnit("°C")}`)}</th>
            <th scope="col">{say.heldBackKwh}</th>
            {battery && <th scope="col">{battery.years === null ? say.lastsShare : say.lastsYears}</th>}
            <th scope="col">{say.bringsKwh}</th>
            {priced && <th scope="col">{say.bringsMoney(currency)}</th>}
          </tr>
        </thead>
        <tbody>
          {options.map((option, k) => {
            const year = years?.[k];
            const mend = years?.[0] && year && k > 0 ? mendOf(years[0], year, option, terms) : null;
            return (
              <tr key={option.name} style={k === 0 ? { background: "var(--paper-deep)" } : undefined}>
                <td>{option.name}</td>
                {year ? (
                  <Cells working={() => gearWorking(option.standing, year, limit, sun)}>
                    {[
                      degrees(year.hottestC),
                      number(year.hotHours),
                      number(year.deratedKwh, 1),
                      ...(battery ? [lastsInWords(battery, year)] : []),
                    ]}
                  </Cells>
                ) : (
                  <td colSpan={battery ? 4 : 3}>…</td>
                )}
                {mend ? (
                  <Cells working={() => mendWorking(mend, terms)}>
                    {[number(mend.savedKwh, 1), ...(priced ? [number(mend.worth ?? 0, 1)] : [])]}
                  </Cells>
                ) : (
                  <td colSpan={priced ? 2 : 1} />
                )}
              </tr>
            );
          })}
        </tbody>
      </RuledTable>
    </ScrollBox>
  );
}

/** Years that a battery lasts, or its share of what it is rated for where that is not known. */
const lastsInWords = ({ kind, years }: NonNullable<Terms["battery"]>, { lifeFrac }: GearYear): string =>
  years === null ? percent(lifeFrac[kind], 0) : number(years * lifeFrac[kind], 1);

/** The hottest hour of a usual day, month by month. */
export function GearMonths({ year, fullToC }: { year: GearYear; fullToC: number }) {
  return (
    <ScrollBox label={say.hottestHourByMonth}>
      <RuledTable className={chapter.table}>
        <thead>
          <tr>
            <th scope="col">{say.hottestHourByMonth}</th>
            {MONTHS_SHORT.map((name) => (
              <th key={name} scope="col">
                {name}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          <tr>
            <td>{readersUnit("°C")}</td>
            {year.monthsHottestC.map((tempC, m) => (
              <td key={MONTHS_SHORT[m]} className={tempC > fullToC ? chapter.clay : undefined}>
                {Number.isNaN(tempC) ? "–" : degrees(tempC)}
              </td>
            ))}
          </tr>
        </tbody>
      </RuledTable>
      {year.frostHours >= 1 && <p className={chapter.soft}>{say.frost(number(year.frostHours))}</p>}
    </ScrollBox>
  );
}
