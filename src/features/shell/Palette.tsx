"use client";

import { Spotlight, type SpotlightActionGroupData, spotlight } from "@mantine/spotlight";
import { useRouter } from "next/navigation";
import { BENCH_VIEWS } from "@/features/calculators/bench-views";
import { LEDGER_VIEWS } from "@/features/ledger/ledger-views";
import { SITE_VIEWS } from "@/features/site/site-views";
import { say } from "@/wording/screens/shell";
import { CHAPTERS, chapterPath, type Spine } from "./chapters";

export const openPalette = (): void => spotlight.open();

type Go = (path: string) => () => void;

/** Chapters and views of a book. */
function pagesOf(slug: string, go: Go): SpotlightActionGroupData[] {
  const chapters = CHAPTERS.map(({ id, name, key }) => ({
    id: `chapter-${id}`,
    label: name,
    description: say.chapterOfThisBookKey(key),
    onClick: go(chapterPath(slug, id)),
  }));
  const pages = [
    ...SITE_VIEWS.map((view) => ({ ...view, chapter: "site" as const })),
    ...LEDGER_VIEWS.map((view) => ({ ...view, chapter: "ledger" as const })),
    ...BENCH_VIEWS.map((view) => ({ ...view, chapter: "bench" as const })),
  ].map(({ id, name, chapter }) => ({
    id: `page-${chapter}-${id}`,
    label: name,
    description: chapter === "bench" ? say.benchOfThisBook : say.viewOfTheChapter(chapter === "site" ? "Site" : "Ledger"),
    onClick: go(`${chapterPath(slug, chapter)}?view=${id}`),
  }));
  return [
    { group: "Chapters", actions: chapters },
    { group: "Views", actions: pages },
  ];
}

/** Finds books, chapters and actions by a few letters; opens with Ctrl K or a slash. */
export function Palette({ spines, slug, toggleTheme }: { spines: readonly Spine[]; slug: string | null; toggleTheme: () => void }) {
  const router = useRouter();
  const go: Go = (path) => () => router.push(path);
  const actions: SpotlightActionGroupData[] = [
    ...(slug === null ? [] : pagesOf(slug, go)),
    {
      group: "Books",
      actions: spines.map((spine) => ({
        id: `book-${spine.slug}`,
        label: spine.name,
        description: say.openTheLedger,
        onClick: go(chapterPath(spine.slug, "ledger")),
      })),
    },
    {
      group: "Actions",
      actions: [
        { id: "shelf", label: "The shelf", description: say.allBooksKey0, onClick: go("/") },
        { id: "new", label: "New book", description: say.fromASiteFileOrFrom, onClick: go("/#new") },
        ...(slug === null
          ? []
          : [
              {
                id: "import",
                label: say.importAFile,
                description: say.weatherProductionOrPromise,
                onClick: go(chapterPath(slug, "readings")),
              },
            ]),
        {
          id: "trainer",
          label: "Trainer",
          description: say.sixMadeUpMonthsWhatWas,
          onClick: go("/trainer"),
        },
        {
          id: "validation",
          label: say.validationOfTheMethods,
          description: say.greatestDifferencesAndTolerances,
          onClick: go("/validation"),
        },
        { id: "theme", label: say.dayOrLampLight, description: say.switchTheThemeKeyD, onClick: toggleTheme },
      ],
    },
  ];
  return (
    <Spotlight
      actions={actions.filter((group) => group.actions.length > 0)}
      shortcut={["mod + K", "/"]}
      highlightQuery
      scrollable
      maxHeight={420}
      nothingFound={say.nothingByThatName}
      transitionProps={{ duration: 0 }}
      searchProps={{
        placeholder: say.bookChapterOrAction,
        "aria-label": "Find anything",
      }}
    />
  );
}
