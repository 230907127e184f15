"use client";

import { Button, SegmentedControl, Select } from "@mantine/core";
import { useReducer, useState } from "react";
import chapter from "@/features/kit/look/Chapter.module.css";
import segments from "@/features/kit/look/segments.module.css";
import { say } from "@/wording/screens/readings";
import { say as sayOfSun } from "@/wording/screens/readings-sunshine";
import { Grid } from "./Grid";
import { emptyGrid, gridCsv, gridReducer } from "./grid-state";
import { type ImportDeskProps, ImportSteps } from "./ImportDesk";
import styles from "./ReadingsChapter.module.css";
import { SunshineForm, type SunshinePlace } from "./SunshineForm";
import { runningTotals, sinceRowAbove } from "./typed-rows";
import { type ImportWay, useImport } from "./use-import";

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

export interface TypeInProps extends ImportDeskProps {
  readonly place: SunshinePlace;
  readonly years: readonly [number, number];
}

/** Tables that are kept by hand: typed, or pasted from a spreadsheet, and then read like any file. */
export function TypeInView({ place, years, ...props }: TypeInProps) {
  const [form, setForm] = useState<Form | "sunshine">("counter");
  const way = useImport(props.slug);
  const busy = way.state.kind === "preview" || way.state.kind === "sending" || way.state.kind === "storing";
  return (
    <div className={`${chapter.columns} ${styles.columns}`}>
      <section className={chapter.section}>
        <h2>{say.whatYouKeepByHand}</h2>
        <div className={styles.line}>
          <SegmentedControl
            classNames={segments}
            size="xs"
            data={[
              ...Object.entries(FORMS).map(([value, { name }]) => ({ value, label: name })),
              { value: "sunshine", label: sayOfSun.sunshine },
            ]}
            value={form}
            onChange={(value) => setForm(value as Form | "sunshine")}
          />
        </div>
        {form === "sunshine" ? (
          <SunshineForm slug={props.slug} place={place} years={years} way={way} busy={busy} />
        ) : (
          <EnergyForm form={form} meters={props.meters} way={way} busy={busy} />
        )}
      </section>
      <section className={chapter.section}>
        <h2>{say.whatBecomesOfIt}</h2>
        {way.state.kind === "start" && form !== "sunshine" && <HowToType />}
        <ImportSteps {...props} way={way} />
      </section>
    </div>
  );
}

interface EnergyFormProps {
  readonly form: Form;
  readonly meters: readonly string[];
  readonly way: ImportWay;
  readonly busy: boolean;
}

/** Energies by month or day, or what a counter showed. */
function EnergyForm({ form, meters, way, busy }: EnergyFormProps) {
  const [meter, setMeter] = useState<string | null>(meters[0] ?? null);
  const [state, dispatch] = useReducer(gridReducer, emptyGrid(ROWS, 2));
  const { columns, header } = FORMS[form];
  const filled = state.cells.filter((row) => row.some((cell) => cell.trim() !== "")).length;
  const look = () => {
    const named = header.map((name) => (name === "time" || !meter || meters.length < 2 ? name : `${name}:${meter}`));
    const stamp = new Date().toISOString().slice(0, 16).replace("T", " ");
    void way.take([new File([gridCsv(named, state.cells)], `typed in ${stamp}.csv`, { type: "text/csv" })]);
  };
  return (
    <>
      {meters.length > 1 && (
        <Select size="xs" aria-label="Meter" data={[...meters]} value={meter} onChange={setMeter} allowDeselect={false} />
      )}
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
    </>
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
