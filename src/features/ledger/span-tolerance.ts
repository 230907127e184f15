import { type LedgerLine, type Tolerances, toleranceFrac } from "@/core/ledger";
import type { LedgerContext } from "@/wording/workings/ledger-workings";

const isMonth = (key: string): boolean => /^\d{4}-\d{2}$/.test(key);

/** Tolerances of a page and of its lines. */
export const pageTolerances = (context: LedgerContext, lines: readonly LedgerLine[]): Tolerances => ({
  page: spanTolerance(context, lines),
  line: spanTolerance(context, lines.slice(-1)),
});

/**
 * Share of the expected energy of some lines within which a difference says nothing: months, or years of twelve. All years together are judged at the age of
 * the last.
 */
export function spanTolerance(
  { site, sources }: LedgerContext,
  lines: readonly Pick<LedgerLine, "key" | "isSought" | "meteredKwh">[],
): number {
  const months = lines.reduce((sum, { key }) => sum + (isMonth(key) ? 1 : 12), 0);
  const year = Number(/\d{4}/.exec(lines.at(-1)?.key ?? "")?.[0] ?? 0);
  return toleranceFrac(site, sources, {
    year,
    months: Math.max(1, months),
    isLevelRead: lines.some(({ isSought }) => isSought) && lines.every(({ isSought, meteredKwh }) => isSought || meteredKwh === null),
  });
}
