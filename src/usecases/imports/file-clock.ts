import type { ImportOptions } from "@/contracts/imports";
import type { ProblemLog } from "@/contracts/problems";
import { clockEvidence, labelEvidence } from "@/core/quality";
import type { Site } from "@/core/site";
import type { SeriesFile } from "@/formats/tabular/series";
import { joinPages } from "./join-pages";

export interface ReadClock {
  readonly zone: string | null;
  readonly labels: "start" | "end";
}

const LABEL_DAYS = 1100;
const SHAPED = ["energy_kwh", "power_w", "ghi_w_m2", "poa_w_m2", "counter_kwh"];

/** Finds a file's clock from its own sunlight; `file` was read as if its times were UTC. Leaves the zone open where there is too little to tell by. */
export function readClock(file: SeriesFile, site: Site, options: ImportOptions, log: ProblemLog): ReadClock {
  const open: ReadClock = { zone: null, labels: options.labels ?? "start" };
  const pages = file.series.find(({ quantity }) => SHAPED.includes(quantity));
  const series = pages && joinPages({ ...pages, meterId: "" });
  if (!series) return open;
  const found = clockEvidence(series.axis, rates(series.quantity, series.values), site);
  if (!found) return open;
  const labels = options.labels ?? found.best.labels;
  const { zone, misfitMin, badFrac } = found.best;
  if (options.labels === null) {
    const facts = { labels, earliest: Math.round(-found.earliestMin), latest: Math.round(found.latestMin) };
    log.add(found.labelsSure ? "labels-read" : "labels-unsure", "notice", {}, facts);
  }
  if (found.zoneSure) log.add("clock-read", "notice", {}, { zone, labels, days: found.days, misfit: Math.round(misfitMin) });
  else log.add("clock-unsure", "notice", {}, { zone, percent: Math.round(badFrac * 100) });
  return { zone, labels };
}

/** Which end of an interval a weather file with offsets marks, told from its clear mornings and afternoons; start where nothing tells. */
export function readLabels(file: SeriesFile, site: Site, log: ProblemLog): "start" | "end" {
  const pages = file.series.find(({ quantity }) => quantity === "ghi_w_m2");
  // Clear days of the last years tell it: a long record need not be laid out whole.
  const last = pages && [...pages.days].sort(([a], [b]) => a - b).slice(-LABEL_DAYS);
  const series = pages && last && joinPages({ ...pages, meterId: "", days: new Map(last) });
  const found = series && labelEvidence(series.axis, series.values, site.place);
  if (!found?.isSure || found.labels === "start") return "start";
  log.add("labels-by-clearness", "notice", {}, { days: found.days });
  return "end";
}

/** A counter's shape is in its steps. */
function rates(quantity: string, values: Float64Array): Float64Array {
  return quantity === "counter_kwh" ? values.map((value, i) => (i + 1 < values.length ? values[i + 1]! - value : Number.NaN)) : values;
}
