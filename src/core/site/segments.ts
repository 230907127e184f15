import { endUtcMs, type TimeAxis } from "../series";
import { utcOfWall, zoneOffset } from "../time";
import { MINUTE_MS } from "../units";
import { siteOn } from "./revision";
import type { Site } from "./types";

/** Intervals [from, to) of a time axis during which one arrangement stood. */
export interface SiteSegment {
  readonly from: number;
  readonly to: number;
  readonly site: Site;
}

/** Cuts a time axis where the site changed: at local midnight of each revision and of each tilt change. */
export function siteSegments(site: Site, axis: TimeAxis): SiteSegment[] {
  if (axis.count === 0) return [];
  const offset = zoneOffset(site.place.timeZone);
  const localDate = (utcMs: number): string => new Date(utcMs + offset(utcMs)).toISOString().slice(0, 10);
  const stepMs = axis.stepMinutes * MINUTE_MS;
  const firstDate = localDate(axis.startUtcMs);
  const lastDate = localDate(endUtcMs(axis) - 1);
  const starts = changeDates(site, firstDate, lastDate).map((date) => ({
    date,
    index: Math.ceil((utcOfWall(Date.parse(`${date}T00:00:00Z`), offset) - axis.startUtcMs) / stepMs),
  }));
  const cuts = [{ date: firstDate, index: 0 }, ...starts].filter((cut) => cut.index >= 0 && cut.index < axis.count);
  return cuts
    .map((cut, k) => ({ from: cut.index, to: cuts[k + 1]?.index ?? axis.count, site: siteOn(site, cut.date) }))
    .filter((segment) => segment.to > segment.from);
}

function changeDates(site: Site, firstDate: string, lastDate: string): string[] {
  const scheduled = new Set<string>(site.arrays.flatMap((array) => array.tiltSchedule.map((entry) => entry.from)));
  for (const revision of site.revisions) {
    const arrays = (revision.change.arrays ?? []) as { tiltSchedule?: { from: string }[] }[];
    for (const entry of arrays.flatMap((array) => array.tiltSchedule ?? [])) scheduled.add(entry.from);
  }
  const dates = new Set(site.revisions.map((revision) => revision.from));
  for (let year = Number(firstDate.slice(0, 4)); year <= Number(lastDate.slice(0, 4)); year++) {
    for (const day of scheduled) dates.add(`${year}-${day}`);
  }
  return [...dates].filter((date) => date > firstDate && date <= lastDate).sort();
}
