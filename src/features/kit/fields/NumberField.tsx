"use client";

import { NumberInput, type NumberInputProps } from "@mantine/core";

interface Props extends Omit<NumberInputProps, "hideControls" | "label"> {
  readonly label?: string;
  /** Stands behind the label: "Length, m". */
  readonly unit?: string;
}

/** A number with its unit, typed and not clicked up and down. */
export function NumberField({ unit, label, ...input }: Props) {
  return <NumberInput hideControls label={unit === undefined ? label : `${label}, ${unit}`} {...input} />;
}
