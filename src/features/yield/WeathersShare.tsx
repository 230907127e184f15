"use client";

import { VisuallyHidden } from "@mantine/core";
import { isUsualYear, type LedgerLine, totalLine } from "@/core/ledger";
import { type WeatherShare, weatherShare } from "@/core/yield";
import { Figure } from "@/features/kit/figures/Figure";
import { RuledTable } from "@/features/kit/table/RuledTable";
import { number, percent } from "@/wording/format";
import { say } from "@/wording/screens/yield-shares";
import { planeWorking } from "@/wording/workings/ledger-workings";
import { weatherShareWorking } from "@/wording/workings/yield-workings";
import styles from "./Shares.module.css";
import type { SharesProps } from "./shares-props";

/** This span's sky against a usual one, and year by year. */
export function WeathersShare({ sum, lines, months, context, weather }: SharesProps) {
  const years = [...new Set(months.map(({ key }) => key.slice(0, 4)))];
  const measured = months.filter((line) => !isUsualYear(line));
  const asked = new Set(lines.map(({ key }) => key.slice(5, 7)));
  const rows = years.map((year) => {
    const own = months.filter(({ key }) => key.startsWith(year) && asked.has(key.slice(5, 7)) && key.length === 7);
    return {
      year,
      line: totalLine(year, own),
      share: own.length === asked.size && !own.some(isUsualYear) ? weatherShare(own, measured) : null,
    };
  });
  const most = Math.max(1e-9, ...rows.map(({ line, share }) => Math.max(line.planeKwhM2, share?.usualKwhM2 ?? 0)));
  return (
    <section className={styles.book}>
      <h2>{say.theWeathersShare}</h2>
      <p>
        <Figure name={`plane/${sum.key}`} working={() => planeWorking(sum, context)}>
          {number(sum.planeKwhM2)} kWh/m²
        </Figure>{" "}
        <WhatTheSkyGave sum={sum} lines={lines} weather={weather} />
      </p>
      <RuledTable fileName="years-of-light" aria-label={say.theWeathersShare}>
        <thead>
          <tr>
            <th scope="col">{say.sameMonthsOf}</th>
            <th scope="col" className={styles.bar}>
              <VisuallyHidden component="span">bar</VisuallyHidden>
            </th>
            <th scope="col">kWh/m²</th>
            {weather && <th scope="col">{say.ofUsual}</th>}
          </tr>
        </thead>
        <tbody>
          {rows.map(({ year, line, share }) => (
            <YearRow
              key={year}
              year={year}
              line={line}
              share={share}
              most={most}
              isHere={lines.some(({ key }) => key.startsWith(year))}
              isUsualKnown={weather !== null}
              context={context}
            />
          ))}
        </tbody>
      </RuledTable>
    </section>
  );
}

interface YearRowProps extends Pick<SharesProps, "context"> {
  readonly year: string;
  readonly line: LedgerLine;
  /** Null where the year holds a part of the months, or nothing is usual yet. */
  readonly share: WeatherShare | null;
  readonly most: number;
  readonly isHere: boolean;
  readonly isUsualKnown: boolean;
}

function YearRow({ year, line, share, most, isHere, isUsualKnown, context }: YearRowProps) {
  return (
    <tr data-here={isHere || undefined}>
      <th scope="row">{year}</th>
      <td className={styles.bar}>
        <LightBar planeKwhM2={line.planeKwhM2} usualKwhM2={share?.usualKwhM2 ?? null} most={most} />
      </td>
      <td>
        <Figure plain working={() => planeWorking(line, context)}>
          {number(line.planeKwhM2)}
        </Figure>
      </td>
      {isUsualKnown && (
        <td className={styles.soft}>
          {share ? (
            <Figure plain working={() => weatherShareWorking(share)}>
              {percent(share.planeKwhM2 / share.usualKwhM2, 0)}
            </Figure>
          ) : (
            say.partOfIt
          )}
        </td>
      )}
    </tr>
  );
}

const BAR = { width: 92, height: 12 };

function LightBar({ planeKwhM2, usualKwhM2, most }: { planeKwhM2: number; usualKwhM2: number | null; most: number }) {
  const x = (value: number): number => (value / most) * (BAR.width - 2);
  return (
    <svg width={BAR.width} height={BAR.height} aria-hidden="true">
      <rect width={x(planeKwhM2)} y={1} height={BAR.height - 2} fill="var(--owed)" stroke="var(--owed-edge)" />
      {usualKwhM2 !== null && <line x1={x(usualKwhM2)} x2={x(usualKwhM2)} y1={0} y2={BAR.height} stroke="var(--ink)" strokeWidth={1.2} />}
    </svg>
  );
}

/** Light against a usual sky; or why that is not known. */
function WhatTheSkyGave({ sum, lines, weather }: Pick<SharesProps, "sum" | "lines" | "weather">) {
  if (lines.some(isUsualYear)) return say.lightOfAUsualYear;
  if (!weather) return say.oneYearCantSayWhatIsUsual;
  return (
    <>
      {say.onThePlane}
      <Figure name={`weather-share/${sum.key}`} working={() => weatherShareWorking(weather)}>
        {percent(weather.planeKwhM2 / weather.usualKwhM2)}
      </Figure>
      {say.ofAUsualSky(weather.years)} {say.heatTook(percent(weather.heatFrac), percent(weather.usualHeatFrac))}
    </>
  );
}
