"use client";

import { useLocalStorage } from "@mantine/hooks";
import Link from "next/link";
import { ReadingsOnCurve } from "@/charts";
import type { NewEntryInput } from "@/contracts/field-book";
import { type SpotModule, type SpotReading, type SpotReport, spotCheck, spotCurve, spotDoubts, USUAL_INSTRUMENTS } from "@/core/electrical";
import { type KnownCircuit, knownCircuit, type ModuleType } from "@/core/site";
import chapter from "@/features/kit/look/Chapter.module.css";
import { ChartFrame } from "@/features/kit/save/ChartFrame";
import { doubtInWords, spotInWords } from "@/wording/electrical";
import { measure, number, percent } from "@/wording/format";
import { say } from "@/wording/screens/field-book-spot";
import styles from "../FieldBook.module.css";
import type { FieldBookProps } from "../field-book-props";
import { WriteDown } from "../WriteDown";
import { PositionFields } from "./PositionFields";
import { AnotherPosition, InstrumentFields, StringFields, type Typed, USUAL_METER } from "./SpotFields";
import { SpotTable } from "./SpotTable";
import { blankPosition, type Position, readingOf } from "./spot-state";

function moduleOf(module: ModuleType, modulesInSeries: number): (SpotModule & { readonly spread: KnownCircuit }) | null {
  const known = knownCircuit(module);
  return known && { reference: known.reference, modulesInSeries, bypassDiodes: module.bypassDiodes, spread: known };
}

interface Meter {
  readonly terms: Parameters<typeof spotCheck>[2];
  readonly meter: Parameters<typeof spotDoubts>[2];
  /** Modules in series on it. */
  readonly series: number;
}

/** What was read at a position, what light and heat would give there, and what speaks against the reading. */
function checked(position: Position, module: ReturnType<typeof moduleOf>, { terms, meter, series }: Meter) {
  const { reading, problem } = readingOf(position);
  const doubts = reading ? spotDoubts(reading, series, meter) : [];
  const report = module && reading && doubts.length === 0 ? spotCheck(module, reading, terms) : null;
  return {
    position,
    reading,
    report,
    words: [problem, ...(reading ? doubts.map((doubt) => doubtInWords(doubt, reading, meter, series)) : [])].filter(Boolean),
  };
}

/** The readings of a day as an entry of the field book. */
function entryOf(done: readonly ReturnType<typeof checked>[], module: string, nowUtcMs: number): NewEntryInput {
  const today = new Date(nowUtcMs).toISOString().slice(0, 10);
  return {
    ...{ kind: "spot-check", from: today, to: today },
    note: done
      .map(({ position, report }) => `${position.name}: ${spotInWords(report!)}`)
      .join(" ")
      .slice(0, 2000),
    value: module.slice(0, 200),
    measured: Object.fromEntries(
      done
        .slice(0, 12)
        .flatMap(({ position, reading }) =>
          Object.entries(reading!).map(([key, value]) => [`${position.name} ${key}`.slice(0, 60), value]),
        ),
    ),
  };
}

/** Irradiance meter, thermometer and multimeter at a module or string, against what this light and warmth give. */
export function SpotCheckView({ slug, site, nowUtcMs }: FieldBookProps) {
  const [typed, setTyped] = useLocalStorage<Typed>({
    key: `dusty-ledger:spot-draft:${slug}`,
    defaultValue: {
      module: site.arrays[0]!.module,
      series: 1,
      positions: [blankPosition("module 1")],
      chosen: 0,
      ...USUAL_METER,
      irradiancePercent: USUAL_INSTRUMENTS.irradianceFrac * 100,
      currentPercent: USUAL_INSTRUMENTS.currentFrac * 100,
    },
  });
  const set = (change: Partial<Typed>): void => setTyped((current) => ({ ...current, ...change }));
  const name = typed.module in site.modules ? typed.module : site.arrays[0]!.module;
  const module = moduleOf(site.modules[name]!, typed.series);
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
      <p className={chapter.verdict}>
        {say.lacksFiguresOfItsDatasheetVoc(name)} <Link href={`/books/${slug}/site`}>{say.toTheModules}</Link>
      </p>
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
        <ReadSection site={site} name={name} set={set} typed={typed} update={update} slug={slug} entry={entry} done={done} />
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
  readonly site: FieldBookProps["site"];
  readonly name: string;
  readonly set: (change: Partial<Typed>) => void;
  readonly typed: Typed;
  readonly update: (k: number, change: Partial<Position>) => void;
  readonly slug: string;
  readonly entry: () => NewEntryInput;
  readonly done: { position: Position; reading: SpotReading | null; report: SpotReport | null; words: string[] }[];
}

function ReadSection({ site, name, set, typed, update, slug, entry, done }: ReadSectionProps) {
  return (
    <section className={chapter.section}>
      <h2>{say.whatWasRead}</h2>
      <StringFields site={site} name={name} set={set} typed={typed} />
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
      <WriteDown
        slug={slug}
        entry={entry}
        disabled={done.length === 0}
        onSaved={() => set({ positions: [blankPosition("module 1")], chosen: 0 })}
      />
    </section>
  );
}

interface SpotVerdictProps {
  readonly chosen: { position: Position; reading: SpotReading | null; report: SpotReport | null; words: string[] };
  readonly rows: { position: Position; reading: SpotReading | null; report: SpotReport | null; words: string[] }[];
}

function SpotVerdict({ chosen, rows }: SpotVerdictProps) {
  return (
    <p className={chapter.verdict} data-testid="spot-verdict">
      {chosen.words.length > 0 ? (
        <span className={chapter.clay}>{chosen.words.join(" ")}</span>
      ) : chosen.report ? (
        <>
          <Verdict report={chosen.report} name={chosen.position.name} />
          {rows.map((row) =>
            row !== chosen && row.report && isOff(row.report) ? (
              <span key={row.position.name}>
                {" "}
                <Verdict report={row.report} name={row.position.name} />
              </span>
            ) : null,
          )}
        </>
      ) : (
        say.giveTheLightInThePlane
      )}
    </p>
  );
}

interface ReadingChartProps {
  readonly position: Position;
  readonly reading: SpotReading;
  readonly report: SpotReport;
  readonly slug: string;
  readonly module: SpotModule;
}

function ReadingChart({ position, reading, report, slug, module }: ReadingChartProps) {
  return (
    <ChartFrame
      title={say.whereTheReadingsLie}
      note={`${position.name}, ${number(report.lightWm2)} W/m², cells at ${measure(report.cellTempC, "°C")}`}
      fileName={`${slug}-spot-check`}
      height={270}
      summary={spotInWords(report)}
      table={() => [
        ["voltage_v", "current_a"],
        ...spotCurve(module, report.lightWm2, report.cellTempC).map((p) => [p.voltageV, p.currentA]),
      ]}
    >
      {(width) => (
        <ReadingsOnCurve
          width={width}
          height={270}
          withPower
          curve={spotCurve(module, report.lightWm2, report.cellTempC)}
          readings={pointsOf(reading, report)}
        />
      )}
    </ChartFrame>
  );
}

const isOff = ({ judged }: SpotReport): boolean => judged.some(({ verdict }) => verdict !== "as-expected");

function Verdict({ report, name }: { report: SpotReport; name: string }) {
  const off = isOff(report);
  return (
    <span className={off ? chapter.clay : ""}>
      {`${name}: ${spotInWords(report)}`}
      {report.impliedIrradianceWm2 !== null && off && say.theCurrentSpeaksOfWM(number(report.impliedIrradianceWm2))}
      {report.impliedCellTempC !== null && off && say.theVoltageSpeaksOfCellsAt(measure(report.impliedCellTempC, "°C"))}
    </span>
  );
}

function pointsOf(reading: SpotReading, { judged }: SpotReport) {
  const off = (quantity: string): boolean => judged.find((each) => each.quantity === quantity)?.verdict !== "as-expected";
  const { vocV, iscA, operatingV, operatingA } = reading;
  return [
    ...(vocV === null ? [] : [{ label: "Voc", voltageV: vocV, currentA: 0, isOff: off("vocV") }]),
    ...(iscA === null ? [] : [{ label: "Isc", voltageV: 0, currentA: iscA, isOff: off("iscA") }]),
    ...(operatingV === null || operatingA === null
      ? []
      : [{ label: "working", voltageV: operatingV, currentA: operatingA, isOff: off("operatingA") }]),
  ];
}
