"use client";

import { Drawer } from "@mantine/core";
import { useDisclosure, useHotkeys } from "@mantine/hooks";
import { IconBooks, IconMoon, IconRulerMeasure, IconSearch, IconSun } from "@tabler/icons-react";
import Link from "next/link";
import { useRouter } from "next/navigation";
import type { ReactNode } from "react";
import { say } from "@/wording/screens/shell";
import { CHAPTERS, type ChapterId, chapterPath, type Spine, spineColour } from "./chapters";
import styles from "./Desk.module.css";
import { HelpPanel } from "./HelpPanel";
import { openPalette, Palette } from "./Palette";
import { useChosenYear } from "./use-chosen-year";
import { useThemeSwitch } from "./use-theme-switch";
import { WritingPanel } from "./WritingPanel";

export interface DeskProps {
  readonly spines: readonly Spine[];
  /** The open book; null on the shelf. */
  readonly slug: string | null;
  readonly chapter: ChapterId | null;
  readonly children: ReactNode;
}

/** The desk that everything lies on: spines left, the open page, index tabs right. Folds up on a narrow screen. */
export function Desk({ spines, slug, chapter, children }: DeskProps) {
  const router = useRouter();
  const year = useChosenYear(slug);
  const [shelfOpen, shelf] = useDisclosure(false);
  const [writingOpen, writing] = useDisclosure(false);
  const theme = useThemeSwitch();
  useHotkeys([
    ...CHAPTERS.map(({ id, key }): [string, () => void] => [key, () => slug && router.push(chapterPath(slug, id, year))]),
    ["0", () => router.push("/")],
    ["D", theme.toggle],
  ]);
  return (
    <div className={styles.desk}>
      <a href="#page" className={styles.skip}>
        {say.skipToThePage}
      </a>
      <HelpPanel />
      <WritingPanel opened={writingOpen} close={writing.close} />
      <Palette spines={spines} slug={slug} toggleTheme={theme.toggle} openWriting={writing.open} />
      <header className={styles.top}>
        <button type="button" className={styles.icon} onClick={shelf.open} aria-label={say.showTheShelf}>
          <IconBooks size={20} stroke={1.6} />
        </button>
        <Brand />
        <Tools theme={theme} openWriting={writing.open} />
      </header>
      <nav className={styles.spines} aria-label="Books">
        <Brand />
        <SpineList spines={spines} slug={slug} />
        <Tools theme={theme} openWriting={writing.open} />
      </nav>
      <main id="page" className={styles.page}>
        {children}
      </main>
      {slug ? <Tabs slug={slug} chapter={chapter} year={year} /> : <div className={styles.tabs} />}
      <ShelfDrawer spines={spines} slug={slug} opened={shelfOpen} close={shelf.close} />
    </div>
  );
}

interface ShelfDrawerProps {
  readonly spines: readonly Spine[];
  readonly slug: string | null;
  readonly opened: boolean;
  readonly close: () => void;
}

/** The spines on a narrow screen. */
function ShelfDrawer({ spines, slug, opened, close }: ShelfDrawerProps) {
  return (
    <Drawer
      opened={opened}
      onClose={close}
      title="Shelf"
      size={260}
      transitionProps={{ duration: 110 }}
      closeButtonProps={{ "aria-label": say.closeTheShelf }}
    >
      <ul className={styles.drawerList}>
        {shownSpines(spines, slug).map(({ spine }) => (
          <li key={spine.slug}>
            <Link href={chapterPath(spine.slug, "ledger")} onClick={close}>
              {spine.name}
            </Link>
          </li>
        ))}
        <li>
          <Link href="/" onClick={close}>
            {say.theWholeShelf}
          </Link>
        </li>
      </ul>
    </Drawer>
  );
}

function Brand() {
  return (
    <Link href="/" className={styles.brand} aria-label={say.dustyLedgerToTheShelf}>
      Dusty <br />
      Ledger<span>.</span>
    </Link>
  );
}

/** More spines than this stand in no hand's reach; the others are found by search, and on the shelf. */
const MOST_SPINES = 30;

/** The first spines of the shelf, and the open book's wherever it stands. */
function shownSpines(spines: readonly Spine[], slug: string | null) {
  return spines.map((spine, i) => ({ spine, i })).filter(({ spine, i }) => i < MOST_SPINES || spine.slug === slug);
}

function SpineList({ spines, slug }: { spines: readonly Spine[]; slug: string | null }) {
  return (
    <ul className={styles.spineList}>
      {shownSpines(spines, slug).map(({ spine, i }) => (
        <li key={spine.slug}>
          <Link
            href={chapterPath(spine.slug, "ledger")}
            className={styles.spine}
            data-open={spine.slug === slug || undefined}
            aria-current={spine.slug === slug ? "true" : undefined}
            style={{ "--cloth": spineColour(i) } as React.CSSProperties}
          >
            <span>{spine.name}</span>
          </Link>
        </li>
      ))}
      <li>
        <Link href="/#new" className={styles.newSpine} aria-label="New book">
          +
        </Link>
      </li>
    </ul>
  );
}

function Tools({ theme, openWriting }: { theme: ReturnType<typeof useThemeSwitch>; openWriting: () => void }) {
  return (
    <div className={styles.tools}>
      <button type="button" className={styles.icon} onClick={openPalette} aria-label={say.findAnythingCtrlK} title={say.findAnythingCtrlK}>
        <IconSearch size={18} stroke={1.6} />
      </button>
      <button
        type="button"
        className={styles.icon}
        onClick={theme.toggle}
        aria-label={say.switchBetweenDayAndLampLight}
        title={say.dayOrLampLightD}
      >
        {theme.dark ? <IconSun size={18} stroke={1.6} /> : <IconMoon size={18} stroke={1.6} />}
      </button>
      <button type="button" className={styles.icon} onClick={openWriting} aria-label={say.numbersAndUnits} title={say.numbersAndUnits}>
        <IconRulerMeasure size={18} stroke={1.6} />
      </button>
    </div>
  );
}

interface TabsProps {
  readonly slug: string;
  readonly chapter: ChapterId | null;
  /** The year that was chosen: it goes along from chapter to chapter. */
  readonly year: string | null;
}

function Tabs({ slug, chapter, year }: TabsProps) {
  return (
    <nav className={styles.tabs} aria-label="Chapters">
      {CHAPTERS.map(({ id, name, key }) => (
        <Link
          key={id}
          href={chapterPath(slug, id, year)}
          className={styles.tab}
          data-open={id === chapter || undefined}
          aria-current={id === chapter ? "page" : undefined}
          title={`${name} (${key})`}
        >
          <span>{name}</span>
        </Link>
      ))}
    </nav>
  );
}
