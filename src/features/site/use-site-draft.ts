"use client";

import { useHotkeys } from "@mantine/hooks";
import { useRouter } from "next/navigation";
import { useEffect, useEffectEvent, useMemo, useRef, useState } from "react";
import { bookAnswerSchema } from "@/contracts/answers";
import { type SiteDocument, siteSchema } from "@/contracts/site";
import { asSaid, type FieldMerge, mergeFields } from "@/core/site";
import { ask } from "@/features/data/ask";
import { asRefused, type RefusedCall } from "@/features/data/refused-call";
import { saveSite } from "@/features/data/use-site-save";
import { fieldInWords } from "@/wording/fields";
import { say } from "@/wording/screens/site";
import { type Draft, draftsOf, dropDraft, keepDraft, tabId } from "./draft-storage";
import { type SiteForm, type SiteValues, toDocument, toValues } from "./site-values";
import { useUndoableForm } from "./use-undoable-form";

/** The book as this window last read it. */
interface Base {
  readonly version: number;
  readonly site: SiteDocument;
}

/** Two windows changed the same fields; what to do is asked. */
export interface Conflict {
  readonly now: Base;
  readonly merge: FieldMerge;
}

export interface SiteDraft {
  readonly form: SiteForm;
  /** The draft as a whole document; where a field is wrong, as it was before that. */
  readonly site: SiteDocument;
  readonly note: string;
  readonly refusal: RefusedCall | null;
  readonly conflict: Conflict | null;
  /** Unsaved entries that another window left behind. */
  readonly others: readonly Draft[];
  readonly undo: () => void;
  readonly redo: () => void;
  readonly canUndo: boolean;
  readonly canRedo: boolean;
  readonly save: () => void;
  readonly settle: (merged: SiteDocument) => void;
  readonly dismissConflict: () => void;
  readonly takeOver: (draft: Draft) => void;
  readonly forget: (draft: Draft) => void;
  readonly revert: () => void;
  /** Puts a whole document in the draft's place, such as one read from a file. */
  readonly replace: (site: SiteDocument, note: string) => void;
}

interface Saving {
  readonly slug: string;
  readonly form: SiteForm;
  readonly setBase: (base: Base) => void;
  readonly setNote: (note: string) => void;
  readonly setRefusal: (refusal: RefusedCall | null) => void;
  readonly setConflict: (conflict: Conflict | null) => void;
}

/** Puts a document over the version it was read from, and together with what was saved meanwhile. */
function useSaving({ slug, form, setBase, setNote, setRefusal, setConflict }: Saving) {
  const router = useRouter();
  const store = async (written: unknown, over: Base): Promise<void> => {
    // What somebody wrote is neither assumed nor estimated any more.
    const document = asSaid(over.site, written as SiteDocument);
    try {
      const version = await saveSite(slug, { version: over.version, site: document });
      setBase({ version, site: document });
      form.setValues(toValues(document));
      form.resetDirty(toValues(document));
      dropDraft(slug, tabId());
      setConflict(null);
      setNote(say.savedTheLedgerIsReckonedAnew);
      router.refresh();
    } catch (error) {
      const refused = asRefused(error);
      if (refused.code === "book-changed") await reconcile(document, over);
      else setRefusal(refused);
    }
  };
  /** Somebody else saved first: what does not collide is put together and saved, the rest is asked. */
  const reconcile = async (document: unknown, over: Base): Promise<void> => {
    const now = await ask(bookAnswerSchema, `/api/books/${slug}`);
    const merge = mergeFields(over.site, document, now.site);
    if (merge.clashes.length > 0) return setConflict({ now, merge });
    form.setValues(toValues(merge.merged as SiteDocument));
    setBase(now);
    await store(merge.merged, now);
    if (merge.taken.length > 0) setNote(say.savedTogetherWithWhatAnotherWindow(merge.taken.map(fieldInWords).join("; ")));
  };
  const guarded = (work: () => Promise<void>): void => {
    setRefusal(null);
    setNote("");
    work().catch((error: unknown) => setRefusal(asRefused(error)));
  };
  return (document: unknown, over: Base): void => guarded(() => store(document, over));
}

/** A site document being edited: undo and redo, kept through reload, saved over the version it was read from. */
export function useSiteDraft(slug: string, version: number, site: SiteDocument): SiteDraft {
  const [base, setBase] = useState<Base>({ version, site });
  const [note, setNote] = useState("");
  const [refusal, setRefusal] = useState<RefusedCall | null>(null);
  const [conflict, setConflict] = useState<Conflict | null>(null);
  const { form, depth, undo, redo } = useUndoableForm(site);
  const whole = useWholeSite(form.values, site);
  useDraftKeeping(slug, base, form.values, form.isDirty());

  const bringBack = (draft: Draft): void => {
    const merge = mergeFields(draft.base, toDocument(draft.values), site);
    form.setValues(toValues(merge.merged as SiteDocument));
    if (merge.clashes.length > 0) setConflict({ now: { version, site }, merge });
    setNote(say.unsavedEntriesOfAreBack(new Date(draft.at).toLocaleTimeString([], { hour: "2-digit", minute: "2-digit" })));
  };
  const left = useLeftDrafts(slug, bringBack);

  const saveOver = useSaving({ slug, form, setBase, setNote, setRefusal, setConflict });
  const save = (): void => {
    const { hasErrors, errors } = form.validate();
    if (hasErrors) {
      setNote(faultsInWords(errors));
      return;
    }
    saveOver(toDocument(form.getValues()), base);
  };
  useHotkeys(
    [
      ["mod+Z", undo],
      ["mod+shift+Z", redo],
      ["mod+Y", redo],
      ["mod+S", save],
    ],
    [],
    true,
  );
  return {
    form,
    site: whole,
    note,
    refusal,
    conflict,
    ...left,
    undo,
    redo,
    canUndo: depth.past > 0,
    canRedo: depth.future > 0,
    save,
    settle: (merged) => {
      const now = conflict?.now ?? base;
      form.setValues(toValues(merged));
      setBase(now);
      saveOver(merged, now);
    },
    dismissConflict: () => setConflict(null),
    revert: () => {
      form.setValues(toValues(base.site));
      form.clearErrors();
      setNote(say.asTheBookHasItUndo);
    },
    replace: (next, words) => {
      form.setValues(toValues(next));
      setNote(words);
    },
  };
}

interface LeftDrafts {
  readonly others: readonly Draft[];
  readonly takeOver: (draft: Draft) => void;
  readonly forget: (draft: Draft) => void;
}

/** What an earlier visit left unsaved comes back once, after the first paint: the server knows nothing of it. Other windows' are offered. */
function useLeftDrafts(slug: string, bringBack: (draft: Draft) => void): LeftDrafts {
  const [others, setOthers] = useState<readonly Draft[]>([]);
  const restore = useEffectEvent(() => {
    const found = draftsOf(slug);
    const own = found.find((draft) => draft.tab === tabId());
    setOthers(found.filter((draft) => draft !== own));
    if (own) bringBack(own);
  });
  useEffect(() => {
    const soon = setTimeout(() => restore(), 0);
    return () => clearTimeout(soon);
  }, []);
  const forget = (draft: Draft): void => {
    dropDraft(slug, draft.tab);
    setOthers(others.filter((other) => other !== draft));
  };
  const takeOver = (draft: Draft): void => {
    bringBack(draft);
    forget(draft);
  };
  return { others, takeOver, forget };
}

const SHOWN_FAULTS = 2;

function faultsInWords(errors: Readonly<Record<string, unknown>>): string {
  const first = Object.entries(errors).slice(0, SHOWN_FAULTS);
  return say.fieldSNeedCorrectingBeforeThis(
    Object.keys(errors).length,
    first.map(([path, words]) => `${fieldInWords(path.split("."))}: ${typeof words === "string" ? words : ""}`).join("; "),
  );
}

/** The draft as a document, or the last one that was whole. */
function useWholeSite(values: SiteValues, first: SiteDocument): SiteDocument {
  const [whole, setWhole] = useState(first);
  const parsed = useMemo(() => siteSchema.safeParse(toDocument(values)), [values]);
  if (parsed.success && JSON.stringify(parsed.data) !== JSON.stringify(whole)) setWhole(parsed.data);
  return whole;
}

/** Writes unsaved entries down shortly after they are made, and when the page is left. */
function useDraftKeeping(slug: string, base: Base, values: SiteValues, dirty: boolean): void {
  const current = useRef({ base, values, dirty });
  useEffect(() => {
    current.current = { base, values, dirty };
    const write = (): void => {
      if (current.current.dirty) keepDraft(slug, { base: current.current.base.site, values: current.current.values });
      else dropDraft(slug, tabId());
    };
    const later = setTimeout(write, 250);
    window.addEventListener("pagehide", write);
    return () => {
      clearTimeout(later);
      window.removeEventListener("pagehide", write);
    };
  }, [slug, base, values, dirty]);
  // Leaving the chapter inside the application is no page hide; what the last quarter second brought is written then.
  useEffect(
    () => () => {
      if (current.current.dirty) keepDraft(slug, { base: current.current.base.site, values: current.current.values });
    },
    [slug],
  );
}
