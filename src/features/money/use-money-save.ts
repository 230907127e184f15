"use client";

import { useState } from "react";
import type { SiteDocument } from "@/contracts/site";
import type { RefusedCall } from "@/features/data/refused-call";
import { useSiteSave } from "@/features/data/use-site-save";

export interface MoneySave {
  /** True when it was saved. */
  readonly save: (money: SiteDocument["money"]) => Promise<boolean>;
  readonly refusal: RefusedCall | null;
  readonly note: string;
}

/** Saves the book's money terms; tells how it went. */
export function useMoneySave(slug: string, version: number, site: SiteDocument): MoneySave {
  const [newest, setNewest] = useState(version);
  const [note, setNote] = useState("");
  const { tryRun, refusal } = useSiteSave(slug, setNewest);
  const save = async (money: SiteDocument["money"]): Promise<boolean> => {
    setNote("");
    const saved = await tryRun({ version: Math.max(newest, version), site: { ...site, money } });
    if (saved !== null) setNote("Saved.");
    return saved !== null;
  };
  return { save, refusal, note };
}
