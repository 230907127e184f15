"use client";

import { Button, NativeSelect } from "@mantine/core";
import { useReducer, useState } from "react";
import { ownSunSchema } from "@/contracts/own-sun";
import { CLIMATES, type Climate, climateMeans } from "@/core/weather";
import { ask } from "@/features/data/ask";
import { asRefused } from "@/features/data/refused-call";
import { NumberField } from "@/features/kit/fields/NumberField";
import chapter from "@/features/kit/look/Chapter.module.css";
import { MONTHS_LONG, readersUnit } from "@/wording/format";
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

/** Where the figures come from: typed, the book's own meter, or a climate. */
type Source = Climate | "own-meter" | "";
const LIGHT_OF = { "": "monthly-means", "own-meter": "own-meter", climate: "climate" } as const;

/** What the meter's figures are worth, and which months they leave open. */
function ownMeterWords(ghiKwhM2: readonly (number | null)[], countedMonths: number): string {
  if (countedMonths === 0) return say.ownMeterNothing;
  const open = MONTHS_LONG.filter((_, m) => ghiKwhM2[m] === null);
  return open.length === 0 ? say.ownMeterMakes : `${say.ownMeterMakes} ${say.ownMeterLacks(open.join(", "))}`;
}

interface SunshineFormProps {
  readonly slug: string;
  readonly place: SunshinePlace;
  /** Years of the book's readings, else the last one. */
  readonly years: readonly [number, number];
  readonly way: ImportWay;
  readonly busy: boolean;
}

/** Fills the table in by a climate or by the book's own meter, and says what such figures are worth. */
function useSource(slug: string, place: SunshinePlace, take: (means: Parameters<typeof cellsOfMeans>[0]) => void) {
  const [source, setSource] = useState<Source>("");
  const [told, setTold] = useState("");
  const fill = (next: Source): void => {
    setSource(next);
    setTold("");
    if (next === "own-meter")
      ask(ownSunSchema, `/api/books/${slug}/own-sun`).then(
        ({ ghiKwhM2, countedMonths }) => {
          take({ ghiKwhM2, airTempC: null });
          setTold(ownMeterWords(ghiKwhM2, countedMonths));
        },
        (error: unknown) => setTold(asRefused(error).message),
      );
    else if (next !== "") take(climateMeans(next, place));
  };
  return { source, told, fill };
}

/** Sun without a file: twelve figures of a usual year, typed, pasted, or filled in by a climate. */
export function SunshineForm({ slug, place, years, way, busy }: SunshineFormProps) {
  const [state, dispatch] = useReducer(gridReducer, { ...emptyGrid(12, 3), cells: TWELVE_MONTHS });
  const [unit, setUnit] = useState<SunUnit>("kwh-day");
  const [from, setFrom] = useState<number | string>(years[0]);
  const [to, setTo] = useState<number | string>(years[1]);
  const { source, told, fill } = useSource(slug, place, (means) => {
    setUnit("kwh-day");
    dispatch({ kind: "paste", row: 0, column: 0, values: cellsOfMeans(means) });
  });
  const filled = state.cells.filter(([, sun = ""]) => sun.trim() !== "").length;
  const isSpan = typeof from === "number" && typeof to === "number" && from <= to;
  const look = (): void => {
    const name = source === "" ? say.typedSunshine : source === "own-meter" ? say.byOwnMeter : CLIMATE_NAMES[source];
    const file = new File([sunshineCsv(state.cells.slice(0, 12), unit)], `${name}.csv`, { type: "text/csv" });
    const options = {
      year: Number(from),
      toYear: Number(to),
      light: LIGHT_OF[source === "" || source === "own-meter" ? source : "climate"],
    };
    void way.take([file], false, options);
  };
  return (
    <>
      <p className={chapter.soft}>{say.twelveFiguresAreEnough}</p>
      <SunshineChoices source={source} fill={fill} unit={unit} setUnit={setUnit} from={from} setFrom={setFrom} to={to} setTo={setTo} />
      {told !== "" && (
        <p className={chapter.soft} role="status">
          {told}
        </p>
      )}
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
  readonly source: Source;
  readonly fill: (source: Source) => void;
  readonly unit: SunUnit;
  readonly setUnit: (unit: SunUnit) => void;
  readonly from: Typed;
  readonly setFrom: (year: Typed) => void;
  readonly to: Typed;
  readonly setTo: (year: Typed) => void;
}

/** Where the figures come from, what they are in, and for which years hours are made of them. */
function SunshineChoices({ source, fill, unit, setUnit, from, setFrom, to, setTo }: SunshineChoicesProps) {
  return (
    <div className={styles.sunshine}>
      <NativeSelect
        label={say.fillInByClimate}
        value={source}
        data={[
          { value: "", label: say.ownFigures },
          { value: "own-meter", label: say.byOwnMeter },
          ...Object.keys(CLIMATES).map((id) => ({ value: id, label: CLIMATE_NAMES[id as Climate] })),
        ]}
        onChange={({ currentTarget }) => fill(currentTarget.value as Source)}
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
