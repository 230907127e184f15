"use client";

import { IconDownload } from "@tabler/icons-react";
import { unparse } from "papaparse";
import type { YieldLine } from "@/core/yield";
import { kwhDecimals, monthName, number, percent } from "@/features/figures/format";
import { saveText } from "@/features/save/save-chart";
import styles from "./Yield.module.css";

interface Props {
  readonly base: readonly YieldLine[] | null;
  readonly answer: readonly YieldLine[] | null;
  readonly slug: string;
  readonly year: string;
}

/** The year's months as built and with the change, and what lies between. */
export function MonthTable({ base, answer, slug, year }: Props) {
  const rows = (base ?? []).map((line, k) => ({
    key: line.key,
    built: line.expectedKwh,
    tried: answer?.[k]?.expectedKwh ?? line.expectedKwh,
  }));
  const sum = rows.reduce((total, row) => ({ built: total.built + row.built, tried: total.tried + row.tried }), { built: 0, tried: 0 });
  const decimals = kwhDecimals(sum.built / 12);
  const most = Math.max(1e-9, ...rows.map((row) => Math.abs(row.tried - row.built)));
  const save = () =>
    saveText(
      unparse(rows.map((r) => ({ month: r.key, built_kwh: r.built, tried_kwh: r.tried }))),
      `${slug}-${year}-what-if.csv`,
      "text/csv",
    );
  return (
    <div className={styles.months}>
      <table>
        <caption>
          Month by month, kWh
          <button type="button" onClick={save} aria-label="Save the months (CSV)">
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
                {monthName(row.key)}
              </th>
              <td className={styles.soft}>{number(row.built, decimals)}</td>
              <td>{number(row.tried, decimals)}</td>
              <td>
                <Signed value={row.tried - row.built} decimals={decimals} />
              </td>
              <td className={styles.gap}>
                <GapBar value={row.tried - row.built} most={most} />
              </td>
            </tr>
          ))}
        </tbody>
        <tfoot>
          <tr className={styles.total}>
            <th scope="row" className={styles.month}>
              {year}
            </th>
            <td>{number(sum.built, decimals)}</td>
            <td>{number(sum.tried, decimals)}</td>
            <td>
              <Signed value={sum.tried - sum.built} decimals={decimals} />
            </td>
            <td>{percent((sum.tried - sum.built) / Math.max(1e-9, sum.built))}</td>
          </tr>
        </tfoot>
      </table>
    </div>
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
