"use client";

import rows from "@generated/validation-rows.json";
import chapter from "@/features/kit/look/Chapter.module.css";
import { ScrollBox } from "@/features/kit/look/ScrollBox";
import { DataTable } from "@/features/kit/table/DataTable";
import { number } from "@/wording/format";
import { say } from "@/wording/screens/validation";
import styles from "./Validation.module.css";

/** How near our methods come to an independent implementation; the rows are written by the same comparisons that the tests make. */
export function ValidationPage() {
  const values = rows.reduce((sum, row) => sum + row.values, 0);
  const nearest = rows.reduce((most, row) => (row.usedFrac > most.usedFrac ? row : most));
  return (
    <div className={chapter.page}>
      <h1>{say.howNearTheMethodsCome}</h1>
      <p className={chapter.verdict}>
        {say.methodsStandAgainstFiguresOfAn(
          rows.length,
          number(values),
          nearest.stage.toLowerCase(),
          nearest.method.toLowerCase(),
          Math.round(nearest.usedFrac * 100),
        )}
      </p>
      <ScrollBox label={say.methodsAndTheirGreatestDifferences} className={styles.ruled}>
        <DataTable
          className={chapter.table}
          rows={rows}
          rowKey={(row) => `${row.stage} ${row.method}`}
          columns={[
            { key: "stage", head: "stage", cell: (row, k) => (rows[k - 1]?.stage === row.stage ? "" : row.stage) },
            { key: "method", head: "method", cell: (row) => row.method },
            { key: "source", head: "source", cell: (row) => row.source, cellClass: () => chapter.soft },
            { key: "figures", head: "figures", cell: (row) => row.values },
            { key: "greatest-difference", head: "greatest difference", cell: (row) => row.greatest },
            { key: "tolerance", head: "tolerance", cell: (row) => row.tolerance, cellClass: () => chapter.soft },
            {
              key: "used",
              head: "used",
              cell: (row) => (
                <>
                  <span className={styles.used} role="img" aria-label={say.ofTheTolerance(Math.round(row.usedFrac * 100))}>
                    <i style={{ width: `${Math.max(2, row.usedFrac * 100)}%` }} />
                  </span>
                </>
              ),
            },
          ]}
        />
      </ScrollBox>
    </div>
  );
}
