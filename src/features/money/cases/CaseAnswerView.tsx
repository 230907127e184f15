"use client";

import { CaseCurves, caseDash } from "@/charts";
import type { CaseTerms } from "@/core/money";
import { Cells } from "@/features/kit/figures/Cells";
import chapter from "@/features/kit/look/Chapter.module.css";
import { ScrollBox } from "@/features/kit/look/ScrollBox";
import { ChartFrame } from "@/features/kit/save/ChartFrame";
import { RuledTable } from "@/features/kit/table/RuledTable";
import { decisionsInWords, type NamedDecision, sideInWords } from "@/wording/decisions";
import { money, number } from "@/wording/format";
import { say } from "@/wording/screens/money-cases";
import { decisionWorking } from "@/wording/workings/money-workings";
import styles from "../MoneyChapter.module.css";
import { answerSentence, flipWords } from "./case-words";
import type { DecidedCase } from "./cases.worker";

export function CaseAnswerView({ slug, answer, terms }: { slug: string; answer: DecidedCase; terms: CaseTerms }) {
  const decisions = decisionsInWords(answer.decisions);
  const baseName = sideInWords(answer.base);
  const best = bestOf(decisions);
  return (
    <>
      <p className={chapter.verdict} data-testid="case-verdict">
        {answerSentence(baseName, decisions, terms)}
      </p>
      <WaysTable baseName={baseName} terms={terms} decisions={decisions} best={best} />
      <BalanceOfWays baseName={baseName} terms={terms} decisions={decisions} best={best} slug={slug} answer={answer} />
    </>
  );
}

interface WaysTableProps {
  readonly baseName: string;
  readonly terms: CaseTerms;
  readonly decisions: NamedDecision[];
  readonly best: NamedDecision | undefined;
}

function WaysTable({ baseName, terms, decisions, best }: WaysTableProps) {
  return (
    <ScrollBox label={say.waysItCanGo}>
      <RuledTable className={`${chapter.table} ${styles.ways}`}>
        <thead>
          <tr>
            <th>against “{baseName}”</th>
            <th>{say.extraEnergyKwhAYear}</th>
            <th>{say.worthInTheFirstYear(terms.currency)}</th>
            <th>{say.extraCostNow}</th>
            <th>{say.paidBackIn}</th>
            <th>{say.overYearsTodaysMoney(terms.horizonYears)}</th>
            <th>turns at</th>
          </tr>
        </thead>
        <tbody>
          {decisions.map((decision) => (
            <tr key={decision.name} data-trusted={decision === best || undefined}>
              <td>
                <b>{decision.name}</b>
              </td>
              <Cells working={() => decisionWorking(decision, terms.perKwh, terms.currency)}>
                {[
                  number(decision.extraKwh),
                  money(decision.firstYearValue, 0),
                  money(decision.extraCost, 0),
                  backWords(decision.paybackYears),
                  <span key="value" className={decision.isWorthIt ? undefined : chapter.clay}>
                    {money(decision.netPresentValue, 0)}
                  </span>,
                  flipWords(decision, terms.currency),
                ]}
              </Cells>
            </tr>
          ))}
        </tbody>
      </RuledTable>
    </ScrollBox>
  );
}

interface BalanceOfWaysProps {
  readonly baseName: string;
  readonly terms: CaseTerms;
  readonly decisions: NamedDecision[];
  readonly best: NamedDecision | undefined;
  readonly slug: string;
  readonly answer: DecidedCase;
}

function BalanceOfWays({ baseName, terms, decisions, best, slug, answer }: BalanceOfWaysProps) {
  return (
    <ChartFrame
      title={say.balanceAgainstInTodaysMoney(baseName, terms.currency)}
      note={
        <span className={styles.key}>
          {decisions.map((decision, k) => (
            <span key={decision.name}>
              <svg width="26" height="8" aria-hidden="true" style={{ marginRight: 5 }}>
                <line
                  x1="0"
                  x2="26"
                  y1="4"
                  y2="4"
                  stroke={decision === best ? "var(--brass)" : "var(--ink-soft)"}
                  strokeWidth={2}
                  strokeDasharray={decision === best ? "" : caseDash(k)}
                />
              </svg>
              {decision.name}
            </span>
          ))}
        </span>
      }
      fileName={`${slug}-decision-${answer.id}`}
      height={230}
      summary={say.balanceOfEachWayAgainstThe}
      table={() => [
        ["year", ...decisions.map(({ name }) => name)],
        ...(decisions[0]?.balance ?? []).map(({ year }, k) => [year, ...decisions.map(({ balance }) => balance[k]?.discounted ?? null)]),
      ]}
    >
      {(width) => (
        <CaseCurves
          curves={decisions.map((decision) => ({
            name: decision.name,
            isBest: decision === best,
            points: decision.balance.map(({ year, discounted }) => ({ year, amount: discounted })),
          }))}
          width={width}
          height={230}
          label={(value) => number(value)}
        />
      )}
    </ChartFrame>
  );
}

const backWords = (years: number | null): string => (years === null ? "never" : years === 0 ? "at once" : `${number(years, 1)} years`);

const bestOf = (decisions: readonly NamedDecision[]): NamedDecision | undefined =>
  decisions.reduce<NamedDecision | undefined>(
    (best, each) => (!best || Number(each.netPresentValue) > Number(best.netPresentValue) ? each : best),
    undefined,
  );
