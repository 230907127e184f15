"use client";

import { useReducer } from "react";
import { changeFromTotals } from "@/core/trial";
import { Figure } from "@/features/kit/figures/Figure";
import chapter from "@/features/kit/look/Chapter.module.css";
import { Grid } from "@/features/readings/Grid";
import { emptyGrid, gridReducer } from "@/features/readings/grid-state";
import { MONTHS_LONG } from "@/wording/format";
import { say } from "@/wording/screens/calculators-sides";
import { changeTotalsVerdict, signed } from "@/wording/totals";
import { changeTotalsWorking } from "@/wording/workings/totals-workings";
import { BenchNote } from "../BenchNote";
import type { BenchProps } from "../bench-views";
import { changeRows, unreadCells } from "./sides-table";

const TWELVE = MONTHS_LONG.map((name) => [name, "", "", "", ""]);

/** What a change brought, by months before and after it; another plant that did not change takes the weather out. */
export function ChangeTotals({ slug, nowUtcMs }: BenchProps) {
  const [state, dispatch] = useReducer(gridReducer, { ...emptyGrid(12, 5), cells: TWELVE });
  const rows = changeRows(state.cells);
  const report = changeFromTotals(rows);
  const words = report ? changeTotalsVerdict(report) : "";
  const shown = new Map(report?.months.map(({ label, frac }) => [label, 100 * (1 + frac)]));
  return (
    <>
      <p className={chapter.verdict} data-lines="2" data-testid="change-sentence">
        {report ? (
          <>
            <Figure working={() => changeTotalsWorking(report)}>{signed(report.frac)}</Figure>
            {words}
          </>
        ) : (
          say.typeBeforeAndAfter
        )}
      </p>
      <Grid
        label={say.monthsBeforeAndAfter}
        columns={[
          { name: "month", title: say.month, hint: "" },
          { name: "before_kwh", title: say.beforeKwh, hint: "" },
          { name: "after_kwh", title: say.afterKwh, hint: "" },
          { name: "other_before_kwh", title: say.otherBeforeKwh, hint: "" },
          { name: "other_after_kwh", title: say.otherAfterKwh, hint: "" },
        ]}
        state={state}
        dispatch={dispatch}
        isNamed={false}
        margin={{ head: say.afterToBefore, values: state.cells.map(([label = ""]) => shown.get(label.trim()) ?? null) }}
      />
      {unreadCells(state.cells).map(({ row, text }) => (
        <p key={`${row} ${text}`} className={chapter.clay}>
          {say.noNumber(row, text)}
        </p>
      ))}
      {report && report.leftOut.length > 0 && <p className={chapter.soft}>{say.leftOut(report.leftOut.join(", "))}</p>}
      <p className={chapter.soft}>{say.anotherPlantHow}</p>
      <BenchNote slug={slug} nowUtcMs={nowUtcMs} words={report ? `${say.beforeAfter}: ${signed(report.frac)}${words}` : ""} />
    </>
  );
}
