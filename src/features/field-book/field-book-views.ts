import { say } from "@/wording/screens/field-book";
import { say as wall } from "@/wording/screens/field-book-wall";

/** Views of the chapter. */
export const FIELD_BOOK_VIEWS = [
  { id: "entries", name: "Entries" },
  { id: "spot", name: "Spot check" },
  { id: "wall", name: wall.atTheWall },
  { id: "trials", name: "Trials" },
  { id: "change", name: say.beforeAndAfter },
  { id: "reminders", name: "Reminders" },
] as const;
export type FieldBookView = (typeof FIELD_BOOK_VIEWS)[number]["id"];
