import type { ComponentProps } from "react";
import { NumberField } from "@/features/kit/fields/NumberField";
import { type SiteForm, setAt } from "./site-values";

interface FieldProps {
  readonly form: SiteForm;
  readonly label: string;
  readonly path: string;
}

/** A share of 0 to 1 in the document, edited in percent. */
export function PercentInput({ form, label, path, decimals = 2 }: FieldProps & { readonly decimals?: number }) {
  const { value, error, onBlur } = form.getInputProps(path) as { value: number; error?: string; onBlur?: () => void };
  const shown = typeof value === "number" ? Number((value * 100).toFixed(decimals + 2)) : value;
  return (
    <NumberField
      label={label}
      decimalScale={decimals}
      value={shown}
      error={error}
      onBlur={onBlur}
      onChange={(next) => setAt(form, path, typeof next === "number" ? Number((next / 100).toFixed(8)) : next)}
    />
  );
}

/** A share that may be left open: null in the document, edited in percent. */
export function OpenPercent({ form, label, path, placeholder }: FieldProps & { readonly placeholder?: string }) {
  const { value, error, onBlur } = form.getInputProps(path) as { value: number | null; error?: string; onBlur?: () => void };
  return (
    <NumberField
      label={label}
      placeholder={placeholder}
      decimalScale={2}
      value={typeof value === "number" ? Number((value * 100).toFixed(4)) : (value ?? "")}
      error={error}
      onBlur={onBlur}
      onChange={(next) => setAt(form, path, typeof next === "number" ? Number((next / 100).toFixed(8)) : null)}
    />
  );
}

/** A number that may be left open: null in the document. */
export function OpenNumber({ form, label, path, ...rest }: FieldProps & Omit<ComponentProps<typeof NumberField>, "form">) {
  const { value, error, onBlur } = form.getInputProps(path) as { value: number | null; error?: string; onBlur?: () => void };
  return (
    <NumberField
      label={label}
      {...rest}
      value={value ?? ""}
      error={error}
      onBlur={onBlur}
      onChange={(next) => setAt(form, path, next === "" ? null : next)}
    />
  );
}
