import { CHECKS, type Comparison, shareOfAllowed } from "../test/validation";

/** A line of the validation page: the greatest difference on the vectors, beside what is allowed. */
export interface ValidationRow {
  readonly stage: string;
  readonly method: string;
  readonly source: string;
  readonly values: number;
  readonly greatest: string;
  readonly tolerance: string;
  /** Greatest difference as a share of what is allowed. */
  readonly usedFrac: number;
}

/** The last bits vary from machine to machine, and the vectors hold twelve digits: under a millionth there is nothing to tell. */
function brief(value: number, unit: string): string {
  const shown = value < 1e-6 ? "under 1e-6" : value >= 0.001 ? String(Number(value.toPrecision(2))) : value.toExponential(0);
  return unit === "1" ? shown : `${shown} ${unit}`;
}

const off = ({ got, expected }: Comparison): number => (expected === null ? 0 : Math.abs(got - expected));

export function validationRows(): ValidationRow[] {
  return CHECKS.map(({ stage, method, source, unit, tolerance, comparisons }) => {
    const all = comparisons();
    const worst = all.reduce((most, next) => (shareOfAllowed(next) > shareOfAllowed(most) ? next : most));
    const used = shareOfAllowed(worst);
    return {
      stage,
      method,
      source,
      values: all.length,
      greatest: brief(off(worst), unit),
      tolerance,
      usedFrac: used < 0.001 ? 0 : Number(used.toPrecision(2)),
    };
  });
}

export function validationMarkdown(rows: readonly ValidationRow[]): string {
  const lines = rows.map(
    (row) =>
      `| ${row.stage} | ${row.method} | ${row.source} | ${row.values} | ${row.greatest} | ${row.tolerance} | ${Math.round(row.usedFrac * 100)} % |`,
  );
  return `# Validation

Written by \`npm run validation\` from the same comparisons that the tests make: our methods against vectors of an independent implementation of the published
papers (\`test/reference\`). "Greatest difference" is the one that comes nearest to its tolerance.

| Stage | Method | Source | Values | Greatest difference | Tolerance | Used |
|---|---|---|---:|---:|---|---:|
${lines.join("\n")}
`;
}
