"use client";

import { Spotlight, type SpotlightActionData, type SpotlightActionGroupData, spotlight } from "@mantine/spotlight";
import { useRouter } from "next/navigation";
import { BENCH_VIEWS } from "@/features/calculators/bench-views";
import { LEDGER_VIEWS } from "@/features/ledger/ledger-views";
import { SITE_VIEWS } from "@/features/site/site-views";
import { CHAPTERS, chapterPath, type Spine } from "./chapters";

export const openPalette = (): void => spotlight.open();

/** Finds books, chapters and actions by a few letters; opens with Ctrl K or a slash. */
export function Palette({ spines, slug, toggleTheme }: { spines: readonly Spine[]; slug: string | null; toggleTheme: () => void }) {
  const router = useRouter();
  const go = (path: string) => () => router.push(path);
  const chapters: SpotlightActionData[] =
    slug === null
      ? []
      : CHAPTERS.map(({ id, name, key }) => ({
          id: `chapter-${id}`,
          label: name,
          description: `Chapter of this book · key ${key}`,
          onClick: go(chapterPath(slug, id)),
        }));
  const pages: SpotlightActionData[] =
    slug === null
      ? []
      : [
          ...SITE_VIEWS.map((view) => ({ ...view, chapter: "site" as const })),
          ...LEDGER_VIEWS.map((view) => ({ ...view, chapter: "ledger" as const })),
          ...BENCH_VIEWS.map((view) => ({ ...view, chapter: "bench" as const })),
        ].map(({ id, name, chapter }) => ({
          id: `page-${chapter}-${id}`,
          label: name,
          description: chapter === "bench" ? "Bench of this book" : `View of the ${chapter === "site" ? "Site" : "Ledger"} chapter`,
          onClick: go(`${chapterPath(slug, chapter)}?view=${id}`),
        }));
  const actions: SpotlightActionGroupData[] = [
    { group: "Chapters", actions: chapters },
    { group: "Views", actions: pages },
    {
      group: "Books",
      actions: spines.map((spine) => ({
        id: `book-${spine.slug}`,
        label: spine.name,
        description: "Open the ledger",
        onClick: go(chapterPath(spine.slug, "ledger")),
      })),
    },
    {
      group: "Actions",
      actions: [
        { id: "shelf", label: "The shelf", description: "All books · key 0", onClick: go("/") },
        { id: "new", label: "New book", description: "From a site file, or from nothing", onClick: go("/#new") },
        ...(slug === null
          ? []
          : [
              {
                id: "import",
                label: "Import a file",
                description: "Weather, production or promise",
                onClick: go(chapterPath(slug, "readings")),
              },
            ]),
        {
          id: "trainer",
          label: "Trainer",
          description: "Six made-up months: what was it?",
          onClick: go("/trainer"),
        },
        {
          id: "validation",
          label: "Validation of the methods",
          description: "Greatest differences and tolerances",
          onClick: go("/validation"),
        },
        { id: "theme", label: "Day or lamp light", description: "Switch the theme · key D", onClick: toggleTheme },
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
      nothingFound="Nothing by that name."
      transitionProps={{ duration: 0 }}
      searchProps={{
        placeholder: "Book, chapter or action",
        "aria-label": "Find anything",
      }}
    />
  );
}
