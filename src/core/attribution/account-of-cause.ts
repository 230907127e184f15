import type { FoundAccount } from "../accounts";
import type { CauseFinding, CauseKind } from "./finding";

const ACCOUNT_OF: Readonly<Record<CauseKind, FoundAccount>> = {
  outage: "downtime",
  "held-low": "curtailment",
  "strings-out": "strings",
  snow: "snow",
  ceiling: "clipping",
  shading: "shading",
  orientation: "orientation",
  soiling: "soiling",
  "unrecorded-cleaning": "soiling",
  ageing: "ageing",
};

/** The account on which a cause takes its energy. */
export const accountOfCause = (kind: CauseKind): FoundAccount => ACCOUNT_OF[kind];

/** Causes that come and go: their dates say when, a level has none. */
const DATED: readonly CauseKind[] = ["outage", "held-low", "strings-out", "snow"];

/** Findings of an account that touch a stretch of time: how many, and the one that took most; null where it has no dates. */
export function spanOfLoss(
  account: FoundAccount,
  findings: readonly Pick<CauseFinding, "kind" | "fromUtcMs" | "toUtcMs" | "kwh">[],
  { fromUtcMs, toUtcMs }: { readonly fromUtcMs: number; readonly toUtcMs: number },
): { readonly count: number; readonly fromUtcMs: number; readonly toUtcMs: number } | null {
  const own = findings
    .filter(({ kind }) => accountOfCause(kind) === account && DATED.includes(kind))
    .filter((finding) => finding.fromUtcMs < toUtcMs && finding.toUtcMs > fromUtcMs)
    .sort((a, b) => (b.kwh ?? 0) - (a.kwh ?? 0));
  const most = own[0];
  return most ? { count: own.length, fromUtcMs: most.fromUtcMs, toUtcMs: most.toUtcMs } : null;
}
