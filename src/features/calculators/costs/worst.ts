import type { Mistake, MistakeCost } from "@/core/comparison";

export type Kind = Mistake["kind"];
/** What each mistake costs; null where it is not said or not known yet. */
export type Answers = Partial<Record<Kind, MistakeCost | null>>;

export interface Worst {
  readonly kind: Kind;
  readonly cost: MistakeCost;
  readonly lostKwh: number;
  readonly lostFrac: number;
}

/** The mistake that takes most; `nothing` where what was answered takes nothing; null while nothing was answered. */
export function worstOf(answers: Answers): Worst | "nothing" | null {
  const known = Object.entries(answers).flatMap(([kind, cost]): Worst[] => {
    if (!cost || cost.couldKwh <= 0) return [];
    const lostKwh = cost.couldKwh - cost.isKwh;
    return [{ kind: kind as Kind, cost, lostKwh, lostFrac: lostKwh / cost.couldKwh }];
  });
  if (known.length === 0) return null;
  const most = known.reduce((a, b) => (b.lostKwh > a.lostKwh ? b : a));
  return most.lostKwh > 0 ? most : "nothing";
}
