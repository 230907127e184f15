/** Chapters of a book that stand in this edition, in the order in which people work. */
export const CHAPTERS = [
  { id: "site", name: "Site", key: "1" },
  { id: "yield", name: "Yield", key: "2" },
  { id: "readings", name: "Readings", key: "3" },
  { id: "ledger", name: "Ledger", key: "4" },
  { id: "ageing", name: "Ageing", key: "5" },
  { id: "money", name: "Money", key: "6" },
  { id: "field-book", name: "Field book", key: "7" },
  { id: "bench", name: "Bench", key: "8" },
  { id: "tests", name: "Tests", key: "9" },
] as const;

export type ChapterId = (typeof CHAPTERS)[number]["id"];

/** A chapter's page; with the year that is read, where one was chosen. */
export const chapterPath = (slug: string, chapter: ChapterId, year: string | null = null): string =>
  `/books/${slug}/${chapter}${year ? `?year=${encodeURIComponent(year)}` : ""}`;

/** What the shelf shows of a book: its spine. */
export interface Spine {
  readonly slug: string;
  readonly name: string;
}

const SPINE_COLOURS = ["#8a5a2b", "#3f5a66", "#7a4632", "#4c5c3b", "#5d4a66", "#6b5a35"] as const;

/** Every book keeps its cloth by its place on the shelf. */
export const spineColour = (index: number): string => SPINE_COLOURS[index % SPINE_COLOURS.length]!;
