import { useForm } from "@mantine/form";
import { useCallback, useRef, useState } from "react";
import type { SiteDocument } from "@/contracts/site";
import { type SiteForm, type SiteValues, toValues, validateSite } from "./site-values";

/** Entries within this time are undone together. */
const TOGETHER_MS = 700;
const DEEPEST = 200;

interface UndoableForm {
  readonly form: SiteForm;
  /** How many steps lie behind and ahead. */
  readonly depth: { readonly past: number; readonly future: number };
  readonly undo: () => void;
  readonly redo: () => void;
}

/** The form of a site document, whose entries can be undone and done again. */
export function useUndoableForm(site: SiteDocument): UndoableForm {
  const past = useRef<SiteValues[]>([]);
  const future = useRef<SiteValues[]>([]);
  const [depth, setDepth] = useState({ past: 0, future: 0 });
  const last = useRef(0);
  const replaying = useRef(false);
  const form = useForm<SiteValues>({
    initialValues: toValues(site),
    validate: validateSite,
    validateInputOnBlur: true,
    onValuesChange: (_, previous) => {
      if (replaying.current) return;
      const now = Date.now();
      if (now - last.current > TOGETHER_MS || past.current.length === 0) past.current = [...past.current.slice(-DEEPEST), previous];
      last.current = now;
      future.current = [];
      setDepth({ past: past.current.length, future: 0 });
    },
  });
  const put = useCallback(
    (values: SiteValues): void => {
      replaying.current = true;
      form.setValues(values);
      replaying.current = false;
    },
    [form],
  );
  const step = (from: { current: SiteValues[] }, to: { current: SiteValues[] }): void => {
    const values = from.current.at(-1);
    if (!values) return;
    from.current = from.current.slice(0, -1);
    to.current = [...to.current, form.getValues()];
    last.current = 0;
    put(values);
    form.clearErrors();
    setDepth({ past: past.current.length, future: future.current.length });
  };
  return { form, depth, undo: () => step(past, future), redo: () => step(future, past) };
}
