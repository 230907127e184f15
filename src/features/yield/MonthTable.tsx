"use client";

import { IconDownload } from "@tabler/icons-react";
import { unparse } from "papaparse";
import type { Site } from "@/core/site";
import { type YieldLine, yieldSum } from "@/core/yield";
import { Figure } from "@/features/kit/figures/Figure";
import { saveText } from "@/features/kit/save/save-chart";
import { RuledTable } from "@/features/kit/table/RuledTable";
import { kwhDecimals, monthName, number, percent } from "@/wording/format";
import { say } from "@/wording/screens/yield";
import { differenceWorking, triedWorking } from "@/wording/workings/yield-workings";
import styles from "./Yield.module.css";

interface Props {
  readonly base: readonly YieldLine[] | null;
  readonly answer: readonly YieldLine[] | null;
  /** The site as the book has it, and as changed. */
  readonly site: Site;
  readonly wished: Site;
  readonly slug: string;
  readonly year: string;
}

/** The same month as built and with the change. */
interface Row {
  readonly key: string;
  readonly name: string;
  readonly built: YieldLine;
  readonly tried: YieldLine;
}

const gapOf = ({ built, tried }: Row): number => tried.expectedKwh - built.expectedKwh;

/** The year's months as built and with the change, and what lies between. */
export function MonthTable({ base, answer, site, wished, slug, year }: Props) {
  const rows = (base ?? []).map((built, k): Row => ({ key: built.key, name: monthName(built.key), built, tried: answer?.[k] ?? built }));
  const sum: Row = { key: year, name: year, built: yieldSum(year, base ?? []), tried: yieldSum(year, answer ?? base ?? []) };
  const decimals = kwhDecimals(sum.built.expectedKwh / 12);
  const most = Math.max(1e-9, ...rows.map((row) => Math.abs(gapOf(row))));
  const cells = { site, wished, decimals };
  const save = () =>
    saveText(
      unparse(
        rows.map((r) => ({ month: r.key, built_kwh: r.built.expectedKwh, tried_kwh: r.tried.expectedKwh })),
        { escapeFormulae: true },
      ),
      `${slug}-${year}-what-if.csv`,
      "text/csv",
    );
  return (
    <div className={styles.months}>
      <MonthRows save={save} rows={rows} cells={cells} most={most} year={year} sum={sum} />
    </div>
  );
}

interface MonthRowsProps {
  readonly save: () => void;
  readonly rows: Row[];
  readonly cells: { site: Site; wished: Site; decimals: number };
  readonly most: number;
  readonly year: string;
  readonly sum: Row;
}

function MonthRows({ save, rows, cells, most, year, sum }: MonthRowsProps) {
  return (
    <RuledTable>
      <caption>
        {say.monthByMonthKwh}
        <button type="button" onClick={save} aria-label={say.saveTheMonthsCsv}>
          <IconDownload size={15} stroke={1.6} />
        </button>
      </caption>
      <thead>
        <tr>
          <th scope="col" className={styles.first}>
            month
          </th>
          <th scope="col">as built</th>
          <th scope="col">with this</th>
          <th scope="col" colSpan={2}>
            difference
          </th>
        </tr>
      </thead>
      <tbody>
        {rows.map((row) => (
          <tr key={row.key}>
            <th scope="row" className={styles.month}>
              {row.name}
            </th>
            <Energies row={row} {...cells} />
            <td className={styles.gap}>
              <GapBar value={gapOf(row)} most={most} />
            </td>
          </tr>
        ))}
      </tbody>
      <tfoot>
        <tr className={styles.total}>
          <th scope="row" className={styles.month}>
            {year}
          </th>
          <Energies row={sum} {...cells} />
          <td>{percent(gapOf(sum) / Math.max(1e-9, sum.built.expectedKwh))}</td>
        </tr>
      </tfoot>
    </RuledTable>
  );
}

function Energies({ row, site, wished, decimals }: { row: Row; site: Site; wished: Site; decimals: number }) {
  const { name, built, tried } = row;
  return (
    <>
      <td className={styles.soft}>
        <Figure plain working={() => triedWorking(built, `${name}, as built`, site)}>
          {number(built.expectedKwh, decimals)}
        </Figure>
      </td>
      <td>
        <Figure plain working={() => triedWorking(tried, say.withTheChange(name), wished)}>
          {number(tried.expectedKwh, decimals)}
        </Figure>
      </td>
      <td>
        <Figure
          plain
          working={() =>
            differenceWorking(
              `${name}, difference`,
              { name: "With the change", kwh: tried.expectedKwh },
              { name: "As built", kwh: built.expectedKwh },
            )
          }
        >
          <Signed value={gapOf(row)} decimals={decimals} />
        </Figure>
      </td>
    </>
  );
}

function Signed({ value, decimals }: { value: number; decimals: number }) {
  const rounded = Number(value.toFixed(decimals));
  if (rounded === 0) return <span data-sign="none">{number(0, decimals)}</span>;
  return <span data-sign={value < 0 ? "less" : "more"}>{`${value > 0 ? "+" : ""}${number(value, decimals)}`}</span>;
}

function GapBar({ value, most }: { value: number; most: number }) {
  const width = (Math.abs(value) / most) * 40;
  return (
    <svg width="86" height="16" aria-hidden="true">
      <line x1="43" x2="43" y1="0" y2="16" stroke="var(--rule-strong)" />
      <rect x={value < 0 ? 43 - width : 43} y="3" width={width} height="10" fill={value < 0 ? "var(--clay)" : "var(--moss)"} />
    </svg>
  );
}
