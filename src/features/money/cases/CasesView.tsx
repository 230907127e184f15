"use client";

import Link from "next/link";
import { useState } from "react";
import { CASE_TEMPLATES, type CaseInput, type CaseTerms, extraWorthAt, type YearEnergy } from "@/core/money";
import { type BenchSun, sunByName, sunNameSchema } from "@/features/calculators/bench-sun";
import { SunTray } from "@/features/calculators/tray/SunTray";
import { useKept } from "@/features/data/use-kept";
import { NumberField } from "@/features/kit/fields/NumberField";
import chapter from "@/features/kit/look/Chapter.module.css";
import { Refused } from "@/features/kit/problems/ProblemList";
import { decisionInWords } from "@/wording/decisions";
import { number } from "@/wording/format";
import { say } from "@/wording/screens/money-cases";
import styles from "../MoneyChapter.module.css";
import type { MoneyProps } from "../money-props";
import { CaseAnswerView } from "./CaseAnswerView";
import { useCaseAnswer, useCaseEngine } from "./use-cases";

/** Decisions that owners face, each with a sentence, a table, a curve, and the point where the answer turns. */
export function CasesView({ slug, site, facts, sun, report }: MoneyProps) {
  const [chosen, choose] = useKept(`dusty-ledger:bench-sun:${slug}`, sunNameSchema, "");
  const taken = sun ?? sunByName(chosen);
  const counted = sun === null ? (report.energies.find(({ basis }) => basis !== "expected") ?? null) : null;
  const { engine, refusal } = useCaseEngine(slug, site, taken, counted?.firstYearKwh ?? null);
  const [id, setId] = useState(CASE_TEMPLATES[0]!.id);
  const words = decisionInWords(id);
  const template = CASE_TEMPLATES.find((candidate) => candidate.id === id)!;
  const inputs = template.inputsFor(site, facts);
  const [typed, setTyped] = useState<Readonly<Record<string, Readonly<Record<string, number>>>>>({});
  const figures = Object.fromEntries((inputs ?? []).map((input) => [input.key, typed[id]?.[input.key] ?? input.value]));
  const { running } = site.money;
  // Worth at the plant's age: support may have ended by now, and what is self-consumed is the bills' where they tell.
  const worth = extraWorthAt(site, running.horizonYears, { ageYears: facts.ageYears, selfUsedFrac: report.terms?.selfUsedFrac });
  const terms: CaseTerms = {
    currency: site.currency,
    perKwh: worth?.perKwh ?? "0",
    rises: worth?.rises ?? [],
    discountFrac: running.discountFrac,
    horizonYears: running.horizonYears,
  };
  if (!worth)
    return (
      <p className={chapter.verdict}>
        {say.decisionsNeedTheWorthOfA} <Link href={`/books/${slug}/money`}>{say.enterTheWorth}</Link>
      </p>
    );
  return (
    <>
      {sun === null && <SunTray name={chosen} onChange={choose} slug={slug} />}
      {taken.kind !== "measured" && (
        <p className={chapter.soft} data-testid="case-sun">
          {sunWords(taken, counted)}
        </p>
      )}
      <div className={styles.cases}>
        <CaseList {...{ site, facts, id, setId }} />
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
    </>
  );
}

/** What a sun that was not measured is worth for these decisions. */
function sunWords({ kind }: BenchSun, counted: YearEnergy | null): string {
  const to = counted?.basis === "promise" ? say.broughtToThePromise : say.broughtToWhatIsCounted;
  const scaled = counted === null ? "" : ` ${to(number(counted.firstYearKwh))}`;
  return `${kind === "usual" ? say.overAUsualYear : say.overACloudlessYear}${scaled}`;
}

interface CaseListProps extends Pick<MoneyProps, "site" | "facts"> {
  readonly id: string;
  readonly setId: (id: string) => void;
}

/** The decisions there are; those that this site does not face can't be chosen. */
function CaseList({ site, facts, id, setId }: CaseListProps) {
  return (
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
      {own && "missing" in own ? (
        <p className={chapter.verdict} data-testid="case-withheld">
          {say.washingNeedsRain} <Link href={`/books/${slug}/readings`}>{say.bringRain}</Link>
        </p>
      ) : own ? (
        <CaseAnswerView slug={slug} answer={own} terms={terms} />
      ) : (
        <p className={`${chapter.soft} ${chapter.awaited}`} role="status">
          {say.reckoningOverTheYear}
        </p>
      )}
      <div className={styles.grid3}>
        {inputs.map((input) => {
          const value = figures[input.key]!;
          return (
            <NumberField
              key={input.key}
              label={label(input)}
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
