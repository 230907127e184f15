"use client";

import { Button, Select } from "@mantine/core";
import type { ImportOptions, ImportPreview } from "@/contracts/imports";
import { NumberField } from "@/features/kit/fields/NumberField";
import chapter from "@/features/kit/look/Chapter.module.css";
import { ProblemList } from "@/features/kit/problems/ProblemList";
import { number } from "@/wording/format";
import { say } from "@/wording/screens/readings";
import { FilePicture } from "./FilePicture";
import { FileQuestions, MappingPanel } from "./MappingPanel";
import { ModulesFound, modulesInWords } from "./ModulesFound";
import styles from "./ReadingsChapter.module.css";

interface PreviewProps {
  readonly preview: ImportPreview;
  readonly busy: boolean;
  /** Files behind this one. */
  readonly waiting: number;
  readonly zones: readonly string[];
  readonly siteZone: string;
  readonly meters: readonly string[];
  readonly readAgain: (options: ImportOptions) => void;
  readonly confirm: () => void;
  readonly letRestIn: () => void;
  readonly cancel: () => void;
}

const stepless = ({ spanCount, counterCount }: ImportPreview): string =>
  [spanCount > 0 && `${number(spanCount)} spans`, counterCount > 0 && `${number(counterCount)} counter readings`]
    .filter(Boolean)
    .join(" and ") || "–";

const stamp = (utcMs: number | null): string =>
  utcMs === null ? "–" : `${new Date(utcMs).toISOString().slice(0, 16).replace("T", " ")} UTC`;
const DELIMITERS: Readonly<Record<string, string>> = { ",": "comma", ";": "semicolon", "\t": "tab" };

/** What a file would bring, how it is read, and what is left to decide. */
export function FilePreview({ preview, busy, waiting, zones, siteZone, meters, readAgain, confirm, letRestIn, cancel }: PreviewProps) {
  const { options, kind } = preview;
  const change = (part: Partial<ImportOptions>) => readAgain({ ...options, ...part });
  const errors = preview.problems.some((problem) => problem.severity === "error");
  const unknownClock =
    preview.hasOffsets || options.zone ? "–" : preview.form === "means" ? say.toldOnceTheYearIsChosen : say.toldOnceTheZoneOfThe;
  const isSeries = kind === "weather" || kind === "production" || kind === "modules";
  return (
    <div data-testid="preview">
      <FileFacts preview={preview} kind={kind} isSeries={isSeries} unknownClock={unknownClock} />
      <FilePicture preview={preview} />
      {kind === "modules" && <ModulesFound preview={preview} change={change} />}
      {preview.proposal && isSeries && kind !== "modules" && (
        <MappingPanel proposal={preview.proposal} options={options} meters={meters} change={change} />
      )}
      <FileQuestions questions={preview.questions} options={options} change={change} />
      {isSeries && (preview.form === "epw" || preview.form === "means") && preview.options.toYear === null && (
        <YearField preview={preview} change={change} />
      )}
      {isSeries && preview.form === "series" && preview.stepMinutes !== null && (
        <SeriesChoices preview={preview} siteZone={siteZone} zones={zones} options={options} change={change} kind={kind} meters={meters} />
      )}
      <ProblemList problems={preview.problems} />
      {preview.problems.length === 0 && <p className={chapter.soft}>{say.noProblemFound}</p>}
      <PreviewActions confirm={confirm} errors={errors} busy={busy} waiting={waiting} letRestIn={letRestIn} cancel={cancel} />
    </div>
  );
}

interface FileFactsProps {
  readonly preview: PreviewProps["preview"];
  readonly kind: PreviewProps["preview"]["kind"];
  readonly isSeries: boolean;
  readonly unknownClock: string;
}

/** What the file is, as it was read. */
function FileFacts({ preview, kind, isSeries, unknownClock }: FileFactsProps) {
  return (
    <dl className={styles.facts}>
      <dt>File</dt>
      <dd>
        <b>{preview.fileName}</b>, {number(preview.byteCount / 1000)} kB
      </dd>
      <dt>Kind</dt>
      <dd>{kind ?? "not told"}</dd>
      {isSeries && (
        <>
          <dt>Columns</dt>
          <dd>
            {kind === "modules"
              ? modulesInWords(preview.columns)
              : preview.columns.map((column) => `${column.header} (${column.unit})`).join(", ")}
          </dd>
          <dt>Span</dt>
          <dd>{preview.firstUtcMs === null ? unknownClock : `${stamp(preview.firstUtcMs)} to ${stamp(preview.lastUtcMs)}`}</dd>
          <dt>Step, rows</dt>
          <dd>
            {preview.stepMinutes === null ? stepless(preview) : `${preview.stepMinutes} min`}, {number(preview.rowCount)} rows
            {preview.valueCount > 0 && `, ${number(preview.valueCount)} values`}
          </dd>
          <dt>Written with</dt>
          <dd>
            {DELIMITERS[preview.delimiter ?? ""] ?? "–"}, decimal {preview.decimal === "," ? "comma" : "point"},{" "}
            {preview.hasOffsets ? say.timesWithOffset : "local times"}
          </dd>
        </>
      )}
      {preview.energyKwh !== null && preview.valueCount > 0 && (
        <>
          <dt>{say.energyInAll}</dt>
          <dd>{number(preview.energyKwh)} kWh</dd>
        </>
      )}
      {preview.promiseKwh && (
        <>
          <dt>Promise</dt>
          <dd>
            {say.kwhAYear(preview.promiseKwh.map((kwh) => number(kwh)).join(", "), number(preview.promiseKwh.reduce((a, b) => a + b, 0)))}
          </dd>
        </>
      )}
    </dl>
  );
}

interface YearFieldProps {
  readonly preview: PreviewProps["preview"];
  readonly change: (part: Partial<ImportOptions>) => void;
}

/** The year for hours that have none. */
function YearField({ preview, change }: YearFieldProps) {
  return (
    <div className={styles.options}>
      <NumberField
        label={preview.form === "means" ? say.yearToMakeTheHoursFor : say.yearToPutTheHoursIn}
        description={preview.form === "means" ? say.theSumsOfTheMonthsStay : say.aTypicalYearIsPatchedFrom}
        min={1990}
        max={2060}
        value={preview.year ?? ""}
        onBlur={(event) => {
          const year = Number(event.currentTarget.value);
          if (year >= 1990 && year <= 2060 && year !== preview.year) change({ year });
        }}
      />
    </div>
  );
}

interface SeriesChoicesProps {
  readonly preview: PreviewProps["preview"];
  readonly siteZone: string;
  readonly zones: readonly string[];
  readonly options: ImportOptions;
  readonly change: (part: Partial<ImportOptions>) => void;
  readonly kind: "weather" | "production" | "modules";
  readonly meters: readonly string[];
}

/** What a file's rows do not say of themselves. */
function SeriesChoices({ preview, siteZone, zones, options, change, kind, meters }: SeriesChoicesProps) {
  return (
    <div className={styles.options}>
      {!preview.hasOffsets && (
        <Select
          label={say.zoneOfTheClockTheSites(siteZone)}
          placeholder={say.chooseAZone}
          searchable
          data={[
            { group: "This site", items: [siteZone] },
            { group: say.fixedNoSummerTime, items: FIXED_ZONES },
            { group: "All", items: zones.filter((zone) => zone !== siteZone) },
          ]}
          value={options.zone}
          onChange={(zone) => change({ zone })}
        />
      )}
      <Select
        label={say.aTimeMarksTheIntervals}
        data={[
          { value: "start", label: "start" },
          { value: "end", label: "end" },
        ]}
        allowDeselect={false}
        value={options.labels ?? "start"}
        onChange={(labels) => change({ labels: labels === "end" ? "end" : "start" })}
      />
      <Select
        label={say.rowsThatContradict}
        data={[
          { value: "refuse", label: say.refuseTheFile },
          { value: "first", label: say.keepTheFirst },
          { value: "last", label: say.keepTheLast },
        ]}
        allowDeselect={false}
        value={options.conflicts}
        onChange={(conflicts) => change({ conflicts: (conflicts as ImportOptions["conflicts"]) ?? "refuse" })}
      />
      {kind === "production" && meters.length > 1 && (
        <Select label="Meter" data={[...meters]} value={options.meterId ?? meters[0] ?? null} onChange={(meterId) => change({ meterId })} />
      )}
    </div>
  );
}

interface PreviewActionsProps {
  readonly confirm: () => void;
  readonly errors: boolean;
  readonly busy: boolean;
  readonly waiting: number;
  readonly letRestIn: () => void;
  readonly cancel: () => void;
}

function PreviewActions({ confirm, errors, busy, waiting, letRestIn, cancel }: PreviewActionsProps) {
  return (
    <div className={chapter.actions}>
      <Button onClick={confirm} disabled={errors || busy} loading={busy}>
        {say.putItInTheBook}
      </Button>
      {waiting > 0 && (
        <Button variant="default" onClick={letRestIn} disabled={errors || busy}>
          {say.putItInAndTheBehind(waiting)}
        </Button>
      )}
      <Button variant="default" onClick={cancel}>
        Leave it
      </Button>
      {errors && <span className={chapter.clay}>{say.notBeforeTheMarkedProblemsAre}</span>}
    </div>
  );
}

const FIXED_ZONES = Array.from({ length: 27 }, (_, k) => {
  const hours = k - 12;
  return `UTC${hours < 0 ? "-" : "+"}${String(Math.abs(hours)).padStart(2, "0")}:00`;
});
