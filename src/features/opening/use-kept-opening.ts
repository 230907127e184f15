import { useLocalStorage } from "@mantine/hooks";
import { z } from "zod";
import { HAVES, NOTHING_SAID, type Opening } from "./opening";

const keptSchema = z.strictObject({
  name: z.string(),
  place: z.string(),
  where: z.strictObject({ label: z.string(), latitudeDeg: z.number(), longitudeDeg: z.number(), timeZone: z.string() }).nullable(),
  elevationM: z.number().nullable(),
  line: z.string(),
  has: z.array(z.enum(HAVES)),
});

/** What was kept, where it still is what is kept today. */
function keptOf(text: string | undefined): Opening {
  try {
    const kept = keptSchema.safeParse(JSON.parse(text ?? "null"));
    return kept.success ? kept.data : NOTHING_SAID;
  } catch {
    return NOTHING_SAID;
  }
}

/** What was said so far, kept in this browser alone until the book is open: every step can be come back to. */
export function useKeptOpening(): {
  readonly opening: Opening;
  readonly change: (parts: Partial<Opening>) => void;
  readonly forget: () => void;
} {
  const [opening, setOpening, forget] = useLocalStorage<Opening>({
    key: "dusty-ledger-opening",
    defaultValue: NOTHING_SAID,
    deserialize: keptOf,
  });
  return { opening, change: (parts) => setOpening((before) => ({ ...before, ...parts })), forget };
}
