import type { GuaranteeQuestion } from "@/contracts/acceptance";
import type { GuaranteeKind } from "@/core/guarantee";

type Typed = number | string;

/** Terms of a contract as they stand in their fields: shares in per cent, and what is no number yet as it was typed. */
export interface GuaranteeTyped {
  readonly of: GuaranteeKind;
  readonly from: string;
  readonly years: Typed;
  readonly guaranteedPercent: Typed;
  readonly fallPercent: Typed;
  readonly deadBandPoints: Typed;
  readonly mostMissingPercent: Typed;
  readonly damagesPerKwh: string;
  readonly exclusions: readonly { readonly from: string; readonly to: string; readonly why: string }[];
}

const inPercent = (share: number): number => Number((share * 100).toFixed(6));

/** The fields of a question; of a contract that nobody wrote yet, from a day on. */
export const typedGuarantee = (question: GuaranteeQuestion | null, from: string, years: number): GuaranteeTyped => ({
  of: question?.of ?? "energy-index",
  from: question?.from ?? from,
  years: question?.years ?? years,
  guaranteedPercent: question ? inPercent(question.guaranteedFrac) : "",
  fallPercent: question ? inPercent(question.fallPerYearFrac) : 0,
  deadBandPoints: question ? inPercent(question.deadBandFrac) : 0,
  mostMissingPercent: question ? inPercent(question.mostMissingFrac) : 10,
  damagesPerKwh: question?.damagesPerKwh ?? "",
  exclusions: question?.exclusions ?? [],
});

const PRICE = /^\d{1,12}(\.\d{1,8})?$/;

/** The question of the fields; null while one of them is missing or no number. */
export function guaranteeQuestion(typed: GuaranteeTyped): GuaranteeQuestion | null {
  const { of, from, years, guaranteedPercent, fallPercent, deadBandPoints, mostMissingPercent, damagesPerKwh, exclusions } = typed;
  const numbers = [years, guaranteedPercent, fallPercent, deadBandPoints, mostMissingPercent];
  const price = damagesPerKwh.trim().replace(",", ".");
  if (from === "" || numbers.some((value) => typeof value !== "number") || (price !== "" && !PRICE.test(price))) return null;
  const share = (value: Typed): number => Number((Number(value) / 100).toFixed(8));
  return {
    kind: "guarantee",
    ...{ of, from, years: Number(years) },
    guaranteedFrac: share(guaranteedPercent),
    fallPerYearFrac: share(fallPercent),
    deadBandFrac: share(deadBandPoints),
    mostMissingFrac: share(mostMissingPercent),
    // A line that is not filled in yet leaves nothing out.
    exclusions: exclusions.filter((line) => line.from !== "" && line.to !== "" && line.why.trim() !== ""),
    damagesPerKwh: price === "" ? null : price,
  };
}
