import type { SetAsideReason } from "@/contracts/standing";
import type { Book } from "../books";
import { Refusal } from "../refusal";
import type { Figures } from "./answers";
import type { Reckoner, StandingStore } from "./ports";

export const setAside = (reason: SetAsideReason): Refusal => new Refusal("set-aside", `set-aside-${reason}`);

/** A book's figures as they are stored, or reckoned and stored where they are of another version; refused where the book was set aside. */
export async function standingFigures(
  { standings, reckoner }: { readonly standings: StandingStore; readonly reckoner: Reckoner },
  book: Book,
  patienceMs: number,
): Promise<Figures> {
  const stored = await standings.of(book.id);
  if (stored?.version !== book.version) return reckoner.ask(book, "figures", {}, patienceMs);
  if (stored.state === "set-aside") throw setAside(stored.reason);
  return stored.figures;
}
