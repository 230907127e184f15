import { BENCH_VIEWS } from "@/features/calculators/bench-views";
import { FIELD_BOOK_VIEWS } from "@/features/field-book/field-book-views";
import { LEDGER_VIEWS } from "@/features/ledger/ledger-views";
import { MONEY_VIEWS } from "@/features/money/money-views";
import { READINGS_VIEWS } from "@/features/readings/readings-views";
import { SITE_VIEWS } from "@/features/site/site-views";
import { GLOSSARY } from "@/wording/glossary";
import { CAUTIONS, KEYWORDS, say, TOOLS } from "@/wording/screens/shell";
import { CHAPTERS, type ChapterId, chapterPath, type Spine } from "./chapters";

/** Something that the palette finds. */
export interface Found {
  readonly id: string;
  readonly group: string;
  readonly label: string;
  readonly description: string;
  /** Words by which it is found beside its label. */
  readonly keywords: string;
  /** Where it leads; null where it only says something. */
  readonly path: string | null;
}

interface View {
  readonly chapter: ChapterId;
  readonly id: string;
  readonly name: string;
}

const of = (chapter: ChapterId, views: readonly { readonly id: string; readonly name: string }[]): View[] =>
  views.map(({ id, name }) => ({ chapter, id, name }));

/** Every view of every chapter. */
const VIEWS: readonly View[] = [
  ...of("site", SITE_VIEWS),
  ...of("readings", READINGS_VIEWS),
  ...of("ledger", LEDGER_VIEWS),
  ...of("money", MONEY_VIEWS),
  ...of("field-book", FIELD_BOOK_VIEWS),
  ...of("bench", BENCH_VIEWS),
];

const chapterName = (id: ChapterId): string => CHAPTERS.find((chapter) => chapter.id === id)!.name;

/** Chapters and views of a book, under the book's name where it is not the open one. */
function pagesOf({ slug, name }: Spine, isOpen: boolean): Found[] {
  const group = isOpen ? say.thisBook : say.otherBooks;
  const title = (page: string): string => (isOpen ? page : `${name}: ${page}`);
  const chapters = CHAPTERS.map(
    (chapter): Found => ({
      id: `${slug}-chapter-${chapter.id}`,
      group,
      label: title(chapter.name),
      description: isOpen ? say.chapterOfThisBookKey(chapter.key) : say.chapterOf(name),
      keywords: `${name} chapter`,
      path: chapterPath(slug, chapter.id),
    }),
  );
  const views = VIEWS.map(
    ({ chapter, id, name: view }): Found => ({
      id: `${slug}-${chapter}-${id}`,
      group,
      label: title(view),
      description: say.viewOfTheChapter(chapterName(chapter)),
      keywords: `${name} ${chapterName(chapter)} ${KEYWORDS[`${chapter}/${id}`] ?? ""}`,
      path: `${chapterPath(slug, chapter)}?view=${id}`,
    }),
  );
  return [...chapters, ...views];
}

/** Terms of the glossary, with their line. */
const TERMS: readonly Found[] = GLOSSARY.map(({ term, what }) => ({
  id: `term-${term}`,
  group: say.glossary,
  label: term,
  description: what,
  keywords: say.wordsThatAskForMeaning,
  path: null,
}));

/** All that can be found from a page. `slug` is the open book's. */
export function everything(spines: readonly Spine[], slug: string | null): Found[] {
  const open = spines.find((spine) => spine.slug === slug);
  const cautions = CAUTIONS.map(
    ({ id, label, words, view }): Found => ({
      id: `caution-${id}`,
      group: say.cautions,
      label,
      description: words,
      keywords: words,
      path: slug === null ? null : `/books/${slug}/${view}`,
    }),
  );
  const tools = TOOLS.map(({ id, label, what, path }): Found => ({ id, group: say.tools, label, description: what, keywords: "", path }));
  return [
    ...(open ? pagesOf(open, true) : []),
    ...spines.map(
      ({ slug: book, name }): Found => ({
        id: `book-${book}`,
        group: say.books,
        label: name,
        description: say.openTheLedger,
        keywords: "book",
        path: chapterPath(book, "ledger"),
      }),
    ),
    ...tools,
    ...cautions,
    ...TERMS,
    ...spines.filter((spine) => spine.slug !== slug).flatMap((spine) => pagesOf(spine, false)),
  ];
}

/** What a query finds: every word of it stands in the label, the description or the keywords. Labels come before the rest. */
export function matching(all: readonly Found[], query: string, most: number): Found[] {
  const words = query.toLowerCase().split(/\s+/).filter(Boolean);
  const rank = ({ label, description, keywords }: Found): number => {
    const name = label.toLowerCase();
    const text = `${name} ${description} ${keywords}`.toLowerCase();
    if (!words.every((word) => text.includes(word))) return -1;
    return words.reduce((sum, word) => sum + (name.startsWith(word) ? 3 : name.includes(word) ? 2 : 0), 0);
  };
  return all
    .map((found, k) => ({ found, k, score: rank(found) }))
    .filter(({ score }) => score >= 0)
    .sort((a, b) => b.score - a.score || a.k - b.k)
    .slice(0, most)
    .map(({ found }) => found);
}
