import type { MeteringPoint, PvArray, Revision, Site } from "./types";

/** What an entry of the field book says, as far as a model cares. */
export interface ModelEntry {
  readonly kind: string;
  /** Local date. */
  readonly from: string;
  readonly array: string;
  readonly meter: string;
  readonly value: string;
  readonly note: string;
}

/** What an entry changes: dated revisions of the site, an event that the ledger and the search for causes take up, or nothing but the record. */
export type EntryEffect =
  | { readonly kind: "revision"; readonly what: "tilt" | "hardware" | "meter"; readonly revisions: readonly Revision[] }
  | { readonly kind: "event"; readonly what: "cleaning" | "snow-clearing" | "downtime" | "curtailment" }
  | { readonly kind: "record" }
  | { readonly kind: "unclear"; readonly expected: "tilt" | "array" | "hardware" | "meter" | "point" };

const POINTS: readonly MeteringPoint[] = ["dc", "ac", "net", "export", "import"];
const EVENTS: Readonly<Record<string, "cleaning" | "snow-clearing" | "downtime" | "curtailment">> = {
  cleaning: "cleaning",
  "snow-clearing": "snow-clearing",
  outage: "downtime",
  repair: "downtime",
  curtailment: "curtailment",
};

/** What an entry does to the model; values are read as "35" (tilt), "acRatedW=8600; inverter=attic", "module=Tarn 330; count=20" or "point=dc". */
export function entryEffect(site: Site, entry: ModelEntry): EntryEffect {
  const event = EVENTS[entry.kind];
  if (event) return { kind: "event", what: event };
  if (entry.kind === "tilt-change") return tiltChange(site, entry);
  if (entry.kind === "hardware-change") return hardwareChange(site, entry);
  if (entry.kind === "meter-change") return meterChange(site, entry);
  return { kind: "record" };
}

const noteOf = ({ note }: ModelEntry, what: string): string => `field book: ${note || what}`.slice(0, 200);

function tiltChange(site: Site, entry: ModelEntry): EntryEffect {
  const array = site.arrays.find(({ id }) => id === entry.array) ?? (site.arrays.length === 1 ? site.arrays[0] : undefined);
  if (!array) return { kind: "unclear", expected: "array" };
  const read = /^(?:tilt(?:Deg)?\s*=\s*)?(\d+(?:[.,]\d+)?)\s*(?:°|deg)?$/i.exec(entry.value.trim());
  const tiltDeg = read ? Number(read[1]!.replace(",", ".")) : Number.NaN;
  if (!(tiltDeg >= 0 && tiltDeg <= 90)) return { kind: "unclear", expected: "tilt" };
  const from = entry.from.slice(0, 10);
  const revisions: Revision[] = [
    { from, note: noteOf(entry, "tilt changed"), change: { arrays: [{ id: array.id, tiltDeg, tiltSchedule: [] }] } },
  ];
  const next = nextScheduled(array, from);
  // A change by hand overrules the yearly schedule until its next date.
  if (next)
    revisions.push({ from: next, note: "schedule again", change: { arrays: [{ id: array.id, tiltSchedule: [...array.tiltSchedule] }] } });
  return { kind: "revision", what: "tilt", revisions };
}

function nextScheduled({ tiltSchedule }: PvArray, from: string): string | null {
  const year = Number(from.slice(0, 4));
  const dates = [year, year + 1].flatMap((y) => tiltSchedule.map((step) => `${y}-${step.from}`)).sort();
  return dates.find((date) => date > from) ?? null;
}

/** "a=1; b=two words" as pairs. */
function pairsOf(value: string): Map<string, string> {
  return new Map(
    value
      .split(";")
      .map((part) => part.split("=").map((text) => text.trim()))
      .filter((pair): pair is [string, string] => pair.length === 2 && pair[0] !== "" && pair[1] !== ""),
  );
}

function hardwareChange(site: Site, entry: ModelEntry): EntryEffect {
  const pairs = pairsOf(entry.value);
  const number = (key: string): number | undefined => {
    const value = Number(pairs.get(key)?.replace(",", "."));
    return Number.isFinite(value) && value > 0 ? value : undefined;
  };
  const change: Record<string, unknown> = {};
  const inverter =
    site.inverters.find(({ id }) => id === pairs.get("inverter")) ?? (site.inverters.length === 1 ? site.inverters[0] : undefined);
  const [acRatedW, ratedEfficiencyFrac] = [number("acRatedW"), number("ratedEfficiencyFrac")];
  if (inverter && (acRatedW !== undefined || (ratedEfficiencyFrac !== undefined && ratedEfficiencyFrac <= 1)))
    change.inverters = [
      {
        id: inverter.id,
        ...(acRatedW === undefined ? {} : { acRatedW }),
        ...(ratedEfficiencyFrac === undefined ? {} : { ratedEfficiencyFrac }),
      },
    ];
  const array = site.arrays.find(({ id }) => id === entry.array) ?? (site.arrays.length === 1 ? site.arrays[0] : undefined);
  const module = pairs.get("module");
  const count = number("count");
  const knownModule = module !== undefined && module in site.modules ? module : undefined;
  if (array && (knownModule !== undefined || (count !== undefined && Number.isInteger(count))))
    change.arrays = [
      { id: array.id, ...(knownModule === undefined ? {} : { module: knownModule }), ...(count === undefined ? {} : { count }) },
    ];
  if (Object.keys(change).length === 0) return entry.value.trim() === "" ? { kind: "record" } : { kind: "unclear", expected: "hardware" };
  return {
    kind: "revision",
    what: "hardware",
    revisions: [{ from: entry.from.slice(0, 10), note: noteOf(entry, "hardware changed"), change }],
  };
}

function meterChange(site: Site, entry: ModelEntry): EntryEffect {
  const meter = site.meters.find(({ id }) => id === entry.meter) ?? (site.meters.length === 1 ? site.meters[0] : undefined);
  if (entry.value.trim() === "") return { kind: "record" };
  if (!meter) return { kind: "unclear", expected: "meter" };
  const written = (pairsOf(entry.value).get("point") ?? entry.value).trim().toLowerCase();
  const point = POINTS.find((known) => known === written);
  if (!point) return { kind: "unclear", expected: "point" };
  return {
    kind: "revision",
    what: "meter",
    revisions: [{ from: entry.from.slice(0, 10), note: noteOf(entry, "meter changed"), change: { meters: [{ id: meter.id, point }] } }],
  };
}
