import { mergeChange, type Site } from "../site";
import { monthSums, sumOf } from "./month-sums";
import type { PreparedWeather } from "./prepare";

/** What a revision is worth: the weather series with it from its first day to its last, against the series without. */
export interface RevisionEffect {
  readonly beforeKwh: number;
  readonly afterKwh: number;
}

/** Effects of a site's revisions, in the order of the document, each on top of those dated before it. */
export function revisionEffects(site: Site, prepared: PreparedWeather): RevisionEffect[] {
  const order = site.revisions.map((revision, k) => ({ revision, k })).sort((a, b) => a.revision.from.localeCompare(b.revision.from));
  let stood: Site = { ...site, revisions: [] };
  let beforeKwh = sumOf(monthSums(stood, prepared).expectedKwh);
  const out: RevisionEffect[] = [];
  for (const { revision, k } of order) {
    stood = mergeChange(stood, revision.change);
    const afterKwh = sumOf(monthSums(stood, prepared).expectedKwh);
    out[k] = { beforeKwh, afterKwh };
    beforeKwh = afterKwh;
  }
  return out;
}
