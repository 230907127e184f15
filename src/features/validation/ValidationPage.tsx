import rows from "@generated/validation-rows.json";
import chapter from "@/features/kit/look/Chapter.module.css";
import { ScrollBox } from "@/features/kit/look/ScrollBox";
import styles from "./Validation.module.css";

/** How near our methods come to an independent implementation; the rows are written by the same comparisons that the tests make. */
export function ValidationPage() {
  const values = rows.reduce((sum, row) => sum + row.values, 0);
  const nearest = rows.reduce((most, row) => (row.usedFrac > most.usedFrac ? row : most));
  return (
    <div className={chapter.page}>
      <h1>How near the methods come</h1>
      <p className={chapter.verdict}>
        {rows.length} methods stand against {values.toLocaleString("en").replaceAll(",", "\u202f")} figures of an independent implementation
        of the same papers, and all lie within their tolerance. The nearest to its limit is {nearest.stage.toLowerCase()}:{" "}
        {nearest.method.toLowerCase()}, at {Math.round(nearest.usedFrac * 100)} % of it.
      </p>
      <ScrollBox label="Methods and their greatest differences" className={styles.ruled}>
        <table className={chapter.table}>
          <thead>
            <tr>
              <th scope="col">stage</th>
              <th scope="col">method</th>
              <th scope="col">source</th>
              <th scope="col">figures</th>
              <th scope="col">greatest difference</th>
              <th scope="col">tolerance</th>
              <th scope="col">used</th>
            </tr>
          </thead>
          <tbody>
            {rows.map((row, k) => (
              <tr key={`${row.stage} ${row.method}`}>
                <td>{rows[k - 1]?.stage === row.stage ? "" : row.stage}</td>
                <td>{row.method}</td>
                <td className={chapter.soft}>{row.source}</td>
                <td>{row.values}</td>
                <td>{row.greatest}</td>
                <td className={chapter.soft}>{row.tolerance}</td>
                <td>
                  <span className={styles.used} role="img" aria-label={`${Math.round(row.usedFrac * 100)} % of the tolerance`}>
                    <i style={{ width: `${Math.max(2, row.usedFrac * 100)}%` }} />
                  </span>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </ScrollBox>
    </div>
  );
}
