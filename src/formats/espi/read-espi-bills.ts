import type { BillDocument } from "@/contracts/bills";
import type { ProblemLog } from "@/contracts/problems";
import { Exact } from "@/core/money";
import { readXml } from "../xml";

/** A bill has few elements; its readings may stand beside it. */
const LIMITS = { mostTags: 30_000_000, mostDepth: 40 } as const;
/** Costs are whole numbers of this many parts of the currency. Source: NAESB, 2011, REQ.21 Energy Services Provider Interface, UsageSummary. */
const COST_PARTS = 100_000;
const WATT_HOURS = 72;
const SUMMARIES = new Set(["UsageSummary", "ElectricPowerUsageSummary"]);

interface Summary {
  start: number;
  duration: number;
  cost: string;
  /** Of the energy: its unit, power of ten and value. */
  uom: number;
  powerOfTen: number;
  value: number;
}

const whole = (text: string): number => (/^-?\d+$/.test(text.trim()) ? Number(text) : Number.NaN);

/** Bills out of interval-meter XML: each usage summary with its period, its energy and its cost, by the clock that the file names. */
export async function readEspiBills(text: AsyncIterable<string>, log: ProblemLog): Promise<BillDocument[]> {
  const summaries: Summary[] = [];
  const path: string[] = [];
  let [leaf, offsetS] = ["", 0];
  const reader = readXml(LIMITS, {
    open({ name }) {
      path.push(name);
      leaf = "";
      if (SUMMARIES.has(name))
        summaries.push({ start: Number.NaN, duration: Number.NaN, cost: "", uom: WATT_HOURS, powerOfTen: 0, value: Number.NaN });
    },
    close(name) {
      path.pop();
      const own = summaries.at(-1);
      const [above, parent] = path.slice(-2);
      if (name === "tzOffset") offsetS = whole(leaf) || 0;
      else if (own && parent === "billingPeriod" && (name === "start" || name === "duration")) own[name] = whole(leaf);
      else if (own && parent !== undefined && SUMMARIES.has(parent) && name === "billLastPeriod") own.cost = leaf.trim();
      else if (own && above !== undefined && SUMMARIES.has(above) && parent === "overallConsumptionLastPeriod") takeEnergy(own, name, leaf);
      leaf = "";
    },
    text(piece) {
      leaf += piece;
    },
  });
  for await (const piece of text) reader.write(piece);
  reader.end();
  if (summaries.length === 0) log.add("meter-file-without-bills", "error");
  return summaries.flatMap((summary, k) => billOf(summary, offsetS, k + 1, log) ?? []);
}

function takeEnergy(own: Summary, name: string, leaf: string): void {
  if (name === "value") own.value = whole(leaf);
  else if (name === "uom") own.uom = whole(leaf);
  else if (name === "powerOfTenMultiplier") own.powerOfTen = whole(leaf);
}

function billOf(
  { start, duration, cost, uom, powerOfTen, value }: Summary,
  offsetS: number,
  row: number,
  log: ProblemLog,
): BillDocument | null {
  if (!(start > 0 && duration > 0)) log.add("bad-time", "error", { row, column: "billingPeriod", value: `${start} ${duration}` });
  else if (!/^-?\d+$/.test(cost)) log.add("not-a-number", "error", { row, column: "billLastPeriod", value: cost });
  else if (Number.isNaN(value) || uom !== WATT_HOURS)
    log.add("not-a-number", "error", { row, column: "overallConsumptionLastPeriod", value: String(value) });
  else {
    const day = (epochS: number): string => new Date((epochS + offsetS) * 1000).toISOString().slice(0, 10);
    return {
      from: day(start),
      // The period's end is the first moment that is no more of it.
      to: day(start + duration - 1),
      usageKwh: null,
      importKwh: (value * 10 ** powerOfTen) / 1000,
      importByBandKwh: {},
      exportKwh: null,
      productionKwh: null,
      amount: new Exact(cost).div(COST_PARTS).toFixed(2),
    };
  }
  return null;
}
