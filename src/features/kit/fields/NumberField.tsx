"use client";

import { NumberInput, type NumberInputProps } from "@mantine/core";
import { Term } from "@/features/kit/help/Term";
import { termOf } from "@/wording/glossary";

interface Props extends Omit<NumberInputProps, "hideControls" | "label"> {
  readonly label?: string;
  /** Stands behind the label: "Length, m". */
  readonly unit?: string;
}

/** A number with its unit, typed and not clicked up and down. */
export function NumberField({ unit, label, ...input }: Props) {
  const text = unit === undefined ? label : `${label}, ${unit}`;
  return <NumberInput hideControls label={text !== undefined && termOf(text) ? <Term>{text}</Term> : text} {...input} />;
}
