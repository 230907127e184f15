"use client";

import { Spotlight, spotlight } from "@mantine/spotlight";
import { useRouter } from "next/navigation";
import { useMemo, useState } from "react";
import { say } from "@/wording/screens/shell";
import type { Spine } from "./chapters";
import { everything, type Found, matching } from "./palette-actions";

export const openPalette = (): void => spotlight.open();

/** What is shown at once; more letters find the rest. */
const MOST = 40;

interface PaletteProps {
  readonly spines: readonly Spine[];
  readonly slug: string | null;
  readonly toggleTheme: () => void;
  readonly openWriting: () => void;
}

/** Finds books, views, tools, terms and cautions by a few letters; opens with Ctrl K or a slash. */
export function Palette({ spines, slug, toggleTheme, openWriting }: PaletteProps) {
  const router = useRouter();
  const [query, setQuery] = useState("");
  const all = useMemo(() => everything(spines, slug), [spines, slug]);
  const theme: Found = {
    id: "theme",
    group: say.settings,
    label: say.dayOrLampLight,
    description: say.switchTheThemeKeyD,
    keywords: "dark",
    path: null,
  };
  const writing: Found = {
    id: "writing",
    group: say.settings,
    label: say.numbersAndUnits,
    description: say.marksDaysAndUnits,
    keywords: say.wordsThatAskForUnits,
    path: null,
  };
  const found = matching([...all, theme, writing], query, MOST);
  const act = ({ id, path }: Found): void => {
    if (id === "theme") toggleTheme();
    else if (id === "writing") openWriting();
    else if (path !== null) router.push(path);
  };
  return (
    <Spotlight.Root
      query={query}
      onQueryChange={setQuery}
      shortcut={["mod + K", "/"]}
      scrollable
      maxHeight={420}
      transitionProps={{ duration: 0 }}
    >
      <Spotlight.Search placeholder={say.bookChapterOrAction} aria-label={say.findAnything} />
      <Spotlight.ActionsList>
        {found.length === 0 && <Spotlight.Empty>{say.nothingByThatName}</Spotlight.Empty>}
        {[...new Set(found.map(({ group }) => group))].map((group) => (
          <Spotlight.ActionsGroup key={group} label={group}>
            {found
              .filter((one) => one.group === group)
              .map((one) => (
                <Spotlight.Action
                  key={one.id}
                  label={one.label}
                  description={one.description}
                  highlightQuery
                  closeSpotlightOnTrigger={one.path !== null || one.id === "theme"}
                  onClick={() => act(one)}
                />
              ))}
          </Spotlight.ActionsGroup>
        ))}
      </Spotlight.ActionsList>
    </Spotlight.Root>
  );
}
