import { NumberInput } from "@mantine/core";
import type { UseFormReturnType } from "@mantine/form";
import type { SiteValues } from "./site-values";

export type SiteForm = UseFormReturnType<SiteValues>;

/** A share of 0 to 1 in the document, edited in percent. */
export function PercentInput({ form, label, path, decimals = 2 }: { form: SiteForm; label: string; path: string; decimals?: number }) {
  const { value, error, onBlur } = form.getInputProps(path) as { value: number; error?: string; onBlur?: () => void };
  const shown = typeof value === "number" ? Number((value * 100).toFixed(decimals + 2)) : value;
  return (
    <NumberInput
      label={label}
      hideControls
      decimalScale={decimals}
      value={shown}
      error={error}
      onBlur={onBlur}
      onChange={(next) => form.setFieldValue(path as never, typeof next === "number" ? Number((next / 100).toFixed(8)) : next)}
    />
  );
}
