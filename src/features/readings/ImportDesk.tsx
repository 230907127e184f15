"use client";

import { Button, NumberInput, Select } from "@mantine/core";
import { Dropzone } from "@mantine/dropzone";
import Link from "next/link";
import { useRouter } from "next/navigation";
import { useReducer, useRef } from "react";
import type { ImportOptions, ImportPreview } from "@/contracts/imports";
import { asRefused, call, RefusedCall } from "@/features/api";
import { number } from "@/features/figures/format";
import chapter from "@/features/look/Chapter.module.css";
import { ProblemList, Refused } from "@/features/problems/ProblemList";
import { preview, store, upload } from "./import-client";
import { importReducer, START } from "./import-state";
import styles from "./ReadingsChapter.module.css";

export interface ImportDeskProps {
  readonly slug: string;
  readonly timeZone: string;
  readonly zones: readonly string[];
  readonly meters: readonly string[];
}

/** Drop, look, decide, store: a file's way into the book. */
export function ImportDesk({ slug, timeZone, zones, meters }: ImportDeskProps) {
  const router = useRouter();
  const [state, dispatch] = useReducer(importReducer, START);
  const stop = useRef(new AbortController());
  const fail = (error: unknown) => {
    if (!stop.current.signal.aborted) dispatch({ kind: "refused", refusal: asRefused(error) });
  };
  const look = async (file: File) => {
    stop.current = new AbortController();
    dispatch({ kind: "file", fileName: file.name });
    try {
      const uploadId = await upload(slug, file, stop.current.signal);
      dispatch({ kind: "preview", preview: await preview(slug, uploadId, {}) });
    } catch (error) {
      fail(error);
    }
  };
  const readAgain = async (held: ImportPreview, options: ImportOptions) => {
    dispatch({ kind: "looking-again", options });
    try {
      dispatch({ kind: "preview", preview: await preview(slug, held.uploadId, options) });
    } catch (error) {
      fail(error);
    }
  };
  const confirm = async (held: ImportPreview) => {
    stop.current = new AbortController();
    dispatch({ kind: "storing", rows: 0 });
    try {
      for await (const event of store(slug, held.uploadId, held.options, stop.current.signal)) {
        if (event.kind === "reading") dispatch({ kind: "storing", rows: event.rows });
        else if (event.kind === "refused") fail(new RefusedCall(event.code, event.message, event.help, event.problems));
        else if (event.kind !== "storing") dispatch({ kind: "done", event });
      }
      router.refresh();
    } catch (error) {
      fail(error);
    }
  };
  const cancel = async (uploadId?: string) => {
    stop.current.abort();
    dispatch({ kind: "reset" });
    if (uploadId) await call("DELETE", `/api/books/${slug}/uploads/${uploadId}`).catch(() => {});
  };
  return (
    <section className={chapter.section}>
      <h2>Bring a file</h2>
      {(state.kind === "start" || state.kind === "refused" || state.kind === "done") && <DropHere look={look} reject={fail} />}
      {state.kind === "sending" && <Waiting words={`Reading ${state.fileName} …`} cancel={() => void cancel()} />}
      {state.kind === "refused" && <Refused refusal={state.refusal} />}
      {state.kind === "preview" && (
        <Preview
          held={state.preview}
          busy={state.busy}
          zones={zones}
          siteZone={timeZone}
          meters={meters}
          readAgain={(options) => void readAgain(state.preview, options)}
          confirm={() => void confirm(state.preview)}
          cancel={() => void cancel(state.preview.uploadId)}
        />
      )}
      {state.kind === "storing" && (
        <Waiting
          words={`${number(state.rows)} of ${number(state.preview.rowCount)} rows read`}
          share={state.rows / Math.max(1, state.preview.rowCount)}
          cancel={() => void cancel(state.preview.uploadId)}
        />
      )}
      {state.kind === "done" && (
        <p className={styles.done} role="status" data-testid="import-done">
          {state.event.kind === "done"
            ? `${state.event.batch.fileName} is in the book: ${number(state.event.batch.valueCount)} values from ${number(state.event.batch.rowCount)} rows.`
            : "This file brings nothing that is not in the book already; nothing was changed."}{" "}
          <Link href={`/books/${slug}/ledger`}>See the ledger</Link>
        </p>
      )}
    </section>
  );
}

function DropHere({ look, reject }: { look: (file: File) => Promise<void>; reject: (error: unknown) => void }) {
  return (
    <Dropzone
      className={styles.drop}
      unstyled
      multiple={false}
      onDrop={(files) => files[0] && void look(files[0])}
      onReject={(rejected) =>
        reject(
          new RefusedCall(
            "one-file",
            rejected.length > 1 ? `${rejected.length} files came at once.` : `${rejected[0]?.file.name ?? "This"} can't be taken.`,
            "Drop one file at a time; a folder must be opened first.",
            [],
          ),
        )
      }
      inputProps={{ "aria-label": "Choose a file", "data-testid": "file" } as never}
    >
      <strong>Drop a CSV file here, or click to choose one</strong>
      <p className={styles.formats}>
        Weather: <code>time, ghi_w_m2, air_temperature_c, wind_speed_m_s</code> …<br />
        Production: <code>time</code> with <code>energy_kwh</code>, <code>power_w</code> or <code>counter_kwh</code>
        <br />
        Weather years: EPW, or twelve means <code>month, ghi_kwh_m2</code>. Promise: <code>month, kwh</code>. Comma, semicolon or tab; gzip
        too. Nothing is stored before you have seen what is in it.
      </p>
    </Dropzone>
  );
}

function Waiting({ words, share, cancel }: { words: string; share?: number; cancel: () => void }) {
  return (
    <div role="status">
      <p>{words}</p>
      <div className={styles.progress} aria-hidden="true">
        <i style={{ width: `${Math.min(100, (share ?? 0.05) * 100)}%` }} />
      </div>
      <Button variant="default" onClick={cancel}>
        Cancel
      </Button>
    </div>
  );
}

interface PreviewProps {
  readonly held: ImportPreview;
  readonly busy: boolean;
  readonly zones: readonly string[];
  readonly siteZone: string;
  readonly meters: readonly string[];
  readonly readAgain: (options: ImportOptions) => void;
  readonly confirm: () => void;
  readonly cancel: () => void;
}

const stamp = (utcMs: number | null): string =>
  utcMs === null ? "–" : `${new Date(utcMs).toISOString().slice(0, 16).replace("T", " ")} UTC`;
const DELIMITERS: Readonly<Record<string, string>> = { ",": "comma", ";": "semicolon", "\t": "tab" };

function Preview({ held, busy, zones, siteZone, meters, readAgain, confirm, cancel }: PreviewProps) {
  const { options, kind } = held;
  const change = (part: Partial<ImportOptions>) => readAgain({ ...options, ...part });
  const errors = held.problems.some((problem) => problem.severity === "error");
  const untold =
    held.hasOffsets || options.zone
      ? "–"
      : held.form === "means"
        ? "told once the year is chosen"
        : "told once the zone of the clock is chosen";
  const isSeries = kind === "weather" || kind === "production";
  return (
    <div data-testid="preview">
      <dl className={styles.facts}>
        <dt>File</dt>
        <dd>
          <b>{held.fileName}</b>, {number(held.byteCount / 1000)} kB
        </dd>
        <dt>Kind</dt>
        <dd>{kind ?? "not told"}</dd>
        {isSeries && (
          <>
            <dt>Columns</dt>
            <dd>{held.columns.map((column) => `${column.header} (${column.unit})`).join(", ")}</dd>
            <dt>Span</dt>
            <dd>{held.firstUtcMs === null ? untold : `${stamp(held.firstUtcMs)} to ${stamp(held.lastUtcMs)}`}</dd>
            <dt>Step, rows</dt>
            <dd>
              {held.stepMinutes ?? "–"} min, {number(held.rowCount)} rows
              {held.valueCount > 0 && `, ${number(held.valueCount)} values`}
            </dd>
            <dt>Written with</dt>
            <dd>
              {DELIMITERS[held.delimiter ?? ""] ?? "–"}, decimal {held.decimal === "," ? "comma" : "point"},{" "}
              {held.hasOffsets ? "times with offset" : "local times without offset"}
            </dd>
          </>
        )}
        {held.energyKwh !== null && held.valueCount > 0 && (
          <>
            <dt>Energy in all</dt>
            <dd>{number(held.energyKwh)} kWh</dd>
          </>
        )}
        {held.promiseKwh && (
          <>
            <dt>Promise</dt>
            <dd>
              {held.promiseKwh.map((kwh) => number(kwh)).join(", ")}: {number(held.promiseKwh.reduce((a, b) => a + b, 0))} kWh a year
            </dd>
          </>
        )}
      </dl>
      {isSeries && held.form !== "series" && (
        <div className={styles.options}>
          <NumberInput
            label={held.form === "means" ? "Year to make the hours for" : "Year to put the hours in"}
            description={held.form === "means" ? "the sums of the months stay exact" : "a typical year is patched from several"}
            min={1990}
            max={2060}
            value={held.year ?? ""}
            hideControls
            onBlur={(event) => {
              const year = Number(event.currentTarget.value);
              if (year >= 1990 && year <= 2060 && year !== held.year) change({ year });
            }}
          />
        </div>
      )}
      {isSeries && held.form === "series" && (
        <div className={styles.options}>
          {!held.hasOffsets && (
            <Select
              label={`Zone of the clock (the site's is ${siteZone})`}
              placeholder="Choose a zone"
              searchable
              data={[
                { group: "This site", items: [siteZone] },
                { group: "Fixed, no summer time", items: FIXED_ZONES },
                { group: "All", items: zones.filter((zone) => zone !== siteZone) },
              ]}
              value={options.zone}
              onChange={(zone) => change({ zone })}
            />
          )}
          <Select
            label="A time marks the interval's"
            data={[
              { value: "start", label: "start" },
              { value: "end", label: "end" },
            ]}
            allowDeselect={false}
            value={options.labels}
            onChange={(labels) => change({ labels: labels === "end" ? "end" : "start" })}
          />
          <Select
            label="Rows that contradict"
            data={[
              { value: "refuse", label: "refuse the file" },
              { value: "first", label: "keep the first" },
              { value: "last", label: "keep the last" },
            ]}
            allowDeselect={false}
            value={options.conflicts}
            onChange={(conflicts) => change({ conflicts: (conflicts as ImportOptions["conflicts"]) ?? "refuse" })}
          />
          {kind === "production" && meters.length > 1 && (
            <Select
              label="Meter"
              data={[...meters]}
              value={options.meterId ?? meters[0] ?? null}
              onChange={(meterId) => change({ meterId })}
            />
          )}
        </div>
      )}
      <ProblemList problems={held.problems} />
      {held.problems.length === 0 && <p className={chapter.soft}>No problem found.</p>}
      <div className={chapter.actions}>
        <Button onClick={confirm} disabled={errors || busy} loading={busy}>
          Put it in the book
        </Button>
        <Button variant="default" onClick={cancel}>
          Leave it
        </Button>
        {errors && <span className={chapter.clay}>Not before the marked problems are settled.</span>}
      </div>
    </div>
  );
}

const FIXED_ZONES = Array.from({ length: 27 }, (_, k) => {
  const hours = k - 12;
  return `UTC${hours < 0 ? "-" : "+"}${String(Math.abs(hours)).padStart(2, "0")}:00`;
});
