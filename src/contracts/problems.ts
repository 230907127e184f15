import { z } from "zod";

/** Where in a file a problem stands. Rows count from 1, the header included. */
export const placeInFileSchema = z.strictObject({
  row: z.number().int().optional(),
  column: z.string().optional(),
  value: z.string().optional(),
});

export const problemCodes = [
  "empty-file",
  "binary-file",
  "pdf-file",
  "bill-corrected",
  "meter-file-without-bills",
  "not-utf8",
  "zero-bytes",
  "other-encoding",
  "broken-gzip",
  "unpacks-too-large",
  "open-quote",
  "line-too-long",
  "broken-workbook",
  "not-a-workbook",
  "archive-paths",
  "xml-entities",
  "xml-broken",
  "macros-left",
  "links-left",
  "other-sheets",
  "formula-cells",
  "too-many-columns",
  "too-many-rows",
  "row-too-wide",
  "too-many-cells",
  "too-many-tags",
  "xml-too-deep",
  "broken-json",
  "broken-parquet",
  "joined-date-parts",
  "typical-year",
  "interval-ends",
  "scaled-column",
  "modules-need-hours",
  "unit-column",
  "long-table",
  "seconds-to-minutes",
  "hours-missing",
  "repeated-header",
  "summary-row",
  "below-zero",
  "weather-too-coarse",
  "mapping-unsure",
  "mapping-remembered",
  "clock-read",
  "clock-unsure",
  "labels-read",
  "labels-unsure",
  "labels-by-clearness",
  "future-times",
  "too-large",
  "cut-short",
  "no-header",
  "no-time-column",
  "no-value-column",
  "mixed-kinds",
  "repeated-column",
  "ignored-columns",
  "json-too-long",
  "parquet-too-large",
  "too-many-long-rows",
  "no-rows",
  "bad-time",
  "zone-needed",
  "mixed-offsets",
  "step-unknown",
  "odd-step",
  "off-grid",
  "not-a-number",
  "out-of-range",
  "free-note",
  "night-offset",
  "short-row",
  "duplicate-rows",
  "conflicting-rows",
  "out-of-order",
  "clock-doubled",
  "clock-skipped",
  "implausible-energy",
  "wrong-kind",
  "unknown-meter",
  "far-span",
  "bad-month",
  "months-missing",
  "already-imported",
  "year-needed",
  "sky-overfull",
  "other-place",
  "above-sky",
  "diffuse-above-global",
  "beam-alone",
  "one-plane",
  "warm-air",
  "site-field",
  "site-json",
] as const;

export type ProblemCode = (typeof problemCodes)[number];

/** A finding about a file, as data: the wording is in one catalogue. An error keeps the file out; a notice says what will be done. */
export const problemSchema = z.strictObject({
  code: z.enum(problemCodes),
  severity: z.enum(["error", "notice"]),
  /** How often it was found; `places` holds the first few. */
  count: z.number().int(),
  places: z.array(placeInFileSchema),
  facts: z.record(z.string(), z.union([z.string(), z.number()])),
});

export type PlaceInFile = z.output<typeof placeInFileSchema>;
export type Problem = z.output<typeof problemSchema>;
export type Severity = Problem["severity"];

/** Places shown of one kind of problem; the count goes on. */
const PLACES_KEPT = 20;

/** Gathers findings by code, with a count and the first places, so that a file with a million faults stays readable. */
export class ProblemLog {
  private readonly byCode = new Map<ProblemCode, Problem>();

  add(code: ProblemCode, severity: Severity, place: PlaceInFile = {}, facts: Problem["facts"] = {}): void {
    const known = this.byCode.get(code);
    if (!known) {
      this.byCode.set(code, { code, severity, count: 1, places: Object.keys(place).length > 0 ? [place] : [], facts });
      return;
    }
    known.count++;
    if (known.places.length < PLACES_KEPT && Object.keys(place).length > 0) known.places.push(place);
  }

  get hasErrors(): boolean {
    return [...this.byCode.values()].some((problem) => problem.severity === "error");
  }

  /** Errors first, each kind once. */
  list(): Problem[] {
    const problems = [...this.byCode.values()];
    return [...problems.filter((p) => p.severity === "error"), ...problems.filter((p) => p.severity === "notice")];
  }
}
