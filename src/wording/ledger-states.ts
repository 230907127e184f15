import { DateTime } from "luxon";
import type { FoundAccount } from "@/core/accounts";
import type { LineState } from "@/core/ledger";
import { ACCOUNT_NAMES } from "./accounts";
import { catalogue } from "./catalogue";

/** Causes of which a plant may have less than the plan has; of the others, as a plane or a wire, "less" says nothing. */
const HAS_LESS: ReadonlySet<FoundAccount> = new Set([
  "shading",
  "snow",
  "soiling",
  "reflection",
  "lowLight",
  "temperature",
  "ageing",
  "clipping",
  "curtailment",
  "downtime",
  "derating",
]);

const KINDS = catalogue({
  within: "within tolerance",
  "to-check": "to check",
  gap: "gap",
  usual: "usual year",
  "no-weather": "no weather",
  closed: "closed",
  /** An account that took less than the plan has it: a gain is no loss. */
  less: (name: string) => `less ${name}`,
});

/** A line at a glance: its state, or the cause that explains it. */
export function stateWords(state: LineState | { readonly kind: "closed" }): string {
  if (state.kind !== "explained") return KINDS[state.kind];
  const { name } = ACCOUNT_NAMES[state.account];
  return state.isGain && HAS_LESS.has(state.account) ? KINDS.less(name.toLowerCase()) : name;
}

/** What a loss is called at the head of a sentence: one of it, and several. */
const SUBJECTS: Readonly<Record<FoundAccount, readonly [string, string]>> = {
  orientation: ["The plane that the readings show", "The plane that the readings show"],
  shading: ["Shade that is not in the book", "Shade that is not in the book"],
  snow: ["Snow", "Snow"],
  soiling: ["Soiling above its budget", "Soiling above its budget"],
  rating: ["The level of modules and light sensor", "The level of modules and light sensor"],
  ageing: ["Ageing above its budget", "Ageing above its budget"],
  strings: ["A part of the array that was out", "Parts of the array that were out"],
  derating: ["An inverter that held back in the heat", "Inverters that held back in the heat"],
  clipping: ["A ceiling lower than the ratings", "A ceiling lower than the ratings"],
  curtailment: ["A limit", "Limits"],
  downtime: ["An outage", "Outages"],
  reflection: ["Reflection beyond the plan", "Reflection beyond the plan"],
  rear: ["Rear light short of the plan", "Rear light short of the plan"],
  lowLight: ["Low light beyond the plan", "Low light beyond the plan"],
  temperature: ["Heat beyond the plan", "Heat beyond the plan"],
  wiring: ["Wiring beyond the plan", "Wiring beyond the plan"],
  inverter: ["Inverter losses beyond the plan", "Inverter losses beyond the plan"],
};

/** Stretches of one cause within a page: how many, and the one that took most. */
export interface LossSpan {
  readonly count: number;
  readonly fromUtcMs: number;
  readonly toUtcMs: number;
}

/** "6 to 15 October", "28 September to 3 October", "on 6 October": without a year where it is that of the page. */
export function spanWords({ fromUtcMs, toUtcMs }: Pick<LossSpan, "fromUtcMs" | "toUtcMs">, timeZone: string, pageYear: string): string {
  const from = DateTime.fromMillis(fromUtcMs, { zone: timeZone });
  const to = DateTime.fromMillis(Math.max(fromUtcMs, toUtcMs - 1), { zone: timeZone });
  const year = (day: DateTime): string => (String(day.year) === pageYear ? "" : ` ${day.year}`);
  const full = (day: DateTime): string => `${day.day} ${day.setLocale("en").monthLong}`;
  if (from.hasSame(to, "day")) return `on ${full(from)}${year(from)}`;
  if (from.hasSame(to, "month")) return `${from.day} to ${full(to)}${year(to)}`;
  return `${full(from)}${from.year === to.year ? "" : year(from)} to ${full(to)}${year(to)}`;
}

/** "An outage, 6 to 15 October," or "3 outages, the longest 6 to 15 October,". */
export function lossSubject(account: FoundAccount, span: LossSpan | null, timeZone: string, pageYear: string): string {
  const [one, several] = SUBJECTS[account];
  if (!span) return one;
  const when = spanWords(span, timeZone, pageYear);
  if (span.count === 1) return `${one}, ${when},`;
  return one === several ? `${one}, most of it ${when},` : `${span.count} ${several.toLowerCase()}, the longest ${when},`;
}
