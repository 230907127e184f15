"use client";

import { Button, NativeSelect } from "@mantine/core";
import { useReducer, useState } from "react";
import { CLIMATES, type Climate, climateMeans } from "@/core/weather";
import { NumberField } from "@/features/kit/fields/NumberField";
import chapter from "@/features/kit/look/Chapter.module.css";
import { readersUnit } from "@/wording/format";
import { CLIMATE_NAMES, SUN_UNIT_NAMES, say } from "@/wording/screens/readings-sunshine";
import { Grid } from "./Grid";
import { emptyGrid, gridReducer } from "./grid-state";
import styles from "./ReadingsChapter.module.css";
import { cellsOfMeans, SUN_UNITS, type SunUnit, sunSoFar, sunshineCsv, TWELVE_MONTHS } from "./sunshine-table";
import type { ImportWay } from "./use-import";

export interface SunshinePlace {
  readonly latitudeDeg: number;
  readonly longitudeDeg: number;
  readonly elevationM: number;
  readonly timeZone: string;
}

interface SunshineFormProps {
  readonly place: SunshinePlace;
  /** Years of the book's readings, else the last one. */
  readonly years: readonly [number, number];
  readonly way: ImportWay;
  readonly busy: boolean;
}

/** Sun without a file: twelve figures of a usual year, typed, pasted, or filled in by a climate. */
export function SunshineForm({ place, years, way, busy }: SunshineFormProps) {
  const [state, dispatch] = useReducer(gridReducer, { ...emptyGrid(12, 3), cells: TWELVE_MONTHS });
  const [unit, setUnit] = useState<SunUnit>("kwh-day");
  const [climate, setClimate] = useState<Climate | "">("");
  const [from, setFrom] = useState<number | string>(years[0]);
  const [to, setTo] = useState<number | string>(years[1]);
  const fill = (next: Climate | ""): void => {
    setClimate(next);
    if (next === "") return;
    setUnit("kwh-day");
    dispatch({ kind: "paste", row: 0, column: 0, values: cellsOfMeans(climateMeans(next, place)) });
  };
  const filled = state.cells.filter(([, sun = ""]) => sun.trim() !== "").length;
  const isSpan = typeof from === "number" && typeof to === "number" && from <= to;
  const look = (): void => {
    const name = climate === "" ? say.typedSunshine : CLIMATE_NAMES[climate];
    const file = new File([sunshineCsv(state.cells.slice(0, 12), unit)], `${name}.csv`, { type: "text/csv" });
    const options = { year: Number(from), toYear: Number(to), light: climate === "" ? ("monthly-means" as const) : ("climate" as const) };
    void way.take([file], false, options);
  };
  return (
    <>
      <p className={chapter.soft}>{say.twelveFiguresAreEnough}</p>
      <SunshineChoices climate={climate} fill={fill} unit={unit} setUnit={setUnit} from={from} setFrom={setFrom} to={to} setTo={setTo} />
      <Grid
        label={say.sunshine}
        columns={[
          { name: "month", title: say.month, hint: "" },
          { name: "sun", title: say.sunOnTheLevel, hint: "3.4" },
          { name: "air", title: say.airWhereKnown(readersUnit("°C")), hint: "" },
        ]}
        state={state}
        dispatch={dispatch}
        isNamed={false}
        margin={{ head: say.soFar, values: sunSoFar(state.cells, unit) }}
      />
      <div className={chapter.actions}>
        <Button onClick={look} disabled={filled < 12 || busy || !isSpan}>
          {say.lookAtTheYear}
        </Button>
        <Button variant="default" onClick={() => dispatch({ kind: "undo" })} disabled={state.past.length === 0}>
          {say.undo}
        </Button>
      </div>
    </>
  );
}

type Typed = number | string;

interface SunshineChoicesProps {
  readonly climate: Climate | "";
  readonly fill: (climate: Climate | "") => void;
  readonly unit: SunUnit;
  readonly setUnit: (unit: SunUnit) => void;
  readonly from: Typed;
  readonly setFrom: (year: Typed) => void;
  readonly to: Typed;
  readonly setTo: (year: Typed) => void;
}

/** Where the figures come from, what they are in, and for which years hours are made of them. */
function SunshineChoices({ climate, fill, unit, setUnit, from, setFrom, to, setTo }: SunshineChoicesProps) {
  return (
    <div className={styles.sunshine}>
      <NativeSelect
        label={say.fillInByClimate}
        value={climate}
        data={[
          { value: "", label: say.ownFigures },
          ...Object.keys(CLIMATES).map((id) => ({ value: id, label: CLIMATE_NAMES[id as Climate] })),
        ]}
        onChange={({ currentTarget }) => fill(currentTarget.value as Climate | "")}
      />
      <NativeSelect
        label={say.figuresAreIn}
        value={unit}
        data={Object.keys(SUN_UNITS).map((id) => ({ value: id, label: SUN_UNIT_NAMES[id as SunUnit] }))}
        onChange={({ currentTarget }) => setUnit(currentTarget.value as SunUnit)}
      />
      <NumberField label={say.fromYear} isWhole min={1990} max={2060} value={from} onChange={setFrom} />
      <NumberField label={say.toYear} isWhole min={1990} max={2060} value={to} onChange={setTo} />
    </div>
  );
}
