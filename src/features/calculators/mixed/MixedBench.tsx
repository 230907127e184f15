"use client";

import { useMemo, useState } from "react";
import { type MixedPart, type MixedStrings, mixedStringsSchema } from "@/contracts/mixed-string";
import { BYPASS_DROP_V, circuitsOf, stringsNow } from "@/core/comparison";
import { type MixedReport, mixedReport, type PairingAdvice, pairingAdvice } from "@/core/electrical";
import { pricePerKwh } from "@/core/money";
import { Figure } from "@/features/kit/figures/Figure";
import chapter from "@/features/kit/look/Chapter.module.css";
import { number, percent } from "@/wording/format";
import { say } from "@/wording/screens/calculators-mixed";
import { mixedWorking } from "@/wording/workings/electrical-workings";
import styles from "../Bench.module.css";
import type { BenchProps } from "../bench-views";
import { useBenchAnswer, useBenchEngine } from "../use-bench-engine";
import { typedNumber, useNumberFields } from "../use-number-fields";
import { AdviceWords } from "./AdviceWords";
import { CurvesChart, WaysTable } from "./MixedAnswer";
import { firstStrings } from "./mixed-strings";
import { StringsInputs } from "./StringsInputs";

const LIFE_YEARS = 20;

/** Unlike modules on one input: the common curve, its maxima, the rule of thumb beside it, and a year of it. */
export function MixedBench({ slug, site, year, nowUtcMs }: BenchProps) {
  const circuits = useMemo(() => circuitsOf(site), [site]);
  const [strings, setStrings] = useState<MixedStrings>(() => firstStrings(site, circuits));
  const prices = useNumberFields({ optimiser: 45, input: 300 });
  const { optimiser, input } = prices.typed;
  const { engine } = useBenchEngine(slug, site, year);
  const read = mixedStringsSchema.safeParse(strings);
  const known = strings.every((parts) => parts.every(({ module }) => circuits.has(module)));
  const yearly = useBenchAnswer(known && read.success ? engine : null, { site, strings }, (remote, asked) =>
    remote.mixed(asked.site, asked.strings),
  );
  if (circuits.size === 0) return <p className={chapter.verdict}>{say.noModuleOfThisBookHas}</p>;
  const report = known && read.success ? mixedReport(stringsNow(strings, circuits), BYPASS_DROP_V) : null;
  const modules = strings.flat().reduce((sum, { count }) => sum + count, 0);
  const nameplateW = strings.flat().reduce((sum, part) => sum + part.count * (site.modules[part.module]?.pmpW ?? 0), 0);
  // Without a price, of energy or of hardware, nothing is advised: what is not known costs not nothing.
  const price = pricePerKwh(site);
  const [perModule, perInput] = [typedNumber(optimiser, null), typedNumber(input, null)];
  const outlay =
    price !== null && perModule !== null && perInput !== null
      ? { price, inputs: perInput * (strings.length - 1), electronics: perModule * modules }
      : null;
  const advice = report && yearly && outlay ? adviceOf(report, strings.length, yearly, outlay) : null;
  const setPart = (s: number, p: number, change: Partial<MixedPart>): void =>
    setStrings(strings.map((parts, at) => (at === s ? parts.map((part, k) => (k === p ? { ...part, ...change } : part)) : parts)));
  const lost = report && report.byModuleW > 0 ? 1 - report.togetherW / report.byModuleW : 0;
  const sentence = report ? say.wOnOneInputEachModule(number(report.togetherW), number(report.byModuleW), percent(lost)) : "";
  return (
    <>
      <MixedVerdict read={read} report={report} modules={modules} sentence={sentence} advice={advice} site={site} />
      <div className={styles.rowsGrid}>
        <StringsInputs
          strings={strings}
          circuits={circuits}
          setPart={setPart}
          site={site}
          setStrings={setStrings}
          prices={prices}
          slug={slug}
          report={report}
          nowUtcMs={nowUtcMs}
          sentence={sentence}
        />
        <div>
          {report && <CurvesChart report={report} slug={slug} sentence={sentence} />}
          <WaysTable
            report={report}
            yearly={yearly}
            input={input}
            strings={strings}
            optimiser={optimiser}
            modules={modules}
            nameplateW={nameplateW}
            year={year}
            site={site}
          />
          <p className={chapter.soft}>{say.aTrackerThatFindsTheHighest}</p>
        </div>
      </div>
    </>
  );
}

interface Outlay {
  readonly price: number;
  /** Inputs beyond the first, and electronics at every module. */
  readonly inputs: number;
  readonly electronics: number;
}

/** Which of the ways pays: all on one input, an input a string, or electronics at every module. */
const adviceOf = (
  report: MixedReport,
  strings: number,
  yearly: { readonly togetherKwh: number; readonly byStringKwh: number; readonly byModuleKwh: number },
  { price, inputs, electronics }: Outlay,
): PairingAdvice | null =>
  pairingAdvice(
    [
      { way: "together", kwhPerYear: yearly.togetherKwh, cost: 0 },
      ...(strings > 1 ? [{ way: "by-string" as const, kwhPerYear: yearly.byStringKwh, cost: inputs }] : []),
      { way: "by-module", kwhPerYear: yearly.byModuleKwh, cost: electronics },
    ],
    price,
    LIFE_YEARS,
    report.weakestOfMiddle,
  );

interface MixedVerdictProps {
  readonly read: ReturnType<typeof mixedStringsSchema.safeParse>;
  readonly report: MixedReport | null;
  readonly modules: number;
  readonly sentence: string;
  readonly advice: PairingAdvice | null;
  readonly site: BenchProps["site"];
}

function MixedVerdict({ read, report, modules, sentence, advice, site }: MixedVerdictProps) {
  return (
    <p className={chapter.verdict} data-lines="3" data-testid="mixed-sentence">
      {!read.success && <span className={chapter.clay}>{read.error.issues[0]?.message}</span>}
      {report && (
        <>
          <Figure working={() => mixedWorking(report, modules)}>{`${number(report.togetherW)} W`}</Figure>
          {sentence.slice(sentence.indexOf(" W on") + 2)}{" "}
          {Math.abs(report.ruleOffFrac) > 0.03 && say.theRuleOfThumbLowestCurrent(number(report.rule.powerW))}{" "}
          {advice && <AdviceWords advice={advice} currency={site.currency} />}
        </>
      )}
    </p>
  );
}
