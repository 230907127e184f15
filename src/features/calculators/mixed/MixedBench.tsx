"use client";

import { Button, NumberInput } from "@mantine/core";
import { type Dispatch, type SetStateAction, useMemo, useState } from "react";
import { type MixedPart, type MixedStrings, mixedStringsSchema } from "@/contracts/mixed-string";
import { BYPASS_DROP_V, circuitsOf, stringsNow } from "@/core/comparison";
import { type MixedReport, mixedReport, type PairingAdvice, pairingAdvice } from "@/core/electrical";
import type { ReferenceParameters } from "@/core/module";
import { pricePerKwh } from "@/core/money";
import { noteEntry } from "@/features/field-book/note-entry";
import { WriteDown } from "@/features/field-book/WriteDown";
import { Figure } from "@/features/kit/figures/Figure";
import chapter from "@/features/kit/look/Chapter.module.css";
import { number, percent } from "@/wording/format";
import { say } from "@/wording/screens/calculators-mixed";
import { mixedWorking } from "@/wording/workings/electrical-workings";
import styles from "../Bench.module.css";
import type { BenchProps } from "../bench-views";
import { useBenchAnswer, useBenchEngine } from "../use-bench-engine";
import { AdviceWords } from "./AdviceWords";
import { CurvesChart, WaysTable } from "./MixedAnswer";
import { firstStrings } from "./mixed-strings";
import { PartFields } from "./PartFields";

const LIFE_YEARS = 20;

/** Unlike modules on one input: the common curve, its maxima, the rule of thumb beside it, and a year of it. */
export function MixedBench({ slug, site, year, nowUtcMs }: BenchProps) {
  const circuits = useMemo(() => circuitsOf(site), [site]);
  const [strings, setStrings] = useState<MixedStrings>(() => firstStrings(site, circuits));
  const [optimiser, setOptimiser] = useState<number | string>(45);
  const [input, setInput] = useState<number | string>(300);
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
  const price = pricePerKwh(site) ?? 0;
  const advice =
    report && yearly
      ? pairingAdvice(
          [
            { way: "together", kwhPerYear: yearly.togetherKwh, cost: 0 },
            ...(strings.length > 1
              ? [{ way: "by-string" as const, kwhPerYear: yearly.byStringKwh, cost: Number(input) * (strings.length - 1) }]
              : []),
            { way: "by-module", kwhPerYear: yearly.byModuleKwh, cost: Number(optimiser) * modules },
          ],
          price,
          LIFE_YEARS,
          report.weakestOfMiddle,
        )
      : null;
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
          optimiser={optimiser}
          setOptimiser={setOptimiser}
          input={input}
          setInput={setInput}
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

interface StringsInputsProps {
  readonly strings: MixedStrings;
  readonly circuits: ReadonlyMap<string, ReferenceParameters>;
  readonly setPart: (s: number, p: number, change: Partial<MixedPart>) => void;
  readonly site: BenchProps["site"];
  readonly setStrings: (strings: MixedStrings) => void;
  readonly optimiser: string | number;
  readonly setOptimiser: Dispatch<SetStateAction<string | number>>;
  readonly input: string | number;
  readonly setInput: Dispatch<SetStateAction<string | number>>;
  readonly slug: string;
  readonly report: MixedReport | null;
  readonly nowUtcMs: number;
  readonly sentence: string;
}

function StringsInputs({
  strings,
  circuits,
  setPart,
  site,
  setStrings,
  optimiser,
  setOptimiser,
  input,
  setInput,
  slug,
  report,
  nowUtcMs,
  sentence,
}: StringsInputsProps) {
  return (
    <div>
      {strings.map((parts, s) => (
        <StringFields
          // biome-ignore lint/suspicious/noArrayIndexKey: a string is its place on the input
          key={s}
          s={s}
          parts={parts}
          circuits={circuits}
          setPart={setPart}
          site={site}
          setStrings={setStrings}
          strings={strings}
        />
      ))}
      <Button variant="subtle" size="compact-sm" onClick={() => setStrings([...strings, strings.at(-1)!.map((part) => ({ ...part }))])}>
        {say.anotherStringBesideIt}
      </Button>
      {strings.length > 1 && (
        <Button variant="subtle" size="compact-sm" onClick={() => setStrings(strings.slice(0, -1))}>
          Drop the last string
        </Button>
      )}
      <div className={styles.inputs}>
        <NumberInput label={say.electronicsAtAModule(site.currency)} hideControls min={0} value={optimiser} onChange={setOptimiser} />
        <NumberInput label={say.anInputOfItsOwn(site.currency)} hideControls min={0} value={input} onChange={setInput} />
      </div>
      <WriteDown slug={slug} disabled={!report} entry={() => noteEntry(nowUtcMs, `Mixed string: ${sentence}`)} />
    </div>
  );
}

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
    <p className={chapter.verdict} data-testid="mixed-sentence">
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

interface StringFieldsProps {
  readonly s: number;
  readonly parts: MixedStrings[number];
  readonly circuits: ReadonlyMap<string, ReferenceParameters>;
  readonly setPart: (s: number, p: number, change: Partial<MixedPart>) => void;
  readonly site: BenchProps["site"];
  readonly setStrings: (strings: MixedStrings) => void;
  readonly strings: MixedStrings;
}

function StringFields({ s, parts, circuits, setPart, site, setStrings, strings }: StringFieldsProps) {
  return (
    <fieldset className={styles.string}>
      <legend>
        {say.stringInSeries(
          s + 1,
          parts.reduce((sum, { count }) => sum + count, 0),
        )}
      </legend>
      {parts.map((part, p) => (
        <PartFields
          // biome-ignore lint/suspicious/noArrayIndexKey: a part is its place in the string
          key={p}
          part={part}
          names={[...circuits.keys()]}
          onChange={(change) => setPart(s, p, change)}
          groups={(name) => Math.max(1, site.modules[name]!.bypassDiodes || 1)}
        />
      ))}
      <Button
        variant="subtle"
        size="compact-xs"
        onClick={() => setStrings(strings.map((own, at) => (at === s ? [...own, { ...own.at(-1)!, count: 1 }] : own)))}
      >
        {say.otherModulesInThisString}
      </Button>
      {parts.length > 1 && (
        <Button
          variant="subtle"
          size="compact-xs"
          onClick={() => setStrings(strings.map((own, at) => (at === s ? own.slice(0, -1) : own)))}
        >
          drop the last
        </Button>
      )}
    </fieldset>
  );
}
