import { createHash } from "node:crypto";
import type { AcceptanceQuestion, AcceptanceReport } from "@/contracts/acceptance";
import { ledgerLines } from "@/core/ledger";
import type { Site } from "@/core/site";
import { runYield } from "@/core/yield";
import type { OpenLedger } from "../ledger";
import { capacityOf } from "./capacity";
import type { Days } from "./columns";
import { guaranteeOf } from "./guarantee";

export interface TestAsked {
  readonly question: AcceptanceQuestion;
  /** Spans in which something outside held the plant. */
  readonly held: readonly Days[];
  readonly cleanings: readonly string[];
  /** A site document as it once stood, in the place of the book's; null for the book's. */
  readonly site: Site | null;
}

export interface MeasuredTest {
  readonly report: AcceptanceReport;
  /** Of the readings and the light that it was made from. */
  readonly inputHash: string;
}

/** A test's figures, with a hash of all readings behind them. */
export function measuredTest(ledger: OpenLedger, { question, held, cleanings, site }: TestAsked): MeasuredTest {
  const own = site ? withSite(ledger, site, cleanings) : ledger;
  const report = question.kind === "capacity" ? capacityOf(own, question, held) : guaranteeOf(own, question, held);
  return { report, inputHash: hashOf(ledger, held) };
}

/** The same readings under another site document. */
function withSite(ledger: OpenLedger, site: Site, cleanings: readonly string[]): OpenLedger {
  const { weather, run: before, metered, promise, usual } = ledger;
  if (!weather || !before) return ledger;
  const run = runYield(site, weather, before.bins, { cleanings });
  return { ...ledger, site, run, report: { ...ledger.report, months: ledgerLines(run, metered, promise, usual) } };
}

function hashOf({ weather, metered }: OpenLedger, held: readonly Days[]): string {
  const hash = createHash("sha256");
  const add = (name: string, column: Float64Array | Float32Array | null): void => {
    hash.update(`\n${name} ${column?.length ?? 0}\n`);
    if (column) hash.update(new Uint8Array(column.buffer, column.byteOffset, column.byteLength));
  };
  hash.update(JSON.stringify([weather?.axis ?? null, held]));
  for (const [name, column] of Object.entries(weather ?? {})) if (name !== "axis") add(name, column as Float64Array | null);
  add("meteredKwh", metered?.kwh ?? null);
  add("readFrac", metered?.readFrac ?? null);
  return hash.digest("hex");
}
