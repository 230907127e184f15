"use client";

import { Button, NativeSelect, TextInput } from "@mantine/core";
import { useState } from "react";
import { z } from "zod";
import type { TypedStorm } from "@/core/yield";
import { useKept } from "@/features/data/use-kept";
import { NumberField } from "@/features/kit/fields/NumberField";
import chapter from "@/features/kit/look/Chapter.module.css";
import { dayName } from "@/wording/geometry";
import { say } from "@/wording/screens/calculators-snow";
import styles from "../Bench.module.css";
import { typedNumber } from "../use-number-fields";

const stormSchema = z.strictObject({
  on: z.string().regex(/^\d\d-\d\d$/),
  depthCm: z.number().min(0).max(500),
  kind: z.enum(["wet", "dry"]),
  afterTempC: z.number().min(-60).max(30).nullable(),
});
const MOST = 40;
const keptSchema = z.array(stormSchema).max(MOST);

const NONE: readonly TypedStorm[] = [];

/** Falls that somebody remembers, kept in this browser. */
export const useTypedStorms = (slug: string | null) =>
  useKept<readonly TypedStorm[]>(`dusty-ledger:storms:${slug ?? ""}`, keptSchema, NONE);

/** "12 Feb", "12.2.", "2025-02-12" or "Feb 12" as a day of the year; null where it is none. */
export function dayOfYearText(text: string): string | null {
  const tidy = text.trim();
  const iso = /^(?:\d{4}-)?(\d{1,2})-(\d{1,2})$/.exec(tidy);
  const dotted = /^(\d{1,2})\.\s*(\d{1,2})\.?(?:\s*\d{4})?$/.exec(tidy);
  const named = /^(?:(\d{1,2})\.?\s*([a-z]{3,})|([a-z]{3,})\s*(\d{1,2}))\.?(?:,?\s*\d{4})?$/i.exec(tidy);
  const month = iso ? Number(iso[1]) : dotted ? Number(dotted[2]) : named ? monthNamed(named[2] ?? named[3]!) : 0;
  const day = iso ? Number(iso[2]) : dotted ? Number(dotted[1]) : named ? Number(named[1] ?? named[4]) : 0;
  const is = new Date(Date.UTC(2024, month - 1, day));
  if (month < 1 || month > 12 || day < 1 || is.getUTCMonth() !== month - 1) return null;
  return `${String(month).padStart(2, "0")}-${String(day === 29 && month === 2 ? 28 : day).padStart(2, "0")}`;
}

/** Ten days later: another storm, to be set right. */
function laterDay(on: string | undefined): string | null {
  if (on === undefined) return null;
  const day = new Date(Date.parse(`2025-${on}T00:00:00Z`));
  day.setUTCDate(day.getUTCDate() + 10);
  return day.toISOString().slice(5, 10);
}

const SHORT = ["jan", "feb", "mar", "apr", "may", "jun", "jul", "aug", "sep", "oct", "nov", "dec"];
const monthNamed = (name: string): number => SHORT.indexOf(name.slice(0, 3).toLowerCase()) + 1;

interface Props {
  readonly typed: readonly TypedStorm[];
  readonly setTyped: (storms: readonly TypedStorm[]) => void;
  /** Where a first fall is put: the middle of the winter here. */
  readonly isSouth: boolean;
}

/** A list of falls to type: when, how deep, wet or dry, and how cold it stayed. */
export function TypedStormFields({ typed, setTyped, isSouth }: Props) {
  const set = (k: number, change: Partial<TypedStorm>): void =>
    setTyped(typed.map((storm, at) => (at === k ? { ...storm, ...change } : storm)));
  const next: TypedStorm = { on: laterDay(typed.at(-1)?.on) ?? (isSouth ? "07-15" : "01-15"), depthCm: 15, kind: "dry", afterTempC: -5 };
  return (
    <section className={chapter.section}>
      <h2>{say.stormsYouRemember}</h2>
      <p className={chapter.soft}>{say.stormsYouRememberHow}</p>
      {typed.map((storm, k) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: falls are edited in place, and two may fall on one day
        <div key={k} className={styles.storm}>
          <StormDay key={typed.length} on={storm.on} onChange={(on) => set(k, { on })} />
          <NumberField
            label="Deep"
            unit="cm"
            min={0}
            max={500}
            value={storm.depthCm}
            onChange={(value) => set(k, { depthCm: typedNumber(value, 0) })}
          />
          <NativeSelect
            label="Snow"
            data={["dry", "wet"]}
            value={storm.kind}
            onChange={({ currentTarget }) => set(k, { kind: currentTarget.value as TypedStorm["kind"] })}
          />
          <NumberField
            label={say.airAfter}
            unit="°C"
            min={-60}
            max={30}
            value={storm.afterTempC ?? ""}
            onChange={(value) => set(k, { afterTempC: typedNumber(value, null) })}
          />
          <Button
            variant="subtle"
            size="compact-xs"
            aria-label={say.dropStorm(storm.on)}
            onClick={() => setTyped(typed.filter((_, at) => at !== k))}
          >
            drop
          </Button>
        </div>
      ))}
      <Button variant="default" size="xs" disabled={typed.length >= MOST} onClick={() => setTyped([...typed, next])}>
        {typed.length === 0 ? say.typeAStorm : say.anotherStorm}
      </Button>
    </section>
  );
}

/** A day of the year as people write it; what is none is refused there, and the last one stands. */
function StormDay({ on, onChange }: { on: string; onChange: (on: string) => void }) {
  const [text, setText] = useState(() => dayName(on));
  return (
    <TextInput
      label={say.fellOn}
      value={text}
      maxLength={40}
      error={dayOfYearText(text) === null ? say.notADay : undefined}
      onChange={({ currentTarget }) => {
        setText(currentTarget.value);
        const day = dayOfYearText(currentTarget.value);
        if (day) onChange(day);
      }}
    />
  );
}
