import type { Remote } from "comlink";
import type { LedgerLine } from "@/core/ledger";
import type { Uncertainty, WeatherShare } from "@/core/yield";
import type { LedgerContext } from "@/wording/workings/ledger-workings";
import type { YieldEngine } from "./engine.worker";

/** What the three shares of a span are drawn from. */
export interface SharesProps {
  readonly slug: string;
  readonly sum: LedgerLine;
  readonly lines: readonly LedgerLine[];
  readonly months: readonly LedgerLine[];
  readonly year: string;
  readonly context: LedgerContext;
  readonly uncertainty: Uncertainty;
  readonly weather: WeatherShare | null;
  readonly decimals: number;
  readonly engine: Remote<YieldEngine> | null;
}

/** Less rounds to nothing on every page, kWh. */
export const LEAST_KWH = 0.05;
