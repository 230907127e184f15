"use client";

import { Button, NativeSelect } from "@mantine/core";
import { NumberField } from "@/features/kit/fields/NumberField";
import { say } from "@/wording/screens/field-book-spot";
import styles from "../FieldBook.module.css";
import { blankPosition, type Position } from "./spot-state";

export const USUAL_METER = { maxV: 1000, maxA: 20 };

export interface Typed {
  readonly module: string;
  readonly series: number;
  readonly positions: readonly Position[];
  readonly chosen: number;
  readonly maxV: number;
  readonly maxA: number;
  readonly irradiancePercent: number;
  readonly currentPercent: number;
}

interface StringFieldsProps {
  readonly names: readonly string[];
  readonly name: string;
  readonly set: (change: Partial<Typed>) => void;
  readonly typed: Typed;
}

export function StringFields({ names, name, set, typed }: StringFieldsProps) {
  return (
    <div className={styles.fields}>
      <NativeSelect label="Module" data={[...names]} value={name} onChange={(event) => set({ module: event.currentTarget.value })} />
      <NumberField
        label={say.modulesInSeries}
        min={1}
        isWhole
        value={typed.series}
        onChange={(value) => set({ series: Number(value) || 1 })}
      />
    </div>
  );
}

interface AnotherPositionProps {
  readonly set: (change: Partial<Typed>) => void;
  readonly typed: Typed;
}

export function AnotherPosition({ set, typed }: AnotherPositionProps) {
  return (
    <Button
      variant="subtle"
      size="compact-sm"
      onClick={() =>
        set({
          positions: [...typed.positions, blankPosition(`module ${typed.positions.length + 1}`)],
          chosen: typed.positions.length,
        })
      }
    >
      Another position
    </Button>
  );
}

interface InstrumentFieldsProps {
  readonly typed: Typed;
  readonly set: (change: Partial<Typed>) => void;
}

export function InstrumentFields({ typed, set }: InstrumentFieldsProps) {
  return (
    <details>
      <summary>Instruments</summary>
      <div className={styles.fields}>
        <NumberField
          label={say.multimeterBearsV}
          min={1}
          value={typed.maxV}
          onChange={(value) => set({ maxV: Number(value) || USUAL_METER.maxV })}
        />
        <NumberField
          label="and"
          unit="A"
          min={0.1}
          value={typed.maxA}
          onChange={(value) => set({ maxA: Number(value) || USUAL_METER.maxA })}
        />
        <NumberField
          label="Irradiance ±"
          unit="%"
          min={0.5}
          max={30}
          value={typed.irradiancePercent}
          onChange={(value) => set({ irradiancePercent: Number(value) || 5 })}
        />
        <NumberField
          label="Current ±"
          unit="%"
          min={0.1}
          max={30}
          value={typed.currentPercent}
          onChange={(value) => set({ currentPercent: Number(value) || 2 })}
        />
      </div>
    </details>
  );
}
