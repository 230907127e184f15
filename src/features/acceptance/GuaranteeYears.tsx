"use client";

import type { GuaranteeAnswer, GuaranteeAnswerYear, GuaranteeQuestion } from "@/contracts/acceptance";
import { Figure } from "@/features/kit/figures/Figure";
import chapter from "@/features/kit/look/Chapter.module.css";
import { ScrollBox } from "@/features/kit/look/ScrollBox";
import { type Column, DataTable } from "@/features/kit/table/DataTable";
import { yearOutcomes } from "@/wording/acceptance";
import { money, number, percent } from "@/wording/format";
import { say } from "@/wording/screens/acceptance";
import { guaranteeWorking } from "@/wording/workings/acceptance-working";
import styles from "./Acceptance.module.css";

interface GuaranteeYearsProps {
  readonly report: GuaranteeAnswer;
  readonly question: GuaranteeQuestion;
  readonly currency: string;
}

/** Contract years, a row each: with everything in, without what is left out, and what follows. */
export function GuaranteeYears({ report, question, currency }: GuaranteeYearsProps) {
  const facts = { of: report.of, lightErrorFrac: report.lightErrorFrac, deadBandFrac: question.deadBandFrac };
  const index = (year: GuaranteeAnswerYear, side: "allIn" | "without") => {
    const { index: value, half } = year[side];
    if (value === null) return "–";
    return (
      <Figure
        plain
        name={`${side === "allIn" ? "all-in" : "guaranteed-index"}/${year.from}`}
        working={() => guaranteeWorking(year, facts, side)}
      >
        {half > 0 ? `${percent(value)} ± ${number(half * 100, 1)}` : percent(value, 2)}
      </Figure>
    );
  };
  const columns: Column<GuaranteeAnswerYear>[] = [
    { key: "year", head: say.year, kind: "words", namesRow: true, cell: ({ from, to }) => `${from} – ${to}` },
    { key: "guaranteed", head: say.guaranteedColumn, cell: ({ guaranteed }) => percent(guaranteed) },
    { key: "all", head: say.allIn, cell: (year) => index(year, "allIn") },
    { key: "without", head: say.without, cell: (year) => index(year, "without") },
    { key: "left", head: say.leftOut, cell: ({ leftOutKwh }) => number(leftOutKwh.reduce((sum, kwh) => sum + kwh, 0)) },
    { key: "missing", head: say.missing, cell: ({ missingFrac }) => percent(missingFrac) },
    { key: "short", head: say.short, cell: (year) => (isSettled(year) ? number(year.shortKwh) : "–") },
    ...(question.damagesPerKwh === null
      ? []
      : [
          {
            key: "damages",
            head: say.owedDamages(currency),
            cell: ({ damages }: GuaranteeAnswerYear) => (damages === null ? "–" : money(damages)),
          },
        ]),
    {
      key: "outcome",
      head: say.outcome,
      kind: "words",
      cell: ({ outcome }) => <span className={outcome === "missed" ? styles.missed : undefined}>{yearOutcomes[outcome]}</span>,
    },
  ];
  return (
    <ScrollBox label={say.guarantee}>
      <DataTable
        className={`${chapter.table} ${styles.years}`}
        columns={columns}
        rows={report.years}
        rowKey={({ from }) => from}
        fileName="guarantee-years"
        testId="guarantee-years"
      />
    </ScrollBox>
  );
}

const isSettled = ({ outcome }: GuaranteeAnswerYear): boolean => outcome === "kept" || outcome === "missed";
