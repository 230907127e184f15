import { DATED_ACCOUNTS, type FoundAccount } from "../accounts";
import type { CauseFinding, CauseKind } from "./finding";

const ACCOUNT_OF: Readonly<Record<CauseKind, FoundAccount>> = {
  outage: "downtime",
  "held-low": "curtailment",
  derating: "derating",
  "strings-out": "strings",
  snow: "snow",
  ceiling: "clipping",
  shading: "shading",
  orientation: "orientation",
  soiling: "soiling",
  "unrecorded-cleaning": "soiling",
  "sensor-dirty": "rating",
  "sensor-drift": "rating",
  ageing: "ageing",
};

/** The account on which a cause takes its energy. */
export const accountOfCause = (kind: CauseKind): FoundAccount => ACCOUNT_OF[kind];

/** Findings of an account that touch a stretch of time: how many, and the one that took most; null where it has no dates. */
export function spanOfLoss(
  account: FoundAccount,
  findings: readonly Pick<CauseFinding, "kind" | "fromUtcMs" | "toUtcMs" | "kwh">[],
  { fromUtcMs, toUtcMs }: { readonly fromUtcMs: number; readonly toUtcMs: number },
): { readonly count: number; readonly fromUtcMs: number; readonly toUtcMs: number } | null {
  if (!DATED_ACCOUNTS.includes(account)) return null;
  const own = findings
    .filter(({ kind }) => accountOfCause(kind) === account)
    .filter((finding) => finding.fromUtcMs < toUtcMs && finding.toUtcMs > fromUtcMs)
    .sort((a, b) => (b.kwh ?? 0) - (a.kwh ?? 0));
  const most = own[0];
  return most ? { count: own.length, fromUtcMs: most.fromUtcMs, toUtcMs: most.toUtcMs } : null;
}
