import type { AcceptanceReport } from "@/contracts/acceptance";
import type { Evidence, SourceFile } from "@/contracts/evidence";
import type { CounterAt, MeteredSpan } from "@/core/readings";
import { unionAxis } from "@/core/series";
import { MINUTE_MS } from "@/core/units";
import { parseSite } from "@/formats/site-json";
import type { Bytes } from "@/formats/tabular/text";
import { cleaningsOf, limitsOf } from "../field-book";
import { inspectFile, joinPages } from "../imports";
import { openLedger, type StoredSeries } from "../ledger";
import { cleanSeries, cleanSparse } from "../quality";
import { measuredTest } from "./measured-test";

/** Why figures can't be made anew. */
export type NotRemade = "site" | "light-of-a-usual-year" | "unreadable";

/**
 * Figures of an evidence file, made anew from nothing but its raw files: read as they were read, remedied as it was decided, under its site document.
 * `open` gives a file's bytes.
 */
export async function remade(evidence: Evidence, open: (source: SourceFile) => () => Bytes): Promise<AcceptanceReport | NotRemade> {
  const site = parseSite(evidence.site);
  if (!site.ok) return "site";
  const raw: Record<"weather" | "production", StoredSeries[]> = { weather: [], production: [] };
  const sparse: { spans: MeteredSpan[]; counters: CounterAt[] } = { spans: [], counters: [] };
  for (const source of evidence.sources) {
    if (source.kind !== "weather" && source.kind !== "production") continue;
    if (source.origin !== "measured") return "light-of-a-usual-year";
    const found = await inspectFile(open(source), site.document, source.options, { fileName: source.name });
    if (found.kind !== source.kind) return "unreadable";
    raw[source.kind].push(...found.series.map((pages) => joinPages(pages)).filter((series) => series !== null));
    sparse.spans.push(...found.sparse.spans);
    sparse.counters.push(...found.sparse.counters);
  }
  const ledger = openLedger({
    site: site.document,
    weather: merged(raw.weather),
    production: cleanSeries(merged(raw.production), evidence.decisions, site.document),
    sparse: cleanSparse(sparse, evidence.decisions),
    promise: null,
    cleanings: cleaningsOf(evidence.entries),
  });
  return measuredTest(ledger, {
    question: evidence.test.question,
    held: limitsOf(evidence.entries),
    cleanings: cleaningsOf(evidence.entries),
    site: null,
  }).report;
}

/** Files of one series one after the other: what stands stays, and what a later file adds comes to it. */
function merged(all: readonly StoredSeries[]): StoredSeries[] {
  const out: StoredSeries[] = [];
  for (const series of all) {
    const at = out.findIndex(
      ({ quantity, meterId, axis }) =>
        quantity === series.quantity && meterId === series.meterId && axis.stepMinutes === series.axis.stepMinutes,
    );
    if (at < 0) out.push(series);
    else out[at] = together(out[at]!, series);
  }
  return out;
}

function together(first: StoredSeries, second: StoredSeries): StoredSeries {
  const axis = unionAxis(first.axis, second.axis);
  const values = new Float64Array(axis.count).fill(Number.NaN);
  for (const { axis: own, values: from } of [second, first]) {
    const shift = Math.round((own.startUtcMs - axis.startUtcMs) / (axis.stepMinutes * MINUTE_MS));
    for (let i = 0; i < from.length; i++) if (!Number.isNaN(from[i]!)) values[i + shift] = from[i]!;
  }
  return { ...first, axis, values };
}

/** The largest difference between the figures of two reports, as a share of their size; infinite where they are of other shapes. */
export function furthestApart(a: unknown, b: unknown): number {
  if (typeof a === "number" && typeof b === "number") return a === b ? 0 : Math.abs(a - b) / Math.max(Math.abs(a), Math.abs(b));
  if (typeof a !== "object" || typeof b !== "object" || a === null || b === null) return a === b ? 0 : Number.POSITIVE_INFINITY;
  const keys = new Set([...Object.keys(a), ...Object.keys(b)]);
  return Math.max(0, ...[...keys].map((key) => furthestApart((a as Record<string, unknown>)[key], (b as Record<string, unknown>)[key])));
}
