import { useEffect, useState } from "react";
import { z } from "zod";
import { HAVES, NOTHING_SAID, type Opening } from "./opening";

const KEY = "dusty-ledger-opening";

const keptSchema = z.strictObject({
  name: z.string(),
  place: z.string(),
  where: z.strictObject({ label: z.string(), latitudeDeg: z.number(), longitudeDeg: z.number(), timeZone: z.string() }).nullable(),
  elevationM: z.number().nullable(),
  line: z.string(),
  has: z.array(z.enum(HAVES)),
});

/** What was said so far, kept in this browser alone until the book is open: every step can be come back to. */
export function useKeptOpening(): { opening: Opening; change: (parts: Partial<Opening>) => void; forget: () => void } {
  const [opening, setOpening] = useState<Opening>(NOTHING_SAID);
  // The first picture is the server's, which knows of nothing.
  useEffect(() => {
    try {
      const kept = keptSchema.safeParse(JSON.parse(localStorage.getItem(KEY) ?? "null"));
      if (kept.success) setOpening(kept.data);
    } catch {
      // What can't be read was not kept.
    }
  }, []);
  const change = (parts: Partial<Opening>): void =>
    setOpening((before) => {
      const next = { ...before, ...parts };
      localStorage.setItem(KEY, JSON.stringify(next));
      return next;
    });
  const forget = (): void => {
    localStorage.removeItem(KEY);
    setOpening(NOTHING_SAID);
  };
  return { opening, change, forget };
}
