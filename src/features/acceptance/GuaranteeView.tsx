"use client";

import { useDebouncedValue } from "@mantine/hooks";
import { useMemo, useState } from "react";
import type { GuaranteeQuestion } from "@/contracts/acceptance";
import chapter from "@/features/kit/look/Chapter.module.css";
import { Refused } from "@/features/kit/problems/ProblemList";
import { say } from "@/wording/screens/acceptance";
import { GuaranteeFields } from "./GuaranteeFields";
import { GuaranteeVerdict } from "./GuaranteeVerdict";
import { GuaranteeYears } from "./GuaranteeYears";
import { guaranteeQuestion, typedGuarantee } from "./guarantee-terms";
import { KeepTest } from "./KeepTest";
import { TYPING_MS, useTestFigures } from "./use-test-figures";

export interface GuaranteeViewProps {
  readonly slug: string;
  /** Of a kept test, where one is opened. */
  readonly question: GuaranteeQuestion | null;
  readonly firstDay: string;
  readonly years: number;
  readonly currency: string;
}

/** A contract's guarantee settled year by year, with everything in and without what it leaves out. */
export function GuaranteeView({ slug, question: start, firstDay, years, currency }: GuaranteeViewProps) {
  const [typed, setTyped] = useState(() => typedGuarantee(start, firstDay, years));
  const [settled] = useDebouncedValue(typed, TYPING_MS);
  const question = useMemo(() => guaranteeQuestion(settled), [settled]);
  const { report, refusal } = useTestFigures(slug, question);
  return (
    <>
      <p className={chapter.verdict} data-lines="2" data-testid="guarantee-verdict">
        {question === null ? (
          say.writeFigure
        ) : report ? (
          <GuaranteeVerdict report={report} currency={currency} />
        ) : (
          !refusal && say.makingFigures
        )}
      </p>
      {refusal && <Refused refusal={refusal} />}
      {question && report && report.years.length > 0 && (
        <section className={chapter.section}>
          <GuaranteeYears report={report} question={question} currency={currency} />
          <p className={chapter.soft}>{say.heldByFieldBook(report.held.length)}</p>
        </section>
      )}
      <section className={chapter.section}>
        <h2>{say.settle}</h2>
        <GuaranteeFields typed={typed} put={(part) => setTyped({ ...typed, ...part })} currency={currency} />
        {question && report && <KeepTest slug={slug} question={question} label={say.keepGuarantee} />}
      </section>
    </>
  );
}
