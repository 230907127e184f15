"use client";

import { Button } from "@mantine/core";
import type { MixedPart, MixedStrings } from "@/contracts/mixed-string";
import type { MixedReport } from "@/core/electrical";
import type { ReferenceParameters } from "@/core/module";
import { noteEntry } from "@/features/field-book/note-entry";
import { WriteDown } from "@/features/field-book/WriteDown";
import { NumberField } from "@/features/kit/fields/NumberField";
import { say } from "@/wording/screens/calculators-mixed";
import styles from "../Bench.module.css";
import type { BenchProps } from "../bench-views";
import type { NumberFields } from "../use-number-fields";
import { PartFields } from "./PartFields";

interface StringsInputsProps {
  readonly strings: MixedStrings;
  readonly circuits: ReadonlyMap<string, ReferenceParameters>;
  readonly setPart: (s: number, p: number, change: Partial<MixedPart>) => void;
  readonly site: BenchProps["site"];
  readonly setStrings: (strings: MixedStrings) => void;
  readonly prices: NumberFields<"optimiser" | "input">;
  readonly slug: string;
  readonly report: MixedReport | null;
  readonly nowUtcMs: number;
  readonly sentence: string;
}

export function StringsInputs({
  strings,
  circuits,
  setPart,
  site,
  setStrings,
  prices: { typed, into },
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
        <NumberField label={say.electronicsAtAModule(site.currency)} min={0} value={typed.optimiser} onChange={into("optimiser")} />
        <NumberField label={say.anInputOfItsOwn(site.currency)} min={0} value={typed.input} onChange={into("input")} />
      </div>
      <WriteDown slug={slug} disabled={!report} entry={() => noteEntry(nowUtcMs, `Mixed string: ${sentence}`)} />
    </div>
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
