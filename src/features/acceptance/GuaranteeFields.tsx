"use client";

import { Button, NativeSelect, TextInput } from "@mantine/core";
import { LIMITS } from "@/contracts/limits";
import { GUARANTEE_KINDS, type GuaranteeKind } from "@/core/guarantee";
import { DateField } from "@/features/kit/fields/DateField";
import { NumberField } from "@/features/kit/fields/NumberField";
import chapter from "@/features/kit/look/Chapter.module.css";
import { guaranteeNames } from "@/wording/acceptance";
import { say } from "@/wording/screens/acceptance";
import styles from "./Acceptance.module.css";
import type { GuaranteeTyped } from "./guarantee-terms";

interface GuaranteeFieldsProps {
  readonly typed: GuaranteeTyped;
  readonly put: (part: Partial<GuaranteeTyped>) => void;
  readonly currency: string;
}

/** Terms of a contract: what is guaranteed, from when, and what does not count. */
export function GuaranteeFields({ typed, put, currency }: GuaranteeFieldsProps) {
  return (
    <>
      <div className={styles.fields}>
        <NativeSelect
          label={say.measuredBy}
          data={GUARANTEE_KINDS.map((kind) => ({ value: kind, label: guaranteeNames[kind] }))}
          value={typed.of}
          onChange={(event) => put({ of: event.currentTarget.value as GuaranteeKind })}
        />
        <DateField label={say.fromDay} value={typed.from} onChange={(from) => put({ from })} />
        <NumberField label={say.years} isWhole min={1} max={30} value={typed.years} onChange={(years) => put({ years })} />
        <NumberField
          label={say.guaranteed}
          min={10}
          max={150}
          value={typed.guaranteedPercent}
          onChange={(guaranteedPercent) => put({ guaranteedPercent })}
        />
        <NumberField label={say.fall} min={0} max={5} value={typed.fallPercent} onChange={(fallPercent) => put({ fallPercent })} />
        <NumberField
          label={say.deadBand}
          min={0}
          max={20}
          value={typed.deadBandPoints}
          onChange={(deadBandPoints) => put({ deadBandPoints })}
        />
        <NumberField
          label={say.mostMissing}
          min={0}
          max={100}
          value={typed.mostMissingPercent}
          onChange={(mostMissingPercent) => put({ mostMissingPercent })}
        />
        <TextInput
          label={say.damages(currency)}
          inputMode="decimal"
          value={typed.damagesPerKwh}
          onChange={(event) => put({ damagesPerKwh: event.currentTarget.value })}
        />
      </div>
      <Exclusions typed={typed} put={put} />
    </>
  );
}

/** Days that the contract leaves out, a line each. */
function Exclusions({ typed: { exclusions }, put }: Pick<GuaranteeFieldsProps, "typed" | "put">) {
  const change = (at: number, part: Partial<(typeof exclusions)[number]>): void =>
    put({ exclusions: exclusions.map((line, k) => (k === at ? { ...line, ...part } : line)) });
  return (
    <>
      <h2>{say.exclusions}</h2>
      {exclusions.map((line, k) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: lines have no other name while they are written
        <div key={k} className={styles.exclusion}>
          <DateField label={say.firstDay} value={line.from} onChange={(from) => change(k, { from })} />
          <DateField label={say.lastDay} value={line.to} onChange={(to) => change(k, { to })} />
          <TextInput label={say.why} value={line.why} maxLength={200} onChange={(event) => change(k, { why: event.currentTarget.value })} />
          <Button variant="default" onClick={() => put({ exclusions: exclusions.filter((_, other) => other !== k) })}>
            {say.remove}
          </Button>
        </div>
      ))}
      <div className={chapter.actions}>
        <Button
          variant="default"
          disabled={exclusions.length >= LIMITS.exclusions.most}
          onClick={() => put({ exclusions: [...exclusions, { from: "", to: "", why: "" }] })}
        >
          {say.addExclusion}
        </Button>
      </div>
    </>
  );
}
