import type { MappingQuestion } from "@/contracts/mapping";
import { type Problem, ProblemLog } from "@/contracts/problems";
import { MINUTE_MS } from "@/core/units";
import { say } from "@/wording/tables";
import { dividesDay } from "../tabular/series/grid";
import { type PagedSeries, place } from "../tabular/series/pages";
import { type Bytes, decodeText, UnreadableText } from "../tabular/text";
import { BrokenXml } from "../xml";
import { type EspiElements, espiElements, type ReadingElement, type TypeElement } from "./espi-elements";

export interface EspiFile {
  readonly series: readonly PagedSeries[];
  readonly stepMinutes: number | null;
  readonly rowCount: number;
  readonly valueCount: number;
  readonly firstUtcMs: number | null;
  readonly lastUtcMs: number | null;
  /** How energy flows through the readings taken: delivered to the customer, or received from them. */
  readonly flow: "delivered" | "received" | null;
  /** Which of several kinds of reading is meant: the one that was taken may be changed. */
  readonly questions: readonly MappingQuestion[];
  readonly problems: readonly Problem[];
}

/** Unit of measure code of watt-hours. Source: NAESB, 2011, REQ.21 Energy Services Provider Interface, UomType. */
const WATT_HOURS = 72;
const RECEIVED = 19;
const DELIVERED = 1;
const NET = 4;

export const looksLikeEspi = (head: string): boolean =>
  /^\s*(<\?xml[^>]*>\s*)?(<!--[\s\S]*?-->\s*)*(<!DOCTYPE|<[a-z:]*(feed|IntervalBlock|entry|UsagePoint))/i.test(head);

interface ReadingType {
  readonly factorKwh: number;
  readonly received: boolean;
}

/**
 * Reads interval-meter XML: epoch seconds, a duration and a value in watt-hours times a power of ten. Where both directions of flow are there, what the
 * site sent out is taken, unless `type`, the place of another in the file, says otherwise. Entities and document types are refused. Source: NAESB, 2011, REQ.21 Energy Services Provider Interface.
 */
export async function readEspi(bytes: Bytes, type: string | null = null): Promise<EspiFile> {
  const log = new ProblemLog();
  try {
    return taken(await espiElements(decodeText(bytes)), type, log);
  } catch (error) {
    if (error instanceof UnreadableText) log.add(error.code, "error");
    else if (error instanceof BrokenXml) log.add("xml-broken", "error", { row: error.line }, { message: error.message });
    else throw error;
    return nothing(log);
  }
}

const nothing = (log: ProblemLog): EspiFile => ({
  series: [],
  stepMinutes: null,
  rowCount: 0,
  valueCount: 0,
  firstUtcMs: null,
  lastUtcMs: null,
  flow: null,
  questions: [],
  problems: log.list(),
});

const readingType = ({ powerOfTen, flow }: TypeElement): ReadingType => ({
  factorKwh: 10 ** (Number.isNaN(powerOfTen) ? 0 : powerOfTen) / 1000,
  received: flow === RECEIVED,
});

function taken({ types, blocks }: EspiElements, wanted: string | null, log: ProblemLog): EspiFile {
  const energies = types.flatMap((type, at) => (Number.isNaN(type.uom) || type.uom === WATT_HOURS ? [{ type, at }] : []));
  if (types.length > 0 && energies.length === 0) log.add("no-value-column", "error", {}, { columns: "reading types without watt-hours" });
  const chosen = energies.find(({ at }) => String(at) === wanted) ?? energies.find(({ type }) => type.flow === RECEIVED) ?? energies[0];
  const own = readingType(chosen?.type ?? { powerOfTen: 0, uom: WATT_HOURS, flow: DELIVERED });
  // With one block list a type, the k-th type's readings are the k-th part; feeds of one type are all taken.
  const isParted = types.length > 1 && blocks.length % types.length === 0;
  const readingsOf = (at: number): readonly ReadingElement[] => (isParted ? part(blocks, types.length, at) : blocks).flat();
  const question = isParted && energies.length > 1 ? questionOf(energies, readingsOf) : null;
  // Two of the same direction are nobody's guess.
  const alike = energies.filter(({ type }) => type.flow === chosen?.type.flow).length;
  if (question && alike > 1 && wanted === null)
    log.add(
      "mapping-unsure",
      "error",
      {},
      {
        question: question.question,
        evidence: question.evidence,
        choices: question.choices.map(({ label }) => label).join("; "),
        id: question.id,
      },
    );
  return { ...paged(readingsOf(chosen?.at ?? 0), own, log), questions: question ? [question] : [] };
}

interface EnergyType {
  readonly type: TypeElement;
  /** Its place among the reading types of the file. */
  readonly at: number;
}

/** The kinds of reading in words: which way the energy went, how often it was read, and how much it was. */
function questionOf(energies: readonly EnergyType[], readingsOf: (at: number) => readonly ReadingElement[]): MappingQuestion {
  return {
    id: "reading-type",
    question: say.whichKindOfReading,
    evidence: say.theFileHoldsKinds(energies.length),
    choices: energies.map(({ type, at }) => {
      const readings = readingsOf(at);
      const kwh = readings.reduce((sum, { value }) => sum + (value || 0), 0) * readingType(type).factorKwh;
      return { value: String(at), label: say.inStepsOf(directionOf(type), usualMinutes(readings) ?? 0, Math.round(kwh)) };
    }),
  };
}

function directionOf({ flow }: TypeElement): string {
  if (flow === RECEIVED) return say.sentOutByTheSite;
  if (flow === DELIVERED) return say.deliveredToTheSite;
  return flow === NET ? say.netOfBothDirections : say.energyWithoutDirection;
}

function part<T>(items: readonly T[], parts: number, wanted: number): readonly T[] {
  const size = items.length / parts;
  return items.slice(wanted * size, (wanted + 1) * size);
}

function paged(readings: readonly ReadingElement[], type: ReadingType, log: ProblemLog): EspiFile {
  const stepMinutes = usualMinutes(readings);
  if (readings.length === 0) log.add("no-rows", "error");
  else if (stepMinutes === null || !dividesDay(stepMinutes)) log.add("odd-step", "error", {}, { minutes: stepMinutes ?? 0 });
  if (log.hasErrors || stepMinutes === null) return nothing(log);
  let series: PagedSeries | null = null;
  let [valueCount, first, last] = [0, Number.POSITIVE_INFINITY, Number.NEGATIVE_INFINITY];
  readings.forEach((reading, k) => {
    const utcMs = reading.start * 1000;
    const kwh = reading.value * type.factorKwh;
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
    questions: [],
    problems: log.list(),
  };
}

function usualMinutes(readings: readonly ReadingElement[]): number | null {
  const counts = new Map<number, number>();
  for (const reading of readings) {
    const minutes = reading.duration / 60;
    if (minutes > 0) counts.set(minutes, (counts.get(minutes) ?? 0) + 1);
  }
  return [...counts].sort((a, b) => b[1] - a[1])[0]?.[0] ?? null;
}
