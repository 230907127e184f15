"use client";

import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { type AcceptanceQuestion, type AcceptanceReport, acceptanceReportSchema } from "@/contracts/acceptance";
import { ask } from "@/features/data/ask";
import { asRefused, type RefusedCall } from "@/features/data/refused-call";

/** Figures are asked for once nobody types any more. */
export const TYPING_MS = 350;

export interface TestFigures<Kind extends AcceptanceReport["kind"]> {
  readonly report: Extract<AcceptanceReport, { kind: Kind }> | null;
  readonly refusal: RefusedCall | null;
  readonly isBusy: boolean;
}

/** Figures of a question of the chapter; null asks nothing. The newest question's answer alone counts. */
export function useTestFigures<Q extends AcceptanceQuestion>(slug: string, question: Q | null): TestFigures<Q["kind"]> {
  const { data, error, isFetching } = useQuery({
    queryKey: ["test", slug, question],
    queryFn: ({ signal }) => ask(acceptanceReportSchema, `/api/books/${slug}/tests/figures`, { method: "POST", body: question, signal }),
    enabled: question !== null,
    placeholderData: keepPreviousData,
    retry: false,
  });
  const own = question !== null && data?.kind === question.kind ? data : null;
  return {
    report: own as TestFigures<Q["kind"]>["report"],
    refusal: error ? asRefused(error) : null,
    isBusy: isFetching,
  };
}
