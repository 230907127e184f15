"use client";

import { TextInput, type TextInputProps } from "@mantine/core";
import { type FocusEvent, type ReactNode, useEffect, useRef, useState } from "react";
import { readTyped, type Typed, type TypedField } from "@/core/typed";
import { Term } from "@/features/kit/help/Term";
import { editable, readersUnit } from "@/wording/format";
import { termOf } from "@/wording/glossary";
import { refusedInWords, understoodInWords } from "@/wording/typed";
import { writingNow } from "@/wording/writing";
import { labelInUnit, toMetric, toReaders, unitIn } from "./field-unit";

interface Props extends Omit<TextInputProps, "label" | "value" | "onChange" | "defaultValue" | "min" | "max" | "step" | "type"> {
  readonly label?: string;
  /** Stands behind the label: "Length, m". Where it is left out, the label's own ending is taken for it. */
  readonly unit?: string;
  /** An angle that may be typed in words and letters: "SE", "31 S", "4 in 12". */
  readonly angle?: TypedField["angle"];
  readonly value?: number | string | null | undefined;
  /** Told the number in the field's metric unit; "" where it was emptied, and the text itself while it is no number. */
  readonly onChange?: (value: number | string) => void;
  readonly min?: number;
  readonly max?: number;
  readonly isWhole?: boolean;
  /** Decimals that are kept. */
  readonly decimalScale?: number;
  readonly grouped?: boolean;
}

/** Decimals of a value that stands in a field which names none. */
const MOST_DECIMALS = 6;
/** Decimals of a value that is shown in a unit which is not the one it is kept in. */
const CONVERTED_DECIMALS = 2;

/** A number as people type it: with units, marks and words of their own. What is understood stands under it; what is not is refused there, and no letter is lost. */
export function NumberField(props: Props) {
  const { named, metric, shownUnit, field, others } = readAs(props);
  const { value, onChange, decimalScale, grouped = false, error, description, onBlur, ...input } = others;
  const take = (read: Typed, text: string): void => {
    if (read.kind !== "value") onChange?.(read.kind === "empty" ? "" : text);
    else onChange?.(Number(toMetric(read.value, metric).toFixed(shownUnit === metric ? (decimalScale ?? MOST_DECIMALS) : MOST_DECIMALS)));
  };
  const { text, note, isLeft, type, leave } = useTypedText(value);
  const read = text === null ? null : readTyped(text, field);
  const understood = read?.kind === "value" && !read.isPlain ? understoodInWords(read.value, shownUnit) : note;
  const decimals = shownUnit === metric ? (decimalScale ?? MOST_DECIMALS) : CONVERTED_DECIMALS;
  const shown = typeof value === "number" ? editable(toReaders(value, metric), decimals, grouped) : (value ?? "");
  return (
    <TextInput
      inputMode="decimal"
      autoComplete="off"
      inputWrapperOrder={["label", "input", "description", "error"]}
      {...input}
      label={named === undefined ? undefined : <Labelled text={labelInUnit(named, metric, shownUnit)} />}
      value={text ?? shown}
      error={isLeft && read?.kind === "refused" ? refusedInWords(read.refusal, field.unit) : error}
      description={understood ?? description}
      onChange={({ currentTarget }) => {
        type(currentTarget.value);
        take(readTyped(currentTarget.value, field), currentTarget.value);
      }}
      onBlur={(event: FocusEvent<HTMLInputElement>) => {
        leave(read, read?.kind === "value" && !read.isPlain ? `${text?.trim()}: ${understoodInWords(read.value, shownUnit)}` : null);
        onBlur?.(event);
      }}
    />
  );
}

/** What a field takes, and in which unit it is shown. */
function readAs({ unit, label, angle, min, max, isWhole, ...others }: Props) {
  const named = unit === undefined || label === undefined ? label : `${label}, ${unit}`;
  const metric = unit ?? unitIn(named ?? others["aria-label"] ?? "");
  const shownUnit = metric === null ? null : readersUnit(metric);
  const field: TypedField = {
    unit: shownUnit ?? (angle ? "°" : null),
    angle,
    decimalMark: writingNow().decimal,
    min: min === undefined ? min : toReaders(min, metric),
    max: max === undefined ? max : toReaders(max, metric),
    isWhole,
  };
  return { named, metric, shownUnit, field, others };
}

const Labelled = ({ text }: { text: string }): ReactNode => (termOf(text) ? <Term>{text}</Term> : text);

/** What stands in a field while somebody types, and what of it stays when they leave: a text that was refused, or a note of what was understood. */
function useTypedText(value: Props["value"]) {
  const [text, setText] = useState<string | null>(null);
  const [note, setNote] = useState<string | null>(null);
  const [isLeft, setIsLeft] = useState(false);
  const inside = useRef(false);
  const known = useRef(value);
  useEffect(() => {
    // Changed from elsewhere: what was typed before is past. Emptied while one types: a form was sent.
    const isElsewhere = !inside.current && known.current !== value;
    if (isElsewhere || (inside.current && value === "" && known.current !== "")) {
      setText(null);
      setNote(null);
    }
    known.current = value;
  }, [value]);
  const type = (next: string): void => {
    inside.current = true;
    setIsLeft(false);
    setNote(null);
    setText(next);
  };
  const leave = (read: Typed | null, understood: string | null): void => {
    inside.current = false;
    setIsLeft(true);
    if (read && read.kind !== "refused") {
      setText(null);
      setNote(understood);
    }
  };
  return { text, note, isLeft, type, leave };
}
