"use client";

import { useLocalStorage } from "@mantine/hooks";
import Link from "next/link";
import type { ReactNode } from "react";
import type { NewEntryInput } from "@/contracts/field-book";
import { USUAL_INSTRUMENTS } from "@/core/electrical";
import { OwnModuleLine } from "@/features/calculators/own-modules/OwnModuleLine";
import { useOwnModules } from "@/features/calculators/own-modules/use-own-modules";
import chapter from "@/features/kit/look/Chapter.module.css";
import { percent } from "@/wording/format";
import { say } from "@/wording/screens/field-book-spot";
import styles from "../FieldBook.module.css";
import type { FieldBookProps } from "../field-book-props";
import { WriteDown } from "../WriteDown";
import { PositionFields } from "./PositionFields";
import { AnotherPosition, InstrumentFields, StringFields, type Typed, USUAL_METER } from "./SpotFields";
import { SpotTable } from "./SpotTable";
import { ReadingChart, SpotVerdict } from "./SpotVerdict";
import { checked, entryOf, moduleOf, type SpotRow } from "./spot-rows";
import { blankPosition, type Position } from "./spot-state";

/** Irradiance meter, thermometer and multimeter at a module or string, against what this light and warmth give. */
export function SpotCheckView({ slug, site, nowUtcMs }: FieldBookProps) {
  const [typed, set] = useSpotDraft(slug, site.arrays[0]!.module);
  const { names, name, type, nameplate } = useModuleChoice(site, typed.module, (module) => set({ module }));
  const module = moduleOf(type, typed.series);
  const terms = { ...USUAL_INSTRUMENTS, irradianceFrac: typed.irradiancePercent / 100, currentFrac: typed.currentPercent / 100 };
  const meter = { maxV: typed.maxV, maxA: typed.maxA };
  const rows = typed.positions.map((position) => checked(position, module, { terms, meter, series: typed.series }));
  const chosen = rows[Math.min(typed.chosen, rows.length - 1)]!;
  const update = (k: number, change: Partial<Position>): void =>
    set({ positions: typed.positions.map((position, at) => (at === k ? { ...position, ...change } : position)), chosen: k });
  const done = rows.filter(({ report }) => report !== null);
  const entry = () => entryOf(done, `${name}, ${typed.series} in series`, nowUtcMs);
  if (!module)
    return (
      <>
        <p className={chapter.verdict}>
          {say.lacksFiguresOfItsDatasheetVoc(name)} <Link href={`/books/${slug}/site`}>{say.toTheModules}</Link>
        </p>
        {names.length > 1 && <StringFields names={names} name={name} set={set} typed={typed} />}
        {nameplate}
      </>
    );
  return (
    <>
      <SpotVerdict chosen={chosen} rows={rows} />
      {(module.spread.vocFrac > 0 || module.spread.iscFrac > 0) && (
        <p className={chapter.soft}>
          {say.estimatedModule(`Voc ± ${percent(module.spread.vocFrac, 0)}, Isc ± ${percent(module.spread.iscFrac, 0)}`)}
        </p>
      )}
      <div className={`${chapter.columns} ${styles.columns}`}>
        <ReadSection
          names={names}
          nameplate={nameplate}
          name={name}
          set={set}
          typed={typed}
          update={update}
          slug={slug}
          entry={entry}
          done={done}
        />
        <section className={chapter.section}>
          {chosen.report && chosen.reading && (
            <ReadingChart position={chosen.position} reading={chosen.reading} report={chosen.report} slug={slug} module={module} />
          )}
          {done.length > 0 && <SpotTable rows={rows} terms={terms} module={name} onChoose={(k) => set({ chosen: k })} />}
        </section>
      </div>
      <p className={chapter.caution}>{say.stringsAreLiveInDaylightUp}</p>
    </>
  );
}

interface ReadSectionProps {
  /** Modules of the book, and those that were typed in this browser. */
  readonly names: readonly string[];
  readonly nameplate: ReactNode;
  readonly name: string;
  readonly set: (change: Partial<Typed>) => void;
  readonly typed: Typed;
  readonly update: (k: number, change: Partial<Position>) => void;
  readonly slug: string;
  readonly entry: () => NewEntryInput;
  readonly done: SpotRow[];
}

function ReadSection({ names, nameplate, name, set, typed, update, slug, entry, done }: ReadSectionProps) {
  return (
    <section className={chapter.section}>
      <h2>{say.whatWasRead}</h2>
      <StringFields names={names} name={name} set={set} typed={typed} />
      {typed.positions.map((position, k) => (
        <PositionFields
          // biome-ignore lint/suspicious/noArrayIndexKey: a position is its place in the list
          key={k}
          position={position}
          onChange={(change) => update(k, change)}
          onFocus={() => set({ chosen: k })}
          onDrop={typed.positions.length > 1 ? () => set({ positions: typed.positions.filter((_, at) => at !== k), chosen: 0 }) : null}
        />
      ))}
      <AnotherPosition set={set} typed={typed} />
      <InstrumentFields typed={typed} set={set} />
      <details>
        <summary>{say.anotherModule}</summary>
        {nameplate}
      </details>
      <WriteDown
        slug={slug}
        entry={entry}
        disabled={done.length === 0}
        onSaved={() => set({ positions: [blankPosition("module 1")], chosen: 0 })}
      />
    </section>
  );
}

/** The module that is measured: one of the book's, or one whose nameplate was typed in this browser. */
function useModuleChoice(site: FieldBookProps["site"], wanted: string, choose: (name: string) => void) {
  const modules = useOwnModules(site);
  const names = [...Object.keys(site.modules), ...modules.own.map((own) => own.name)];
  const name = names.includes(wanted) && modules.all[wanted] ? wanted : site.arrays[0]!.module;
  const add: typeof modules.add = (own) => {
    modules.add(own);
    choose(own.name);
  };
  return { names, name, type: site.modules[name] ?? modules.all[name]!, nameplate: <OwnModuleLine modules={{ ...modules, add }} /> };
}

/** What is typed of a day's readings, kept in this browser until it is written down. */
function useSpotDraft(slug: string, module: string) {
  const [typed, setTyped] = useLocalStorage<Typed>({
    key: `dusty-ledger:spot-draft:${slug}`,
    defaultValue: {
      module,
      series: 1,
      positions: [blankPosition("module 1")],
      chosen: 0,
      ...USUAL_METER,
      irradiancePercent: USUAL_INSTRUMENTS.irradianceFrac * 100,
      currentPercent: USUAL_INSTRUMENTS.currentFrac * 100,
    },
  });
  const set = (change: Partial<Typed>): void => setTyped((current) => ({ ...current, ...change }));
  return [typed, set] as const;
}
