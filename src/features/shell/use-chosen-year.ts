"use client";

import { useSessionStorage } from "@mantine/hooks";
import { useSearchParams } from "next/navigation";
import { useEffect } from "react";

/** The year that is read in a book: of the address, or the last one that was, where a chapter without years lies between. */
export function useChosenYear(slug: string | null): string | null {
  const asked = useSearchParams().get("year");
  const [kept, keep] = useSessionStorage<string | null>({ key: `year-${slug ?? ""}`, defaultValue: null });
  useEffect(() => {
    if (asked !== null) keep(asked);
  }, [asked, keep]);
  return asked ?? kept;
}
