"use client";

import { Button } from "@mantine/core";
import { useLocalStorage } from "@mantine/hooks";
import { useState } from "react";
import type { Measured, NewEntryInput } from "@/contracts/field-book";
import { checkInverter, type InverterReading, type InverterReport, isFine } from "@/core/electrical";
import { USUAL_TOLERANCE } from "@/core/readings";
import { nameplateW, partOfSite, siteAcRatedW, siteOn } from "@/core/site";
import { utcOfWall, zoneOffset } from "@/core/time";
import { ASSUMED_EFFICIENCY_FRAC, daySoFar, type MomentPower, momentPower } from "@/core/yield";
import { NumberField } from "@/features/kit/fields/NumberField";
import chapter from "@/features/kit/look/Chapter.module.css";
import { inverterFindingInWords } from "@/wording/electrical";
import { percent } from "@/wording/format";
import { say } from "@/wording/screens/field-book-inverter";
import { say as wall } from "@/wording/screens/field-book-wall";
import { spanInWords } from "@/wording/wall";
import styles from "../FieldBook.module.css";
import type { FieldBookProps } from "../field-book-props";
import { WriteDown } from "../WriteDown";
import { InputTable } from "./InputTable";
import { KeepReadings } from "./KeepReadings";
import { MomentTable } from "./MomentTable";
import { OrderLists } from "./OrderLists";
import { SpansTable } from "./SpansTable";
import { type SpanRead, spansRead, type WallBasis } from "./spans";
import { InputFields, MainFields, MomentFields, OutputFields } from "./WallFields";
import { WallVerdict } from "./WallVerdict";
import { blankTyped, known, readingOf, type Typed } from "./wall-typed";

/** A cloudless sky says only what can be at most; a light that was read says it within a tenth or two. */
const CLOUDLESS_OFF = 0.5;
const MEASURED_OFF = 0.15;
const NOTHING: WallBasis = { days: [], expectedKwh: [], promiseKwh: null, commissioned: null };

/** What was read, by name, for the entry. */
const measuredOf = (at: string, { inputs, acV, acA, acW, dayKwh, lifetimeKwh }: InverterReading): Measured => ({
  at,
  ...Object.fromEntries(inputs.flatMap(({ dcV, dcA }, k) => [[`input ${k + 1} V`, dcV] as const, [`input ${k + 1} A`, dcA] as const])),
  ...{ acV, acA, acW, dayKwh, lifetimeKwh },
});

interface Told {
  readonly reading: InverterReading | null;
  /** Null where nothing of the moment was read. */
  readonly report: InverterReport | null;
  readonly spans: readonly SpanRead[];
}

/** All that was read as an entry of the field book, with what it says. */
const entryOf = ({ at, lights }: Typed, inverter: string, { reading, report, spans }: Told): NewEntryInput => ({
  kind: "inverter-reading",
  from: at.slice(0, 10),
  to: at.slice(0, 10),
  value: inverter,
  note: [
    lights && `Lights: ${lights}.`,
    ...(report?.findings ?? []).map((finding) => inverterFindingInWords(finding, report!)),
    ...spans.map(spanInWords),
  ]
    .filter(Boolean)
    .join(" ")
    .slice(0, 2000),
  measured: reading && measuredOf(at, reading),
});

/** Where it stands now, that day and in all: the whole inverter's display, each figure against what it should be. */
export function WallView({ slug, site, nowUtcMs, wall: basis }: FieldBookProps) {
  const blank = blankTyped(site, nowUtcMs);
  const [typed, setTyped] = useLocalStorage<Typed>({ key: `dusty-ledger:inverter-draft:${slug}`, defaultValue: blank });
  const [tolerance, setTolerance] = useState(USUAL_TOLERANCE);
  const set = (change: Partial<Typed>): void => setTyped((current) => ({ ...current, ...change }));
  // Without an inverter in the book the display is that of the whole site.
  const inverter = site.inverters.find(({ id }) => id === typed.inverter) ?? site.inverters[0] ?? null;
  const since = typed.since ?? site.commissioned ?? basis?.days[0] ?? typed.at.slice(0, 10);
  const { reading, problem } = readingOf(typed);
  const { own, light, moment, soFarFrac } = momentOf(site, inverter, typed);
  const ratedEfficiencyFrac = inverter?.ratedEfficiencyFrac ?? ASSUMED_EFFICIENCY_FRAC;
  const report =
    reading &&
    checkInverter(reading, {
      acRatedW: inverter && siteAcRatedW(own),
      nameplateW: nameplateW(own),
      ratedEfficiencyFrac,
      maxDcV: inverter?.maxDcV ?? null,
      expectedW: moment?.expectedW ?? null,
      expectedOffFrac: light === null ? CLOUDLESS_OFF : MEASURED_OFF,
    });
  const shareFrac = nameplateW(own) / nameplateW(siteOn(site, typed.at.slice(0, 10)));
  const [dayKwh, lifetimeKwh] = [known(typed.dayKwh), known(typed.lifetimeKwh)];
  const spans = spansRead(basis ?? NOTHING, { dayKwh, lifetimeKwh, at: typed.at, since, shareFrac, soFarFrac }, tolerance);
  const isNowRead = reading !== null && (reading.inputs.length > 0 || report?.acW !== null);
  const entry = () => entryOf(typed, inverter?.id ?? "", { reading, report: isNowRead ? report : null, spans });
  return (
    <>
      <WallVerdict problem={problem} report={isNowRead ? report : null} spans={spans} moment={moment} isLit={light !== null} />
      <div className={`${chapter.columns} ${styles.columns}`}>
        <section className={chapter.section}>
          <h2>{say.whatTheDisplayShows}</h2>
          <MomentFields site={site} inverter={inverter?.id ?? null} set={set} typed={typed} />
          <MainFields typed={typed} set={set} since={since} />
          <RestFields typed={typed} set={set} />
          <ToleranceFields tolerance={tolerance} setTolerance={setTolerance} />
          <WriteDown slug={slug} entry={entry} disabled={reading === null} onSaved={() => setTyped(blank)} />
          <KeepReadings slug={slug} site={site} at={typed.at} dayKwh={dayKwh} lifetimeKwh={lifetimeKwh} />
        </section>
        <section className={chapter.section}>
          {spans.length > 0 && <SpansTable spans={spans} basis={basis ?? NOTHING} />}
          {spans.length > 0 && shareFrac < 1 && <p className={chapter.soft}>{wall.ofSeveral(percent(shareFrac, 0))}</p>}
          {isNowRead && <Findings report={report!} moment={moment} efficiencyFrac={ratedEfficiencyFrac} reading={reading} />}
          {moment && <MomentTable moment={moment} measured={light !== null} />}
          <OrderLists />
        </section>
      </div>
      <p className={chapter.caution}>{wall.readDisplaysFromTheFront}</p>
    </>
  );
}

/** The inverter's own arrays as they stood, and what they should give at the moment that was typed. */
function momentOf(site: FieldBookProps["site"], inverter: FieldBookProps["site"]["inverters"][number] | null, typed: Typed) {
  const wallMs = Date.parse(`${typed.at}:00Z`);
  const standing = siteOn(site, typed.at.slice(0, 10));
  const own = inverter ? partOfSite(standing, inverter.arrays) : standing;
  const light = known(typed.light);
  const offset = zoneOffset(site.place.timeZone);
  if (Number.isNaN(wallMs)) return { own, light, moment: null, soFarFrac: 1 };
  const utcMs = utcOfWall(wallMs, offset);
  const moment = momentPower(own, { utcMs, ghiWm2: null, poaWm2: light, airTempC: known(typed.airTempC) ?? 15 });
  const midnightMs = utcOfWall(Date.parse(`${typed.at.slice(0, 10)}T00:00:00Z`), offset);
  return { own, light, moment, soFarFrac: daySoFar(own, midnightMs, utcMs) };
}

interface TypedProps {
  readonly typed: Typed;
  readonly set: (change: Partial<Typed>) => void;
}

/** Inputs and all else that a display may show; folded away until it is wanted. */
function RestFields({ typed, set }: TypedProps) {
  return (
    <details>
      <summary>{wall.restOfTheDisplay}</summary>
      {typed.inputs.map((input, k) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: an input is its place on the inverter
        <InputFields key={k} k={k} input={input} set={set} typed={typed} />
      ))}
      <Button variant="subtle" size="compact-sm" onClick={() => set({ inputs: [...typed.inputs, { dcV: "", dcA: "", strings: 1 }] })}>
        Another input
      </Button>
      <OutputFields typed={typed} set={set} />
    </details>
  );
}

interface ToleranceProps {
  readonly tolerance: typeof USUAL_TOLERANCE;
  readonly setTolerance: (tolerance: typeof USUAL_TOLERANCE) => void;
}

function ToleranceFields({ tolerance, setTolerance }: ToleranceProps) {
  return (
    <details>
      <summary>{wall.toleranceHead}</summary>
      <div className={styles.fields}>
        <NumberField
          label={wall.withinKwh}
          min={0}
          value={tolerance.kwh}
          onChange={(kwh) => setTolerance({ ...tolerance, kwh: Number(kwh) })}
        />
        <NumberField
          label={wall.orWithin}
          unit="%"
          min={0}
          max={100}
          value={tolerance.frac * 100}
          onChange={(value) => setTolerance({ ...tolerance, frac: Number(value) / 100 })}
        />
      </div>
    </details>
  );
}

interface FindingsProps {
  readonly report: InverterReport;
  readonly reading: InverterReading;
  readonly moment: MomentPower | null;
  readonly efficiencyFrac: number;
}

/** What the figures of the moment say of each other, and input beside input. */
function Findings({ report, reading, moment, efficiencyFrac }: FindingsProps) {
  const strings = reading.inputs.reduce((sum, input) => sum + input.strings, 0);
  return (
    <>
      <h2>{say.whatItSays}</h2>
      <ul className={styles.steps}>
        {report.findings.map((finding) => (
          <li key={finding} className={isFine(finding) ? "" : chapter.clay}>
            {inverterFindingInWords(finding, report)}
          </li>
        ))}
      </ul>
      {report.inputs.length > 0 && (
        <InputTable report={report} expectedW={moment && strings > 0 ? moment.expectedW / efficiencyFrac / strings : null} />
      )}
    </>
  );
}
