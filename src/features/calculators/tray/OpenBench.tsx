"use client";

import { Button, TextInput } from "@mantine/core";
import { useState } from "react";
import { z } from "zod";
import { type SiteDocument, siteSchema } from "@/contracts/site";
import { withEstimates } from "@/core/module";
import { plantOfLine } from "@/core/typed";
import { useKept } from "@/features/data/use-kept";
import { NumberField } from "@/features/kit/fields/NumberField";
import chapter from "@/features/kit/look/Chapter.module.css";
import { NOTHING_SAID, type Opening, siteOfOpening } from "@/features/opening/opening";
import { plantInWords } from "@/features/opening/plant-in-words";
import { WhereStep } from "@/features/opening/WhereStep";
import { say } from "@/wording/screens/calculators-tools";
import { writingNow } from "@/wording/writing";
import { BenchChapter } from "../BenchChapter";
import { sunByName } from "../bench-sun";
import type { BenchView } from "../bench-views";
import { SunTray } from "./SunTray";
import styles from "./Tray.module.css";

/** What lies on a bench that belongs to no book; kept in this browser alone. */
const keptSchema = z.strictObject({
  place: z.string(),
  where: z.strictObject({ label: z.string(), latitudeDeg: z.number(), longitudeDeg: z.number(), timeZone: z.string() }).nullable(),
  line: z.string(),
  sun: z.string(),
  price: z.number().positive().nullable(),
});
type Tray = z.output<typeof keptSchema>;

/** Somewhere in the middle, until a place is said: it is named on the bench. */
const FIRST: Tray = {
  place: "45, 0",
  where: { label: "45° N", latitudeDeg: 45, longitudeDeg: 0, timeZone: "Etc/UTC" },
  line: say.aRoofToBeginWith,
  sun: "",
  price: null,
};

const siteOf = (tray: Tray): SiteDocument | null => {
  const opening: Opening = { ...NOTHING_SAID, name: say.theBench, where: tray.where, place: tray.place, line: tray.line };
  const made = siteOfOpening(opening, plantOfLine(tray.line, writingNow().decimal));
  const money = tray.price === null ? {} : { money: { tariff: { importPerKwh: String(tray.price) } } };
  const read = made && siteSchema.safeParse({ ...made, ...money });
  if (!read?.success) return null;
  const modules = Object.fromEntries(Object.entries(read.data.modules).map(([name, module]) => [name, withEstimates(module)]));
  return { ...read.data, modules };
};

/** The bench for somebody who has no book: a place, a roof in one line and a sun are enough, and nothing is stored on the server. */
export function OpenBench({ view, nowUtcMs }: { readonly view: BenchView | null; readonly nowUtcMs: number }) {
  const [tray, setTray] = useKept<Tray>("dusty-ledger:bench", keptSchema, FIRST);
  const [isOpen, setIsOpen] = useState(false);
  const change = (parts: Partial<Tray>): void => setTray((before) => ({ ...before, ...parts }));
  const site = siteOf(tray);
  const standing = site ?? siteOf(FIRST)!;
  const opening: Opening = { ...NOTHING_SAID, place: tray.place, where: tray.where };
  return (
    <BenchChapter
      slug={null}
      version={0}
      site={standing}
      sun={sunByName(tray.sun)}
      view={view}
      nowUtcMs={nowUtcMs}
      tray={
        <div className={styles.tray}>
          <div className={styles.line}>
            <p>
              {say.onTheBench(tray.where?.label ?? "45° N")} {plantInWords(standing, plantOfLine(tray.line, writingNow().decimal))}{" "}
              <Button variant="subtle" size="compact-sm" aria-expanded={isOpen} onClick={() => setIsOpen(!isOpen)}>
                {isOpen ? say.done : say.sayWhatYouHave}
              </Button>
            </p>
            <SunTray name={tray.sun} onChange={(sun) => change({ sun })} slug={null} />
          </div>
          {isOpen && (
            <div className={styles.fields}>
              <WhereStep opening={opening} change={({ place = tray.place, where = null }) => change({ place, where })} />
              <TextInput
                label={say.theRoofInOneLine}
                value={tray.line}
                maxLength={300}
                error={site ? undefined : say.notUnderstoodYet}
                onChange={(event) => change({ line: event.currentTarget.value })}
              />
              <NumberField
                label={say.aKwhIsWorth(standing.currency)}
                min={0}
                value={tray.price ?? ""}
                onChange={(value) => change({ price: typeof value === "number" && value > 0 ? value : null })}
              />
            </div>
          )}
          {!site && <p className={chapter.clay}>{say.theFirstRoofStandsIn}</p>}
        </div>
      }
    />
  );
}
