"use client";

import type { ReactNode } from "react";
import type { Indicators } from "@/contracts/attribution";
import type { LedgerLine } from "@/core/ledger";
import { Figure } from "@/features/kit/figures/Figure";
import { Term } from "@/features/kit/help/Term";
import chapter from "@/features/kit/look/Chapter.module.css";
import { ScrollBox } from "@/features/kit/look/ScrollBox";
import { RuledTable } from "@/features/kit/table/RuledTable";
import { monthName, number, percent } from "@/wording/format";
import { say } from "@/wording/screens/ledger-attribution";
import type { Working } from "@/wording/workings/working";

interface Props {
  readonly slug: string;
  readonly indicators: readonly Indicators[];
  readonly lines: readonly LedgerLine[];
  /** The span shown, as one line. */
  readonly sum: LedgerLine;
}

const spanWords = (key: string): string => (key === "all" ? "All years" : key);
const share = (value: number | null): string => (value === null ? "–" : percent(value));

interface Column {
  readonly name: string;
  /** Its name where other screens draw it too. */
  readonly figure?: string;
  readonly of: (row: Indicators) => string;
  readonly formula: string;
  readonly source: string;
  /** Left out where it never says anything; always shown without this. */
  readonly isShown?: (rows: readonly Indicators[]) => boolean;
  /** What it stands on beside the energies of its line. */
  readonly inputs?: (row: Indicators, rows: readonly Indicators[], line: LedgerLine | undefined) => Working["inputs"];
}

/** Heat's share over all years, from what the two temperature-corrected ratios make of it. */
function heatOf(rows: readonly Indicators[]): number | null {
  const all = rows.find(({ key }) => key === "all");
  return all?.usualHeatRatio && all.temperatureCorrectedRatio ? 1 - all.usualHeatRatio / all.temperatureCorrectedRatio : null;
}

/** Of a span the nameplate that stood in it; of all years the yields that the mean is taken of. */
function yieldInputs({ key, specificYieldKwhPerKwp: own }: Indicators, rows: readonly Indicators[], line: LedgerLine | undefined) {
  if (key === "all")
    return rows
      .filter((row) => /^\d{4}$/.test(row.key) && row.specificYieldKwhPerKwp !== null)
      .map((row) => ({
        name: row.key,
        value: `${number(row.specificYieldKwhPerKwp!, 1)} kWh/kWp`,
        from: say.readShare(percent(row.readFrac)),
      }));
  const kwp = own && line?.meteredKwh ? `${number(line.meteredKwh / own, 2)} kWp` : "–";
  return [{ name: say.nameplateOfItsDate, value: kwp, from: say.siteAndItsRevisions }];
}

const COLUMNS: readonly Column[] = [
  {
    name: "performance ratio",
    figure: "performance-ratio",
    of: (row) => share(row.performanceRatio),
    formula: say.meteredReferenceShareRead,
    source: say.iecPerformanceRatio,
  },
  {
    name: say.prCellsAt25C,
    of: (row) => share(row.temperatureCorrectedRatio),
    formula: say.performanceRatio1HeatsShareOf,
    source: say.stcPerformanceRatio,
  },
  {
    name: say.prUsualHeat,
    of: (row) => share(row.usualHeatRatio),
    formula: say.performanceRatioAtUsualHeat,
    source: say.annualTemperatureEquivalent,
    inputs: ({ temperatureCorrectedRatio }, rows) => [
      { name: say.prCellsAt25C, value: share(temperatureCorrectedRatio), from: say.theColumnBeside },
      { name: say.heatsShareOverAllYears, value: share(heatOf(rows)), from: say.theChain },
    ],
  },
  {
    name: say.prBothSides,
    of: (row) => share(row.twoSidedRatio),
    formula: say.performanceRatioOfBothSides,
    source: say.iecBifacialRatio,
    inputs: ({ performanceRatio }) => [{ name: "performance ratio", value: share(performanceRatio), from: say.theColumnBeside }],
    isShown: (rows) => rows.some(({ twoSidedRatio }) => twoSidedRatio !== null),
  },
  {
    name: "yield, kWh/kWp",
    of: (row) =>
      row.specificYieldKwhPerKwp === null
        ? "–"
        : row.key === "all"
          ? say.yieldOfAYear(number(row.specificYieldKwhPerKwp, 1))
          : number(row.specificYieldKwhPerKwp, 1),
    formula: say.yieldByNameplateOfItsDate,
    source: say.iecFinalYield,
    inputs: yieldInputs,
  },
  {
    name: "performance index",
    figure: "performance-index",
    of: (row) => share(row.energyPerformanceIndex),
    formula: say.meteredExpectedByTheBookFor,
    source: "IEC TS 61724-3:2016",
  },
  {
    name: "available, time",
    of: (row) => share(row.availabilityByTimeFrac),
    formula: say.hoursWithLightThatWereNot,
    source: "IEC TS 63019:2019",
  },
  {
    name: "available, energy",
    of: (row) => share(row.availabilityByEnergyFrac),
    formula: say.meteredMeteredDowntime,
    source: "IEC TS 61724-3:2016",
  },
  {
    name: "data availability",
    figure: "data-availability",
    of: (row) => percent(row.readFrac),
    formula: say.n1ExpectedOfUnreadTimeExpected,
    source: say.iec6172412021DataCompleteness,
  },
];

/** Indicators of each line, with how much was read beside them. */
export function IndicatorsView({ indicators, lines, sum }: Props) {
  const columns = COLUMNS.filter(({ isShown }) => isShown?.(indicators) ?? true);
  const shown = indicators.filter(({ key }) => lines.some((line) => line.key === key));
  const all = indicators.find(({ key }) => key === "all");
  // A fiscal year is no span of its own among the indicators: then all years close the table.
  const total = indicators.find(({ key }) => key === sum.key) ?? all;
  const working = (column: Column, row: Indicators): Working => {
    const line = [...lines, sum].find(({ key }) => key === row.key);
    const kwh = (value: number | null): string => (value === null ? "–" : `${number(value)} kWh`);
    // All years stand on their years, which have lines of their own.
    const energies = line
      ? [
          { name: "metered", value: kwh(line.meteredKwh), from: "readings" },
          { name: "reference", value: kwh(line.referenceKwh), from: say.nameplateInPlaneIrradiation },
          { name: say.referenceOfTheTimeRead, value: kwh(line.referenceKwh - line.referenceGapKwh), from: say.intervalsThatWereRead },
        ]
      : [];
    return {
      title: column.name,
      value: column.of(row),
      unit: "",
      formula: column.formula,
      inputs: [
        ...energies,
        ...(column.inputs?.(row, indicators, line) ?? []),
        { name: "data availability", value: percent(row.readFrac), from: say.shareOfTheExpectedEnergy },
      ],
      source: column.source,
      assumptions: [column.inputs === yieldInputs && row.key === "all" ? say.aMeanOfWholeYears : say.ratiosOfSumsAMeanOf],
    };
  };
  const cells = (row: Indicators) =>
    columns.map((column) => (
      <td key={column.name}>
        <Figure plain name={column.figure && `${column.figure}/${row.key}`} working={() => working(column, row)}>
          {column.of(row)}
        </Figure>
      </td>
    ));
  return (
    <>
      <p className={chapter.verdict}>
        {total?.performanceRatio == null
          ? say.noReadingsYetSoNothingCan
          : `${spanWords(total.key)}: ${say.performanceRatioAt(share(total.performanceRatio), share(total.temperatureCorrectedRatio))}${
              total.availabilityByTimeFrac === null ? say.readinessIsNotKnown : say.readyForOfTheHours(share(total.availabilityByTimeFrac))
            }`}
      </p>
      <IndicatorsTable names={columns.map(({ name }) => name)} shown={shown} cells={cells} total={total} />
    </>
  );
}

interface IndicatorsTableProps {
  readonly names: readonly string[];
  readonly shown: readonly Indicators[];
  readonly cells: (row: Indicators) => ReactNode;
  readonly total: Indicators | undefined;
}

function IndicatorsTable({ names, shown, cells, total }: IndicatorsTableProps) {
  return (
    <ScrollBox label="Indicators">
      <RuledTable className={chapter.table}>
        <thead>
          <tr>
            <th>span</th>
            {names.map((name) => (
              <th key={name}>
                <Term>{name}</Term>
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {shown.map((row) => (
            <tr key={row.key}>
              <td>{monthName(row.key)}</td>
              {cells(row)}
            </tr>
          ))}
        </tbody>
        {total && (
          <tfoot>
            <tr>
              <td>{spanWords(total.key)}</td>
              {cells(total)}
            </tr>
          </tfoot>
        )}
      </RuledTable>
    </ScrollBox>
  );
}
