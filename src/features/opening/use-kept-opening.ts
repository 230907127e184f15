import { z } from "zod";
import { useKept } from "@/features/data/use-kept";
import { HAVES, NOTHING_SAID, type Opening } from "./opening";

const keptSchema = z.strictObject({
  name: z.string(),
  place: z.string(),
  where: z.strictObject({ label: z.string(), latitudeDeg: z.number(), longitudeDeg: z.number(), timeZone: z.string() }).nullable(),
  elevationM: z.number().nullable(),
  line: z.string(),
  has: z.array(z.enum(HAVES)),
});

/** What was said so far, kept in this browser alone until the book is open: every step can be come back to. */
export function useKeptOpening(): {
  readonly opening: Opening;
  readonly change: (parts: Partial<Opening>) => void;
  readonly forget: () => void;
} {
  const [opening, setOpening, forget] = useKept<Opening>("dusty-ledger-opening", keptSchema, NOTHING_SAID);
  return { opening, change: (parts) => setOpening((before) => ({ ...before, ...parts })), forget };
}
