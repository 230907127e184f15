"use client";

import { Button, SegmentedControl, Select } from "@mantine/core";
import { useReducer, useState } from "react";
import chapter from "@/features/kit/look/Chapter.module.css";
import segments from "@/features/kit/look/segments.module.css";
import { say } from "@/wording/screens/readings";
import { Grid } from "./Grid";
import { emptyGrid, gridCsv, gridReducer } from "./grid-state";
import { type ImportDeskProps, ImportSteps } from "./ImportDesk";
import styles from "./ReadingsChapter.module.css";
import { runningTotals, sinceRowAbove } from "./typed-rows";
import { useImport } from "./use-import";

const ROWS = 14;

/** What a person keeps by hand, and the columns that the import reads it by. */
const FORMS = {
  months: {
    name: "Months",
    columns: [
      { name: "month", title: "month", hint: "2024-03" },
      { name: "energy_kwh", title: say.energyKwh, hint: "412.5" },
    ],
    header: ["time", "energy_kwh"],
  },
  days: {
    name: "Days",
    columns: [
      { name: "day", title: "day", hint: "2024-03-21" },
      { name: "energy_kwh", title: say.energyKwh, hint: "18.4" },
    ],
    header: ["time", "energy_kwh"],
  },
  counter: {
    name: "Lifetime counter",
    columns: [
      { name: "read on", title: "read on", hint: "2024-03-21 18:30" },
      { name: "counter_kwh", title: say.counterKwh, hint: "10 482" },
    ],
    header: ["time", "counter_kwh"],
  },
} as const;
type Form = keyof typeof FORMS;

/** Tables that are kept by hand: typed, or pasted from a spreadsheet, and then read like any file. */
export function TypeInView(props: ImportDeskProps) {
  const [form, setForm] = useState<Form>("counter");
  const [meter, setMeter] = useState<string | null>(props.meters[0] ?? null);
  const [state, dispatch] = useReducer(gridReducer, emptyGrid(ROWS, 2));
  const way = useImport(props.slug);
  const { columns, header } = FORMS[form];
  const filled = state.cells.filter((row) => row.some((cell) => cell.trim() !== "")).length;
  const busy = way.state.kind === "preview" || way.state.kind === "sending" || way.state.kind === "storing";
  const look = () => {
    const named = header.map((name) => (name === "time" || !meter || props.meters.length < 2 ? name : `${name}:${meter}`));
    const stamp = new Date().toISOString().slice(0, 16).replace("T", " ");
    void way.take([new File([gridCsv(named, state.cells)], `typed in ${stamp}.csv`, { type: "text/csv" })]);
  };
  return (
    <div className={`${chapter.columns} ${styles.columns}`}>
      <section className={chapter.section}>
        <h2>{say.whatYouKeepByHand}</h2>
        <div className={styles.line}>
          <SegmentedControl
            classNames={segments}
            size="xs"
            data={Object.entries(FORMS).map(([value, { name }]) => ({ value, label: name }))}
            value={form}
            onChange={(value) => setForm(value as Form)}
          />
          {props.meters.length > 1 && (
            <Select size="xs" aria-label="Meter" data={[...props.meters]} value={meter} onChange={setMeter} allowDeselect={false} />
          )}
        </div>
        <Grid
          label={FORMS[form].name}
          columns={columns}
          state={state}
          dispatch={dispatch}
          margin={
            form === "counter"
              ? { head: say.sinceTheRowAboveKwh, values: sinceRowAbove(state.cells) }
              : { head: say.runningTotalKwh, values: runningTotals(state.cells) }
          }
        />
        <div className={chapter.actions}>
          <Button onClick={look} disabled={filled === 0 || busy}>
            Look at {filled} {filled === 1 ? "row" : "rows"}
          </Button>
          <Button variant="default" onClick={() => dispatch({ kind: "undo" })} disabled={state.past.length === 0}>
            Undo
          </Button>
          <Button variant="subtle" onClick={() => dispatch({ kind: "clear", width: 2, rows: ROWS })}>
            Clear
          </Button>
        </div>
      </section>
      <section className={chapter.section}>
        <h2>{say.whatBecomesOfIt}</h2>
        {way.state.kind === "start" && <HowToType />}
        <ImportSteps {...props} way={way} />
      </section>
    </div>
  );
}

function HowToType() {
  return (
    <div className={chapter.soft}>
      <p>{say.pasteARangeFromASpreadsheet}</p>
      <p>{say.datesMayBeWrittenAsYou}</p>
      <p>{say.whereAMonthIsNeededThe}</p>
    </div>
  );
}
