import type { EntryEffect } from "@/contracts/attribution";
import type { FieldEntry } from "@/contracts/field-book";
import type { CauseFinding, CauseKind, SoilingReset } from "@/core/attribution";
import { utcOfWall, zoneOffset } from "@/core/time";
import { DAY_MS } from "@/core/units";

/** A step of the light is sought every ten days: its day is known to within so many. */
const STEP_NEAR_DAYS = 15;

/** What the field book has of the light sensor near a day: the nearest of its calibrations and cleanings. */
export function sensorEntryNear(day: string, entries: readonly FieldEntry[]): "calibration" | "sensor-cleaning" | null {
  const [nearest] = entries
    .flatMap(({ kind, to }) =>
      kind === "calibration" || kind === "sensor-cleaning"
        ? [{ kind, days: Math.abs(Date.parse(to.slice(0, 10)) - Date.parse(day)) / DAY_MS }]
        : [],
    )
    .filter(({ days }) => days <= STEP_NEAR_DAYS)
    .sort((a, b) => a.days - b.days);
  return nearest?.kind ?? null;
}

/** What each kind of entry can explain, and how many days its date may be off. */
const EXPLAINS: Partial<Record<FieldEntry["kind"], readonly CauseKind[]>> = {
  cleaning: ["unrecorded-cleaning", "soiling"],
  "sensor-cleaning": ["sensor-dirty"],
  calibration: ["sensor-dirty", "sensor-drift"],
  "snow-clearing": ["snow"],
  outage: ["outage", "strings-out"],
  repair: ["outage", "strings-out", "held-low", "derating"],
  curtailment: ["held-low", "ceiling", "outage"],
  "hardware-change": ["strings-out", "held-low", "ceiling", "outage"],
};
const OFF_DAYS = 4;

export interface MatchedEntries {
  /** Entry of each finding; null where none tells of it. */
  readonly entryOf: (number | null)[];
  /** Findings of each entry, and what it did to the output. */
  readonly entries: { readonly findings: number[]; readonly effect: EntryEffect }[];
}

/** Lets entries and findings find each other: an entry in or near a finding's time that could be its cause or its end. */
export function matchEntries(
  entries: readonly FieldEntry[],
  findings: readonly CauseFinding[],
  resets: readonly SoilingReset[],
  days: readonly string[],
  timeZone: string,
): MatchedEntries {
  const offset = zoneOffset(timeZone);
  const utcOf = (local: string): number => utcOfWall(Date.parse(`${local.slice(0, 10)}T00:00:00Z`), offset);
  const entryOf = findings.map((): number | null => null);
  const out = entries.map((entry, e) => {
    const [from, to] = [utcOf(entry.from), utcOf(entry.to) + DAY_MS];
    const own = findings.flatMap((finding, f) => {
      if (!EXPLAINS[entry.kind]?.includes(finding.kind)) return [];
      if (finding.kind === "soiling") return [f];
      const near = to > finding.fromUtcMs - OFF_DAYS * DAY_MS && from < finding.toUtcMs + OFF_DAYS * DAY_MS;
      // A string's weeks hold many dates: an entry tells of it when it stands at one of its ends.
      const atEnd = [finding.fromUtcMs, finding.toUtcMs].some(
        (end) => end > from - 2 * OFF_DAYS * DAY_MS && end < to + 2 * OFF_DAYS * DAY_MS,
      );
      return near && (finding.kind !== "strings-out" || atEnd) ? [f] : [];
    });
    for (const f of own) entryOf[f] ??= e;
    return { findings: own, effect: effectOf(entry, own, resets, days) };
  });
  return { entryOf, entries: out };
}

function effectOf(entry: FieldEntry, own: readonly number[], resets: readonly SoilingReset[], days: readonly string[]): EntryEffect {
  if (entry.kind === "cleaning") {
    const reset = resets.find(({ day, cause }) => cause === "cleaning" && days[day] === entry.to.slice(0, 10));
    return reset ? { code: "took-off-dirt", effectFrac: reset.effectFrac } : plain("not-seen");
  }
  if (own.length > 0) return plain("matches");
  return plain(EXPLAINS[entry.kind] ? "not-seen" : "changes-nothing");
}

const plain = (code: EntryEffect["code"]): EntryEffect => ({ code, effectFrac: null });
