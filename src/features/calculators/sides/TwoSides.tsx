"use client";

import { Checkbox } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { type Dispatch, useEffect, useMemo, useReducer, useState } from "react";
import { meterMonthsSchema } from "@/contracts/meter-months";
import { type Differing, type TotalsSide, totalsTrial } from "@/core/trial";
import { ask } from "@/features/data/ask";
import { Figure } from "@/features/kit/figures/Figure";
import chapter from "@/features/kit/look/Chapter.module.css";
import { Grid } from "@/features/readings/Grid";
import { emptyGrid, type GridAction, type GridState, gridReducer } from "@/features/readings/grid-state";
import { say } from "@/wording/screens/calculators-sides";
import { signed, totalsVerdict } from "@/wording/totals";
import { differenceInWords } from "@/wording/trial";
import { totalsWorking } from "@/wording/workings/totals-workings";
import styles from "../Bench.module.css";
import { BenchNote } from "../BenchNote";
import type { BenchProps } from "../bench-views";
import { SideFields } from "./SideFields";
import { bookDifferences, firstForm, type SideForm, sideMeters, sideOf } from "./side-form";
import { cellsOfMeters, TICKED, totalRows, unreadCells } from "./sides-table";

/** Two sides by their totals: typed, pasted, or those of the book's meters. */
export function TwoSides({ slug, site, nowUtcMs }: BenchProps) {
  const meters = useMemo(() => sideMeters(site), [site]);
  const [forms, setForms] = useState<readonly [SideForm, SideForm]>(() => [firstForm(site, meters[0], 0), firstForm(site, meters[1], 1)]);
  const [state, dispatch] = useReducer(gridReducer, emptyGrid(12, 3));
  const [ticked, setTicked] = useState<readonly Differing[]>(() => bookDifferences(site, meters));
  const unshared = useMetersOf(slug, forms[0].meter, forms[1].meter, dispatch);
  const [a, b] = forms.map(sideOf) as [TotalsSide | null, TotalsSide | null];
  const report = a && b ? totalsTrial(a, b, totalRows(state.cells)) : null;
  const words = report && a && b ? totalsVerdict(report, a.name, b.name) : "";
  const set = (k: 0 | 1, change: Partial<SideForm>): void =>
    setForms(forms.map((form, at) => (at === k ? { ...form, ...change } : form)) as [SideForm, SideForm]);
  return (
    <>
      <p className={chapter.verdict} data-lines="2" data-testid="sides-sentence">
        {report && a && b ? (
          <>
            <Figure working={() => totalsWorking(report, a, b)}>{signed(report.frac)}</Figure>
            {words}
          </>
        ) : (
          say.typeTheTotals
        )}
      </p>
      <div className={styles.rowsGrid}>
        <div>
          {([0, 1] as const).map((k) => (
            <SideFields
              key={k}
              form={forms[k]}
              meters={meters}
              choose={(id) =>
                set(
                  k,
                  firstForm(
                    site,
                    meters.find((meter) => meter.id === id),
                    k,
                  ),
                )
              }
              set={(change) => set(k, change)}
              title={k === 0 ? say.firstSide : say.secondSide}
            />
          ))}
          <Ticks ticked={ticked} setTicked={setTicked} />
          <BenchNote slug={slug} nowUtcMs={nowUtcMs} words={report ? `${say.twoSides}: ${signed(report.frac)}${words}` : ""} />
        </div>
        <TotalsGrid
          names={[forms[0].name, forms[1].name]}
          state={state}
          dispatch={dispatch}
          shares={ratios(a, b, state.cells)}
          leftOut={report?.leftOut ?? []}
          unshared={unshared}
        />
      </div>
    </>
  );
}

interface TicksProps {
  readonly ticked: readonly Differing[];
  readonly setTicked: (ticked: readonly Differing[]) => void;
}

/** What differs between the sides, to tick: what can't be told apart. */
function Ticks({ ticked, setTicked }: TicksProps) {
  return (
    <section className={chapter.section}>
      <h2>{say.whatDiffersBetweenThem}</h2>
      <div className={styles.ticks}>
        {TICKED.map((what) => (
          <Checkbox
            key={what}
            size="sm"
            label={differenceInWords(what)}
            checked={ticked.includes(what)}
            onChange={({ currentTarget }) => setTicked(currentTarget.checked ? [...ticked, what] : ticked.filter((each) => each !== what))}
          />
        ))}
      </div>
      <p className={ticked.length > 1 ? chapter.clay : chapter.soft} data-testid="sides-apart">
        {ticked.length > 1 ? say.cantBeToldApart(ticked.map(differenceInWords).join("; ")) : say.oneThingAlone}
      </p>
    </section>
  );
}

interface TotalsGridProps {
  readonly names: readonly [string, string];
  readonly state: GridState;
  readonly dispatch: Dispatch<GridAction>;
  /** Second over first of each line, in per cent. */
  readonly shares: readonly (number | null)[];
  /** Lines of which one side is missing. */
  readonly leftOut: readonly string[];
  /** Months that one meter of the book has alone. */
  readonly unshared: number;
}

/** The totals of both, what of them is no number, and what is left out. */
function TotalsGrid({ names, state, dispatch, shares, leftOut, unshared }: TotalsGridProps) {
  return (
    <div>
      <Grid
        label={say.totalsOfBoth}
        columns={[
          { name: "span", title: say.monthOrSpan, hint: "2025-03" },
          { name: "first_kwh", title: `${names[0]}, kWh`, hint: "" },
          { name: "second_kwh", title: `${names[1]}, kWh`, hint: "" },
        ]}
        state={state}
        dispatch={dispatch}
        isNamed={false}
        margin={{ head: say.secondToFirst, values: shares }}
      />
      {unreadCells(state.cells).map(({ row, text }) => (
        <p key={`${row} ${text}`} className={chapter.clay}>
          {say.noNumber(row, text)}
        </p>
      ))}
      {leftOut.length > 0 && <p className={chapter.soft}>{say.leftOut(leftOut.join(", "))}</p>}
      {unshared > 0 && <p className={chapter.soft}>{say.monthsOfOneAlone(unshared)}</p>}
    </div>
  );
}

/** The ratio of each line, in per cent of the first. */
function ratios(a: TotalsSide | null, b: TotalsSide | null, cells: GridState["cells"]): (number | null)[] {
  return cells.map((row) => {
    const pair = a && b && totalsTrial(a, b, totalRows([row]));
    return pair ? 100 * (1 + pair.frac) : null;
  });
}

/** Fills the table with the months that two meters of the book share; how many one of them has alone. */
function useMetersOf(slug: string | null, a: string, b: string, dispatch: Dispatch<GridAction>): number {
  const { data } = useQuery({
    queryKey: ["meter-months", slug],
    queryFn: ({ signal }) => ask(meterMonthsSchema, `/api/books/${slug}/meter-months`, { signal }),
    enabled: slug !== null && a !== "" && b !== "",
    staleTime: Number.POSITIVE_INFINITY,
  });
  const cells = data && a !== b ? cellsOfMeters(data, a, b) : [];
  const shared = cells.filter(([, left, right]) => left !== "" && right !== "");
  const text = JSON.stringify(shared);
  useEffect(() => {
    const values = JSON.parse(text) as string[][];
    if (values.length > 0) dispatch({ kind: "paste", row: 0, column: 0, values });
  }, [text, dispatch]);
  return cells.length - shared.length;
}
