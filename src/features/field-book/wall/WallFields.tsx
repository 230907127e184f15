"use client";

import { NativeSelect, SegmentedControl, TextInput } from "@mantine/core";
import { DateField } from "@/features/kit/fields/DateField";
import { NumberField } from "@/features/kit/fields/NumberField";
import segments from "@/features/kit/look/segments.module.css";
import { say } from "@/wording/screens/field-book-inverter";
import { say as wall } from "@/wording/screens/field-book-wall";
import styles from "../FieldBook.module.css";
import type { FieldBookProps } from "../field-book-props";
import type { Cell, Typed } from "./wall-typed";

interface MomentFieldsProps {
  readonly site: FieldBookProps["site"];
  /** Null where no inverter stands in the book. */
  readonly inverter: string | null;
  readonly set: (change: Partial<Typed>) => void;
  readonly typed: Typed;
}

export function MomentFields({ site, inverter, set, typed }: MomentFieldsProps) {
  return (
    <div className={styles.fields}>
      {site.inverters.length > 1 && (
        <NativeSelect
          label="Inverter"
          data={site.inverters.map(({ id }) => id)}
          value={inverter ?? ""}
          onChange={(event) => set({ inverter: event.currentTarget.value })}
        />
      )}
      <DateField type="datetime-local" label={say.clockOnTheSite} value={typed.at} onChange={(at) => at && set({ at })} />
    </div>
  );
}

interface InputFieldsProps {
  readonly k: number;
  readonly input: { readonly dcV: Cell; readonly dcA: Cell; readonly strings: Cell };
  readonly set: (change: Partial<Typed>) => void;
  readonly typed: Typed;
}

export function InputFields({ k, input, set, typed }: InputFieldsProps) {
  return (
    <fieldset className={styles.fields} aria-label={`DC input ${k + 1}`}>
      {(
        [
          ["dcV", `Input ${k + 1}, V`],
          ["dcA", "A"],
          ["strings", "Strings"],
        ] as const
      ).map(([key, label]) => (
        <NumberField
          key={key}
          label={label}
          inputMode="decimal"
          value={input[key]}
          onChange={(value) => set({ inputs: typed.inputs.map((each, at) => (at === k ? { ...each, [key]: value } : each)) })}
        />
      ))}
    </fieldset>
  );
}

interface OutputFieldsProps {
  readonly typed: Typed;
  readonly set: (change: Partial<Typed>) => void;
}

/** What every display shows: power now, the day, the whole. */
export function MainFields({ typed, set, since }: OutputFieldsProps & { readonly since: string }) {
  return (
    <div className={styles.fields}>
      <NumberField label={say.acPowerW} inputMode="decimal" value={typed.acW} onChange={(acW) => set({ acW })} />
      <NumberField label={wall.dayKwh} inputMode="decimal" value={typed.dayKwh} onChange={(dayKwh) => set({ dayKwh })} />
      <NumberField
        label={wall.lifetimeKwh}
        inputMode="decimal"
        value={typed.lifetimeKwh}
        onChange={(lifetimeKwh) => set({ lifetimeKwh })}
      />
      <DateField label={wall.countsSince} value={since} onChange={(value) => value && set({ since: value })} />
    </div>
  );
}

export function OutputFields({ typed, set }: OutputFieldsProps) {
  return (
    <div className={styles.fields}>
      <NumberField label="AC" unit="V" inputMode="decimal" value={typed.acV} onChange={(acV) => set({ acV })} />
      <NumberField label="AC" unit="A" inputMode="decimal" value={typed.acA} onChange={(acA) => set({ acA })} />
      <SegmentedControl
        classNames={segments}
        size="xs"
        data={[
          { value: "1", label: "one phase" },
          { value: "3", label: "three" },
        ]}
        value={typed.phases}
        onChange={(phases) => set({ phases: phases === "3" ? "3" : "1" })}
      />
      <NumberField
        label={say.lightInThePlaneWM}
        inputMode="decimal"
        placeholder="cloudless"
        value={typed.light}
        onChange={(value) => set({ light: value })}
      />
      <NumberField label="Air" unit="°C" inputMode="decimal" value={typed.airTempC} onChange={(airTempC) => set({ airTempC })} />
      <TextInput
        className={styles.wide}
        label={say.stateLightsAndMessagesInYour}
        value={typed.lights}
        onChange={(event) => set({ lights: event.currentTarget.value })}
      />
    </div>
  );
}
