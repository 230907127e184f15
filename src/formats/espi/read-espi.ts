import { XMLParser, XMLValidator } from "fast-xml-parser";
import { type Problem, ProblemLog } from "@/contracts/problems";
import { MINUTE_MS } from "@/core/units";
import { dividesDay } from "../tabular/series/grid";
import { type PagedSeries, place } from "../tabular/series/pages";
import { type Bytes, decodeText, UnreadableText } from "../tabular/text";

export interface EspiFile {
  readonly series: readonly PagedSeries[];
  readonly stepMinutes: number | null;
  readonly rowCount: number;
  readonly valueCount: number;
  readonly firstUtcMs: number | null;
  readonly lastUtcMs: number | null;
  /** How energy flows through the readings taken: delivered to the customer, or received from them. */
  readonly flow: "delivered" | "received" | null;
  readonly problems: readonly Problem[];
}

/** Years of quarters of an hour fit into this many letters. */
const MOST_CHARS = 120_000_000;
/** Unit of measure code of watt-hours. Source: NAESB, 2011, REQ.21 Energy Services Provider Interface, UomType. */
const WATT_HOURS = 72;
const RECEIVED = 19;

export const looksLikeEspi = (head: string): boolean =>
  /^\s*(<\?xml[^>]*>\s*)?(<!--[\s\S]*?-->\s*)*(<!DOCTYPE|<[a-z:]*(feed|IntervalBlock|entry|UsagePoint))/i.test(head);

interface ReadingType {
  readonly factorKwh: number;
  readonly received: boolean;
}

/**
 * Reads interval-meter XML: epoch seconds, a duration and a value in watt-hours times a power of ten. Where both directions of flow are there, what the
 * site sent out is taken. Entities and document types are refused. Source: NAESB, 2011, REQ.21 Energy Services Provider Interface.
 */
export async function readEspi(bytes: Bytes): Promise<EspiFile> {
  const log = new ProblemLog();
  try {
    const text = await whole(bytes);
    if (/<!(DOCTYPE|ENTITY)/i.test(text)) throw new UnreadableText("xml-entities");
    const valid = XMLValidator.validate(text);
    if (valid !== true) {
      log.add("xml-broken", "error", { row: valid.err.line }, { message: valid.err.msg });
      return nothing(log);
    }
    return taken(
      new XMLParser({ ignoreAttributes: false, removeNSPrefix: true, processEntities: false, parseTagValue: false }).parse(text),
      log,
    );
  } catch (error) {
    if (error instanceof UnreadableText) log.add(error.code, "error");
    else log.add("xml-broken", "error", {}, { message: error instanceof Error ? error.message : "" });
    return nothing(log);
  }
}

async function whole(bytes: Bytes): Promise<string> {
  let text = "";
  for await (const chunk of decodeText(bytes)) {
    text += chunk;
    if (text.length > MOST_CHARS) throw new UnreadableText("unpacks-too-large");
  }
  return text;
}

const nothing = (log: ProblemLog): EspiFile => ({
  series: [],
  stepMinutes: null,
  rowCount: 0,
  valueCount: 0,
  firstUtcMs: null,
  lastUtcMs: null,
  flow: null,
  problems: log.list(),
});

/** Every element of a name, wherever it hangs in the tree, in document order. */
function elements(node: unknown, name: string, out: unknown[] = []): unknown[] {
  if (Array.isArray(node)) for (const child of node) elements(child, name, out);
  else if (typeof node === "object" && node !== null) {
    for (const [key, child] of Object.entries(node)) {
      if (key === name) out.push(...(Array.isArray(child) ? (child as unknown[]) : [child as unknown]));
      else elements(child, name, out);
    }
  }
  return out;
}

const numberAt = (node: unknown, ...path: string[]): number => {
  let at = node;
  for (const key of path) at = typeof at === "object" && at !== null ? (at as Record<string, unknown>)[key] : undefined;
  return typeof at === "string" || typeof at === "number" ? Number(at) : Number.NaN;
};

function readingType(node: unknown): ReadingType {
  const power = numberAt(node, "powerOfTenMultiplier");
  return { factorKwh: 10 ** (Number.isNaN(power) ? 0 : power) / 1000, received: numberAt(node, "flowDirection") === RECEIVED };
}

function taken(tree: unknown, log: ProblemLog): EspiFile {
  const types = elements(tree, "ReadingType");
  const energies = types.filter((type) => Number.isNaN(numberAt(type, "uom")) || numberAt(type, "uom") === WATT_HOURS).map(readingType);
  if (types.length > 0 && energies.length === 0) log.add("no-value-column", "error", {}, { columns: "reading types without watt-hours" });
  const type = energies.find(({ received }) => received) ?? energies[0] ?? { factorKwh: 0.001, received: false };
  const blocks = elements(tree, "IntervalBlock");
  // With one block list a type, the k-th type's readings are the k-th part; feeds of one type are all taken.
  const own =
    types.length > 1 && blocks.length % types.length === 0
      ? part(
          blocks,
          types.length,
          types.findIndex((node) => readingType(node).received),
        )
      : blocks;
  const readings = own.flatMap((block) => elements(block, "IntervalReading"));
  return paged(readings, type, log);
}

function part<T>(items: readonly T[], parts: number, wanted: number): readonly T[] {
  const size = items.length / parts;
  const at = Math.max(0, wanted);
  return items.slice(at * size, (at + 1) * size);
}

function paged(readings: readonly unknown[], type: ReadingType, log: ProblemLog): EspiFile {
  const stepMinutes = usualMinutes(readings);
  if (readings.length === 0) log.add("no-rows", "error");
  else if (stepMinutes === null || !dividesDay(stepMinutes)) log.add("odd-step", "error", {}, { minutes: stepMinutes ?? 0 });
  if (log.hasErrors || stepMinutes === null) return nothing(log);
  let series: PagedSeries | null = null;
  let [valueCount, first, last] = [0, Number.POSITIVE_INFINITY, Number.NEGATIVE_INFINITY];
  readings.forEach((reading, k) => {
    const utcMs = numberAt(reading, "timePeriod", "start") * 1000;
    const kwh = numberAt(reading, "value") * type.factorKwh;
    const row = k + 1;
    if (!(utcMs > Date.UTC(1990, 0, 1) && utcMs < Date.UTC(2060, 0, 1))) log.add("bad-time", "error", { row, column: "timePeriod/start" });
    else if (Number.isNaN(kwh)) log.add("not-a-number", "error", { row, column: "value" });
    else {
      const phaseMinutes = (utcMs / MINUTE_MS) % stepMinutes;
      series ??= { quantity: "energy_kwh", meterId: null, stepMinutes, phaseMinutes, days: new Map() };
      if (phaseMinutes !== series.phaseMinutes) log.add("off-grid", "error", { row }, { minutes: stepMinutes });
      else {
        const placed = place(series, utcMs, kwh, false);
        if (placed === "new") valueCount++;
        else log.add(placed === "same" ? "duplicate-rows" : "conflicting-rows", placed === "same" ? "notice" : "error", { row });
        first = Math.min(first, utcMs);
        last = Math.max(last, utcMs);
      }
    }
  });
  if (log.hasErrors || !series) return nothing(log);
  const flow = type.received ? "received" : "delivered";
  return {
    series: [series],
    stepMinutes,
    rowCount: readings.length,
    valueCount,
    firstUtcMs: first,
    lastUtcMs: last,
    flow,
    problems: log.list(),
  };
}

function usualMinutes(readings: readonly unknown[]): number | null {
  const counts = new Map<number, number>();
  for (const reading of readings) {
    const minutes = numberAt(reading, "timePeriod", "duration") / 60;
    if (minutes > 0) counts.set(minutes, (counts.get(minutes) ?? 0) + 1);
  }
  return [...counts].sort((a, b) => b[1] - a[1])[0]?.[0] ?? null;
}
