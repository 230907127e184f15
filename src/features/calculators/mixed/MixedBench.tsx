"use client";

import { useMemo } from "react";
import type { MixedPart } from "@/contracts/mixed-string";
import { circuitsOf } from "@/core/comparison";
import { type MixedReport, type MixedYear, type PairingAdvice, pairingAdvice, ruleHolds } from "@/core/electrical";
import { pricePerKwh } from "@/core/money";
import { Figure } from "@/features/kit/figures/Figure";
import chapter from "@/features/kit/look/Chapter.module.css";
import { number, percent } from "@/wording/format";
import { CONNECTION_NAMES, say } from "@/wording/screens/calculators-mixed";
import { mixedWorking } from "@/wording/workings/electrical-workings";
import styles from "../Bench.module.css";
import type { BenchProps } from "../bench-views";
import { OwnModuleLine } from "../own-modules/OwnModuleLine";
import { useOwnModules } from "../own-modules/use-own-modules";
import { typedNumber, useNumberFields } from "../use-number-fields";
import { AdviceWords } from "./AdviceWords";
import { CurvesChart, type OtherWay, WaysTable } from "./MixedAnswer";
import { firstGroups, knownGroups } from "./mixed-strings";
import { StringsInputs } from "./StringsInputs";
import { useKeptMixed } from "./use-mixed";
import { useMixedAnswers } from "./use-mixed-answers";

const LIFE_YEARS = 20;

/** Unlike modules on one input: the common curve, its maxima, the rule of thumb beside it, and a year of it, however they are connected. */
export function MixedBench({ slug, site: book, sun, nowUtcMs }: BenchProps) {
  const modules = useOwnModules(book);
  const site = useMemo(() => ({ ...book, modules: modules.all }), [book, modules.all]);
  const circuits = useMemo(() => circuitsOf(site), [site]);
  const [kept, setGroups] = useKeptMixed(slug);
  const groups = kept && knownGroups(kept, circuits) ? kept : firstGroups(book, modules.all, circuits);
  const prices = useNumberFields({ optimiser: 45, input: 300 });
  const { strings, refused, others, report, years } = useMixedAnswers({ slug, site, sun, groups, circuits });
  const { count, nameplateW } = sumsOf(strings.flat(), site);
  const outlay = outlayOf(book, prices.typed, strings.length, count);
  const yearly = years?.[0] ?? null;
  const freeKwh = Math.max(0, ...(years ?? []).slice(1).map((each) => each?.togetherKwh ?? 0));
  const advice = report && yearly && outlay ? adviceOf(report, strings.length, yearly, freeKwh, outlay) : null;
  const sentence = report ? lossWords(report) : "";
  const better = report ? betterWay(others, report.togetherW) : null;
  return (
    <>
      <MixedVerdict
        refused={refused}
        report={report}
        modules={count}
        sentence={sentence}
        better={better}
        advice={advice}
        currency={book.currency}
      />
      <div className={styles.rowsGrid}>
        <div>
          <StringsInputs
            groups={groups}
            circuits={circuits}
            site={site}
            setGroups={setGroups}
            prices={prices}
            slug={slug}
            words={report ? `Mixed string: ${sentence}` : ""}
            nowUtcMs={nowUtcMs}
          />
          <OwnModuleLine modules={modules} />
        </div>
        <div>
          {report && <CurvesChart report={report} slug={slug} sentence={sentence} />}
          <WaysTable
            report={report}
            years={years}
            others={others}
            input={typedNumber(prices.typed.input, null)}
            strings={strings.length}
            optimiser={typedNumber(prices.typed.optimiser, null)}
            modules={count}
            nameplateW={nameplateW}
            sun={sun}
            currency={book.currency}
          />
          <p className={chapter.soft}>{say.aTrackerThatFindsTheHighest}</p>
        </div>
      </div>
    </>
  );
}

/** What modules on one input lose to each other. */
const lossWords = ({ togetherW, byModuleW }: MixedReport): string =>
  say.wOnOneInputEachModule(number(togetherW), number(byModuleW), percent(byModuleW > 0 ? 1 - togetherW / byModuleW : 0));

/** How many modules there are, and what their nameplates say together. */
function sumsOf(parts: readonly MixedPart[], { modules }: BenchProps["site"]): { readonly count: number; readonly nameplateW: number } {
  return {
    count: parts.reduce((sum, part) => sum + part.count, 0),
    nameplateW: parts.reduce((sum, part) => sum + part.count * (modules[part.module]?.pmpW ?? 0), 0),
  };
}

/** The best of the other choices, where it gives more. */
function betterWay(others: readonly OtherWay[], togetherW: number): OtherWay | null {
  const best = others.reduce<OtherWay | null>((a, b) => (a && a.report.togetherW >= b.report.togetherW ? a : b), null);
  return best && Math.round(best.report.togetherW) > Math.round(togetherW) ? best : null;
}

interface Outlay {
  readonly price: number;
  /** Inputs beyond the first, and electronics at every module. */
  readonly inputs: number;
  readonly electronics: number;
}

/** Without a price, of energy or of hardware, nothing is advised: what is not known costs not nothing. */
function outlayOf(
  site: BenchProps["site"],
  { optimiser, input }: Readonly<Record<"optimiser" | "input", number | string>>,
  strings: number,
  modules: number,
): Outlay | null {
  const price = pricePerKwh(site);
  const [perModule, perInput] = [typedNumber(optimiser, null), typedNumber(input, null)];
  return price !== null && perModule !== null && perInput !== null
    ? { price, inputs: perInput * (strings - 1), electronics: perModule * modules }
    : null;
}

/** Which of the ways pays beside what connecting them otherwise gives for nothing: all on one input, an input a string, or electronics at every module. */
const adviceOf = (
  report: MixedReport,
  strings: number,
  yearly: MixedYear,
  freeKwh: number,
  { price, inputs, electronics }: Outlay,
): PairingAdvice | null =>
  pairingAdvice(
    [
      { way: "together", kwhPerYear: Math.max(yearly.togetherKwh, freeKwh), cost: 0 },
      ...(strings > 1 ? [{ way: "by-string" as const, kwhPerYear: yearly.byStringKwh, cost: inputs }] : []),
      { way: "by-module", kwhPerYear: yearly.byModuleKwh, cost: electronics },
    ],
    price,
    LIFE_YEARS,
    report.weakestOfMiddle,
  );

interface MixedVerdictProps {
  /** Why what was typed is no array. */
  readonly refused: string;
  readonly report: MixedReport | null;
  readonly modules: number;
  readonly sentence: string;
  readonly better: OtherWay | null;
  readonly advice: PairingAdvice | null;
  readonly currency: string;
}

function MixedVerdict({ refused, report, modules, sentence, better, advice, currency }: MixedVerdictProps) {
  return (
    <p className={chapter.verdict} data-lines="3" data-testid="mixed-sentence">
      {refused && <span className={chapter.clay}>{refused}</span>}
      {report && (
        <>
          <Figure working={() => mixedWorking(report, modules)}>{`${number(report.togetherW)} W`}</Figure>
          {sentence.slice(sentence.indexOf(" W on") + 2)}{" "}
          {better && <b>{say.connectedOtherwise(CONNECTION_NAMES[better.connection], number(better.report.togetherW))} </b>}
          {ruleWords(report)} {advice && <AdviceWords advice={advice} isReconnected={better !== null} currency={currency} />}
        </>
      )}
    </p>
  );
}

/** The rule of thumb, judged by what really happens. */
function ruleWords(report: MixedReport): string {
  const { rule, ruleOffFrac } = report;
  const off = percent(Math.abs(ruleOffFrac), 0);
  if (ruleHolds(report)) return say.theRuleOfThumbHolds(number(rule.powerW));
  return ruleOffFrac < 0 ? say.theRuleOfThumbTooLow(number(rule.powerW), off) : say.theRuleOfThumbTooHigh(number(rule.powerW), off);
}
