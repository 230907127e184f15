"use client";

import Link from "next/link";
import { type Dispatch, type SetStateAction, useState } from "react";
import { accountFill, DaySeries, SkyFields } from "@/charts";
import type { AttributionView, BookCause } from "@/contracts/attribution";
import type { StoredEntry } from "@/contracts/field-book";
import { accountOfCause } from "@/core/attribution";
import { zoneOffset } from "@/core/time";
import { Figure } from "@/features/kit/figures/Figure";
import chapter from "@/features/kit/look/Chapter.module.css";
import { ChartFrame } from "@/features/kit/save/ChartFrame";
import { untellableInWords } from "@/wording/attribution";
import { type CauseWords, causeInWords } from "@/wording/findings/attribution";
import { number, percent } from "@/wording/format";
import { say } from "@/wording/screens/ledger-attribution";
import { causeWorking } from "@/wording/workings/cause-working";
import styles from "./Causes.module.css";
import { EntriesPanel } from "./EntriesPanel";
import { OrientationOffer } from "./OrientationOffer";

/** Daily sums around the findings, for their pictures. */
export interface DayEnergies {
  readonly days: readonly string[];
  readonly expectedKwh: readonly (number | null)[];
  readonly meteredKwh: readonly (number | null)[];
}

export interface CausesViewProps {
  readonly slug: string;
  readonly timeZone: string;
  readonly report: AttributionView;
  readonly energies: DayEnergies;
  readonly entries: readonly StoredEntry[];
}

/** Kinds for which somebody should have written something down. */
const WANTS_ENTRY: readonly BookCause["kind"][] = ["outage", "held-low", "strings-out", "unrecorded-cleaning"];

/** What was found, one by one, with its energy, why it is believed, and what the field book says of it. */
export function CausesView(props: CausesViewProps) {
  const { slug, timeZone, report, energies, entries } = props;
  const [open, setOpen] = useState<string | null>(null);
  const ranked = [...report.findings]
    .sort((a, b) => (b.kwh ?? 0) - (a.kwh ?? 0))
    .map((finding) => ({ ...finding, words: causeInWords(finding, timeZone) }));
  return (
    <>
      <p className={chapter.soft} data-testid="causes-verdict">
        {found(report, ranked.length)}
      </p>
      {ranked.length > 0 && (
        <ol className={styles.findings}>
          {ranked.map(({ words, ...finding }) => (
            <CauseLine
              key={finding.key}
              finding={finding}
              words={words}
              setOpen={setOpen}
              open={open}
              report={report}
              timeZone={timeZone}
              slug={slug}
              energies={energies}
            />
          ))}
        </ol>
      )}
      {report.orientation && <AcrossTheYears slug={slug} report={report} orientation={report.orientation} />}
      <EntriesPanel slug={slug} entries={entries} report={report} />
      <p className={chapter.soft}>
        {say.toPractiseTellingCausesApart}
        <Link href="/trainer">{say.sixMadeUpMonths}</Link>.
      </p>
      <ul className={styles.cannot} aria-label={say.whatCantBeTold}>
        {report.cannotTell.map((what) => (
          <li key={what}>{untellableInWords(what)}</li>
        ))}
      </ul>
    </>
  );
}

interface AcrossTheYearsProps {
  readonly slug: string;
  readonly report: CausesViewProps["report"];
  readonly orientation: NonNullable<CausesViewProps["report"]["orientation"]>;
}

/** The causes of each year. */
function AcrossTheYears({ slug, report, orientation }: AcrossTheYearsProps) {
  return (
    <section className={chapter.section}>
      <h2>{say.whereTheModulesLookAndWhat}</h2>
      <div className={styles.split}>
        <OrientationOffer slug={slug} orientation={orientation} />
        {report.skyFields.length > 0 && (
          <ChartFrame
            title={say.performanceIndexByTheSuns}
            note={say.clearHoursClayShortOfWhat}
            fileName={`${slug}-sky`}
            height={210}
            summary={say.meteredOverOwedEnergyByWhere}
            table={() => [
              ["azimuth_deg", "elevation_deg", "ratio", "hours"],
              ...report.skyFields.map((field) => [field.azimuthDeg, field.elevationDeg, field.ratio, field.hours]),
            ]}
          >
            {(width) => <SkyFields fields={report.skyFields} width={width} height={210} />}
          </ChartFrame>
        )}
      </div>
    </section>
  );
}

interface CauseLineProps {
  readonly finding: BookCause;
  readonly words: CauseWords;
  readonly setOpen: Dispatch<SetStateAction<string | null>>;
  readonly open: string | null;
  readonly report: AttributionView;
  readonly timeZone: string;
  readonly slug: string;
  readonly energies: DayEnergies;
}

function CauseLine({ finding, words, setOpen, open, report, timeZone, slug, energies }: CauseLineProps) {
  return (
    <li>
      <span className={styles.kind}>
        <svg width="14" height="11" aria-hidden="true">
          <rect width="14" height="11" fill={accountFill(accountOfCause(finding.kind))} />
        </svg>{" "}
        {words.title}
      </span>
      <span className={styles.what}>
        <button type="button" onClick={() => setOpen(open === finding.key ? null : finding.key)} aria-expanded={open === finding.key}>
          {words.what}
        </button>
        <p>{words.evidence}</p>
        <EntryWord finding={finding} report={report} />
      </span>
      <span className={styles.kwh}>
        <Figure plain working={() => causeWorking(finding, timeZone)}>
          {finding.kwh === null ? "working" : `${number(finding.kwh)} kWh`}
        </Figure>
        {finding.kwhLow !== null && finding.kwhHigh !== null && (
          <small title={say.ofItsWholeTime}>
            {number(finding.kwhLow)} to {number(finding.kwhHigh)}
          </small>
        )}
        {finding.kwh !== null && <small title={say.ofItsWholeTime}>{say.gainedIfRemovedIn(yearsOf(finding, timeZone))}</small>}
      </span>
      <span className={styles.sure}>confidence {percent(finding.confidenceFrac, 0)}</span>
      {open === finding.key && (
        <div className={styles.picture}>
          <FindingDays slug={slug} finding={finding} words={words} energies={energies} />
        </div>
      )}
    </li>
  );
}

/** The years of a cause's whole time, which may be longer than the year that was chosen. */
function yearsOf({ fromUtcMs, toUtcMs }: BookCause, timeZone: string): string {
  const offset = zoneOffset(timeZone);
  const year = (utcMs: number): number => new Date(utcMs + offset(utcMs)).getUTCFullYear();
  const [first, last] = [year(fromUtcMs), year(toUtcMs - 1)];
  return first === last ? String(first) : `${first} to ${last}`;
}

function found({ resolution }: AttributionView, count: number): string {
  if (count === 0) return say.nothingIsFound;
  const coarse = resolution === "hours" ? "" : say.readingsComeByFewerCausesCan(resolution === "days" ? "day" : "month");
  return `${say.causesFound(count)}${coarse}`;
}

function EntryWord({ finding, report }: { finding: BookCause; report: AttributionView }) {
  const entry = finding.entry === null ? null : report.entries[finding.entry];
  if (entry) {
    return (
      <span className={styles.entry}>
        Field book, {entry.from.slice(0, 10)}: {entry.kind}
        {entry.note && `, “${entry.note}”`}
      </span>
    );
  }
  if (!WANTS_ENTRY.includes(finding.kind)) return null;
  return (
    <span className={styles.entry} data-missing>
      {say.theFieldBookSaysNothingOf}
      <Link href="#field-book">{say.writeItDown}</Link>
    </span>
  );
}

const AROUND_DAYS = 18;
const MOST_SHOWN = 420;

/** Metered days against what was expected, from a little before the finding to a little after. */
function FindingDays({ slug, finding, words, energies }: { slug: string; finding: BookCause; words: CauseWords; energies: DayEnergies }) {
  const day = (utcMs: number): string => new Date(utcMs).toISOString().slice(0, 10);
  const first = Math.max(0, energies.days.findIndex((date) => date >= day(finding.fromUtcMs)) - AROUND_DAYS);
  const after = energies.days.findIndex((date) => date > day(finding.toUtcMs));
  const until = Math.min(first + MOST_SHOWN, (after < 0 ? energies.days.length : after) + AROUND_DAYS);
  const [days, metered, expected] = [energies.days, energies.meteredKwh, energies.expectedKwh].map((column) =>
    column.slice(first, until),
  ) as [string[], (number | null)[], (number | null)[]];
  return (
    <ChartFrame
      title={words.title}
      note={say.meteredByDayKwhDashedExpected}
      fileName={`${slug}-${finding.kind}`}
      height={170}
      summary={say.meteredAndExpectedEnergyByDay(words.what)}
      table={() => [["day", "metered_kwh", "expected_kwh"], ...days.map((date, d) => [date, metered[d] ?? null, expected[d] ?? null])]}
    >
      {(width) => (
        <DaySeries
          days={days}
          values={metered}
          over={expected}
          width={width}
          height={170}
          fill="var(--ink)"
          label={(value) => number(value)}
        />
      )}
    </ChartFrame>
  );
}
