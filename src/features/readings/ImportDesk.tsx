"use client";

import { Button } from "@mantine/core";
import { Dropzone } from "@mantine/dropzone";
import Link from "next/link";
import { RefusedCall } from "@/features/data/refused-call";
import { fileInput } from "@/features/kit/file-input";
import chapter from "@/features/kit/look/Chapter.module.css";
import { Refused } from "@/features/kit/problems/ProblemList";
import { number } from "@/wording/format";
import { say } from "@/wording/screens/readings";
import { FilePreview } from "./FilePreview";
import styles from "./ReadingsChapter.module.css";
import { type ImportWay, useImport } from "./use-import";

export interface ImportDeskProps {
  readonly slug: string;
  readonly timeZone: string;
  readonly zones: readonly string[];
  readonly meters: readonly string[];
}

/** Drop, look, decide, store: a file's way into the book. */
export function ImportDesk(props: ImportDeskProps) {
  const way = useImport(props.slug);
  const { state } = way;
  return (
    <section className={chapter.section}>
      <h2>{say.bringAFile}</h2>
      {(state.kind === "start" || state.kind === "refused" || state.kind === "done") && <DropHere way={way} />}
      <ImportSteps {...props} way={way} />
    </section>
  );
}

/** What follows a dropped or typed table: the look at it, the storing, the end. */
export function ImportSteps({ slug, timeZone, zones, meters, way }: ImportDeskProps & { way: ImportWay }) {
  const { state } = way;
  return (
    <>
      {state.kind === "sending" && (
        <Waiting
          words={`Reading ${state.fileName} …${state.rows > 0 ? ` ${number(state.rows)} rows read` : ""}`}
          cancel={() => void way.cancel()}
        />
      )}
      {state.kind === "refused" && <Refused refusal={state.refusal} />}
      {state.kind === "refused" && state.waiting > 0 && (
        <Button variant="default" onClick={() => void way.next()}>
          {say.goOnWithTheNextOf(state.waiting)}
        </Button>
      )}
      {state.kind === "preview" && (
        <FilePreview
          key={state.preview.uploadId}
          preview={state.preview}
          busy={state.busy}
          waiting={state.waiting}
          zones={zones}
          siteZone={timeZone}
          meters={meters}
          readAgain={(options) => void way.readAgain(state.preview, options)}
          confirm={() => void way.keep(state.preview)}
          letRestIn={() => void way.letRestIn(state.preview)}
          cancel={() => void way.cancel(state.preview.uploadId)}
        />
      )}
      {state.kind === "storing" && (
        <Waiting
          words={say.ofRowsRead(number(state.rows), number(state.preview.rowCount))}
          share={state.rows / Math.max(1, state.preview.rowCount)}
          cancel={() => void way.cancel(state.preview.uploadId)}
        />
      )}
      {state.kind === "done" && (
        <p className={styles.done} role="status" data-testid="import-done">
          {state.event.kind === "done"
            ? say.isInTheBookValuesFrom(
                state.event.batch.fileName,
                number(state.event.batch.valueCount),
                number(state.event.batch.rowCount),
              )
            : say.thisFileBringsNothingThatIs}{" "}
          <Link href={`/books/${slug}/readings?view=findings`}>{say.seeWhatTheExaminationFound}</Link>, or{" "}
          <Link href={`/books/${slug}/ledger`}>{say.seeTheLedger}</Link>.
        </p>
      )}
    </>
  );
}

function DropHere({ way }: { way: ImportWay }) {
  return (
    <Dropzone
      className={styles.drop}
      unstyled
      multiple
      onDrop={(files) => void way.take(files)}
      onReject={(rejected) =>
        way.fail(new RefusedCall("not-taken", say.cantBeTaken(rejected[0]?.file.name ?? "This"), "Drop files or a whole folder.", []))
      }
      inputProps={fileInput("Choose files", "file")}
    >
      <strong>Drop files or a folder here, or click to choose</strong>
      <p className={styles.formats}>
        {say.csvOrXlsxFromAnyLogger}
        <code>month, ghi_kwh_m2</code>. Promise: <code>month, kwh</code>
        {say.daysMonthsAndCountersToo}
        <br />
        {say.readWithoutAQuestion}
        <code>time, ghi_w_m2, air_temperature_c, wind_speed_m_s</code> … and <code>time</code> with <code>energy_kwh</code>,{" "}
        <code>power_w</code> or <code>counter_kwh</code>
        {say.gzipTooNothingIsStoredBefore}
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
