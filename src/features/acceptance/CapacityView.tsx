"use client";

import { useDebouncedValue } from "@mantine/hooks";
import { useMemo, useState } from "react";
import { PowerByLight } from "@/charts";
import type { CapacityAnswer, CapacityQuestion } from "@/contracts/acceptance";
import chapter from "@/features/kit/look/Chapter.module.css";
import { Refused } from "@/features/kit/problems/ProblemList";
import { ChartFrame } from "@/features/kit/save/ChartFrame";
import { say } from "@/wording/screens/acceptance";
import styles from "./Acceptance.module.css";
import { CapacityFields } from "./CapacityFields";
import { FilterTable, FitTable } from "./CapacityTables";
import { CapacityVerdict } from "./CapacityVerdict";
import { capacityQuestion, typedCapacity } from "./capacity-terms";
import { KeepTest } from "./KeepTest";
import { TYPING_MS, useTestFigures } from "./use-test-figures";

export interface CapacityViewProps {
  readonly slug: string;
  readonly question: CapacityQuestion;
  readonly period: { readonly from: string; readonly to: string };
}

const CHART_PX = 260;

/** Capacity at reporting conditions, by regression, against what was agreed or what the book expects. */
export function CapacityView({ slug, question: start, period }: CapacityViewProps) {
  const [typed, setTyped] = useState(() => typedCapacity(start, period));
  const [settled] = useDebouncedValue(typed, TYPING_MS);
  const question = useMemo(() => capacityQuestion(settled), [settled]);
  const { report, refusal } = useTestFigures(slug, question);
  return (
    <>
      <p className={chapter.verdict} data-lines="2" data-testid="capacity-verdict">
        {report && question ? (
          <CapacityVerdict report={report} isModel={question.targetKw === null} passFrac={question.passFrac} />
        ) : (
          !refusal && say.makingFigures
        )}
      </p>
      {refusal && <Refused refusal={refusal} />}
      <div className={`${chapter.columns} ${styles.columns}`}>
        <section className={chapter.section}>
          <h2>{say.terms}</h2>
          <CapacityFields typed={typed} put={(part) => setTyped({ ...typed, ...part })} />
          {question && report && <KeepTest slug={slug} question={question} label={say.keep} />}
        </section>
        {report && <CapacityFigures slug={slug} report={report} />}
      </div>
    </>
  );
}

function CapacityFigures({ slug, report }: { readonly slug: string; readonly report: CapacityAnswer }) {
  const { shown, conditions, metered, expected } = report;
  return (
    <section className={chapter.section}>
      <h2>{say.filters}</h2>
      <FilterTable report={report} />
      {metered && expected && conditions && (
        <>
          <ChartFrame
            title={say.byLight}
            note={say.byLightNote}
            fileName={`${slug}-capacity`}
            height={CHART_PX}
            summary={say.byLightSummary(report.intervals)}
            table={() => [["poa_w_m2", "metered_kw", "expected_kw"], ...shown.map((point) => [...point])]}
          >
            {(width) => (
              <PowerByLight
                points={shown}
                at={conditions.poaWm2}
                meteredKw={metered.capacityKw}
                expectedKw={expected.capacityKw}
                width={width}
                height={CHART_PX}
              />
            )}
          </ChartFrame>
          <h2>{say.fit}</h2>
          <FitTable report={report} />
        </>
      )}
      {!report.hasPlaneSensor && <p className={chapter.soft}>{say.lightComputed}</p>}
      {!report.hasWind && <p className={chapter.soft}>{say.noWind}</p>}
    </section>
  );
}
