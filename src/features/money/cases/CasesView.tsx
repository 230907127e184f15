"use client";

import { NumberInput } from "@mantine/core";
import { useState } from "react";
import { CaseCurves, caseDash } from "@/charts";
import { CASE_TEMPLATES, type CaseInput, type CaseTerms } from "@/core/money";
import { Cells } from "@/features/kit/figures/Cells";
import chapter from "@/features/kit/look/Chapter.module.css";
import { ScrollBox } from "@/features/kit/look/ScrollBox";
import { Refused } from "@/features/kit/problems/ProblemList";
import { ChartFrame } from "@/features/kit/save/ChartFrame";
import { RuledTable } from "@/features/kit/table/RuledTable";
import { decisionInWords, decisionsInWords, type NamedDecision, sideInWords } from "@/wording/decisions";
import { money, number } from "@/wording/format";
import { say } from "@/wording/screens/money-cases";
import { decisionWorking } from "@/wording/workings/money-workings";
import styles from "../MoneyChapter.module.css";
import type { MoneyProps } from "../money-props";
import { answerSentence, flipWords } from "./case-words";
import type { CaseAnswer } from "./cases.worker";
import { useCaseAnswer, useCaseEngine } from "./use-cases";

/** Decisions that owners face, each with a sentence, a table, a curve, and the point where the answer turns. */
export function CasesView({ slug, site, facts, year, report }: MoneyProps) {
  const { engine, refusal } = useCaseEngine(slug, site, year);
  const [id, setId] = useState(CASE_TEMPLATES[0]!.id);
  const words = decisionInWords(id);
  const template = CASE_TEMPLATES.find((candidate) => candidate.id === id)!;
  const inputs = template.inputsFor(site, facts);
  const [typed, setTyped] = useState<Readonly<Record<string, Readonly<Record<string, number>>>>>({});
  const figures = Object.fromEntries((inputs ?? []).map((input) => [input.key, typed[id]?.[input.key] ?? input.value]));
  const { tariff, running } = site.money;
  const perKwh = report.payback?.valuePerKwh ?? tariff.importPerKwh;
  const terms: CaseTerms = {
    currency: site.currency,
    perKwh: perKwh ?? "0",
    priceRisePerYearFrac: tariff.priceRisePerYearFrac,
    discountFrac: running.discountFrac,
    horizonYears: running.horizonYears,
  };
  if (year === null) return <p className={chapter.verdict}>{say.decisionsAreReckonedOverAYear}</p>;
  if (perKwh === null) return <p className={chapter.verdict}>{say.decisionsNeedTheWorthOfA}</p>;
  return (
    <div className={styles.cases}>
      <ul className={styles.caseList}>
        {CASE_TEMPLATES.map((candidate) => {
          const fits = candidate.inputsFor(site, facts) !== null;
          return (
            <li key={candidate.id}>
              <button
                type="button"
                aria-pressed={candidate.id === id}
                disabled={!fits}
                title={fits ? undefined : decisionInWords(candidate.id).notFor}
                onClick={() => setId(candidate.id)}
              >
                {decisionInWords(candidate.id).name}
              </button>
            </li>
          );
        })}
      </ul>
      <div>
        <section className={chapter.section}>
          <h2>{words.question}</h2>
        </section>
        {refusal && <Refused refusal={refusal} />}
        {inputs && (
          <Case
            key={id}
            {...{ slug, id, inputs, figures, facts, terms, engine }}
            onFigure={(key, value) => setTyped({ ...typed, [id]: { ...typed[id], [key]: value } })}
          />
        )}
        {words.caution && <p className={chapter.caution}>{words.caution}</p>}
      </div>
    </div>
  );
}

interface CaseProps extends Pick<MoneyProps, "slug" | "facts"> {
  readonly id: string;
  readonly inputs: readonly CaseInput[];
  readonly figures: Readonly<Record<string, number>>;
  readonly terms: CaseTerms;
  readonly engine: ReturnType<typeof useCaseEngine>["engine"];
  readonly onFigure: (key: string, value: number) => void;
}

const UNITS: Readonly<Record<CaseInput["unit"], string>> = {
  money: "",
  years: "years",
  deg: "°",
  percent: "%",
  W: "W",
  count: "",
  m2: "m²",
  "percent/K": "%/K",
};

function Case({ slug, id, inputs, figures, facts, terms, engine, onFigure }: CaseProps) {
  const answer = useCaseAnswer(engine, { id, figures, facts, terms });
  const own = answer?.id === id ? answer : null;
  const label = (input: CaseInput): string => {
    const unit = input.unit === "money" ? terms.currency : UNITS[input.unit];
    const name = decisionInWords(id).inputs[input.key]!;
    return unit === "" ? name : `${name}, ${unit}`;
  };
  return (
    <>
      {own ? (
        <CaseAnswerView slug={slug} answer={own} terms={terms} />
      ) : (
        <p className={chapter.soft} role="status">
          {say.reckoningOverTheYear}
        </p>
      )}
      <div className={styles.grid3}>
        {inputs.map((input) => {
          const value = figures[input.key]!;
          return (
            <NumberInput
              key={input.key}
              label={label(input)}
              hideControls
              value={value}
              error={value < input.least || value > input.most ? `between ${number(input.least)} and ${number(input.most)}` : undefined}
              onChange={(next) => {
                if (typeof next === "number" && next >= input.least && next <= input.most) onFigure(input.key, next);
              }}
            />
          );
        })}
      </div>
    </>
  );
}

function CaseAnswerView({ slug, answer, terms }: { slug: string; answer: CaseAnswer; terms: CaseTerms }) {
  const decisions = decisionsInWords(answer.decisions);
  const baseName = sideInWords(answer.base);
  const best = bestOf(decisions);
  return (
    <>
      <p className={chapter.verdict} data-testid="case-verdict">
        {answerSentence(baseName, decisions, terms)}
      </p>
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
    </>
  );
}

const backWords = (years: number | null): string => (years === null ? "never" : years === 0 ? "at once" : `${number(years, 1)} years`);

const bestOf = (decisions: readonly NamedDecision[]): NamedDecision | undefined =>
  decisions.reduce<NamedDecision | undefined>(
    (best, each) => (!best || Number(each.netPresentValue) > Number(best.netPresentValue) ? each : best),
    undefined,
  );
