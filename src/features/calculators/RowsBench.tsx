"use client";

import { Select } from "@mantine/core";
import { type Dispatch, type SetStateAction, useState } from "react";
import type { SiteDocument } from "@/contracts/site";
import { fromEquatorDeg, type RowSpacing, type Rows, rowSpacing, type SlidSnow, slidSnow, winterSolsticeDeg } from "@/core/geometry";
import { arrayLayout } from "@/core/site";
import { radToDeg } from "@/core/units";
import { AzimuthField, TiltField } from "@/features/kit/angles/AngleField";
import { NumberField } from "@/features/kit/fields/NumberField";
import { Figure } from "@/features/kit/figures/Figure";
import chapter from "@/features/kit/look/Chapter.module.css";
import { RuledTable } from "@/features/kit/table/RuledTable";
import { inReadersUnit, measure, number, percent, readersUnit } from "@/wording/format";
import { facing } from "@/wording/geometry";
import { say } from "@/wording/screens/calculators";
import { rowsWorking } from "@/wording/workings/rows-working";
import styles from "./Bench.module.css";
import type { BenchProps } from "./bench-views";
import { hour, RowsPicture, SlidSnowTable } from "./RowsPicture";
import { type NumberFields, useNumberFields } from "./use-number-fields";

/** Poleward of here a bench without other knowledge counts with snow. */
const SNOWY_DEG = 42;
const WINDOWS: readonly (readonly [number, number])[] = [
  [11, 13],
  [10, 14],
  [9, 15],
  [8.5, 15.5],
];

/** How far apart rows stand so that none shades the next at winter solstice, and where the snow of a row goes. */
export function RowsBench({ slug, site }: BenchProps) {
  const [arrayId, setArrayId] = useState(site.arrays[0]!.id);
  const array = site.arrays.find((each) => each.id === arrayId) ?? site.arrays[0]!;
  const layout = arrayLayout(site, array);
  const fields = useNumberFields({
    tilt: array.tiltDeg,
    azimuth: array.azimuthDeg,
    slant: Number(layout.slantM.toFixed(2)),
    from: 10,
    to: 14,
    edge: Number(Math.max(0.5, array.baseHeightM).toFixed(2)),
    snow: Math.abs(site.place.latitudeDeg) >= SNOWY_DEG ? 0.3 : 0,
  });
  const latitudeDeg = site.place.latitudeDeg;
  const rows: Rows = {
    latitudeDeg,
    tiltDeg: fields.numberOf("tilt", 30),
    surfaceAzimuthDeg: fields.numberOf("azimuth", 180),
    slantLengthM: fields.numberOf("slant", 2),
    declinationDeg: winterSolsticeDeg(latitudeDeg),
    windowStartH: fields.numberOf("from", 10),
    windowEndH: fields.numberOf("to", 14),
  };
  const spacing = rowSpacing(rows);
  const snowM = fields.numberOf("snow", 0);
  const slid = slidSnow(rows.slantLengthM, rows.tiltDeg, snowM);
  const edgeM = fields.numberOf("edge", 0.5);
  const sunDeg = spacing && spacing.gapM > 0 ? radToDeg(Math.atan2(spacing.rowHeightM, spacing.gapM)) : 60;
  return (
    <>
      <RowsVerdict spacing={spacing} rows={rows} latitudeDeg={latitudeDeg} snowM={snowM} edgeM={edgeM} slid={slid} />
      <div className={styles.rowsGrid}>
        <RowsInputs site={site} array={array} setArrayId={setArrayId} rows={rows} fields={fields} />
        <div>
          <RowsPicture slug={slug} spacing={spacing} rows={rows} edgeM={edgeM} snowM={snowM} slid={slid} sunDeg={sunDeg} />
          <SlidSnowTable slid={slid} rows={rows} snowM={snowM} />
          <p className={chapter.caution}>{say.snowThatSlidesOffARow}</p>
        </div>
      </div>
    </>
  );
}

type RowsFields = NumberFields<"tilt" | "azimuth" | "slant" | "from" | "to" | "edge" | "snow">;

interface RowsInputsProps extends ArrayChoiceProps {
  readonly rows: Rows;
}

/** The rack, the hours, the snow. */
function RowsInputs({ site, array, setArrayId, rows, fields }: RowsInputsProps) {
  const { typed, into } = fields;
  return (
    <div>
      <div className={styles.inputs}>
        {site.arrays.length > 1 && <ArrayChoice site={site} array={array} setArrayId={setArrayId} fields={fields} />}
        <TiltField
          label="Tilt, °"
          plain
          latitudeDeg={rows.latitudeDeg}
          azimuthDeg={rows.surfaceAzimuthDeg}
          value={typed.tilt}
          onChange={into("tilt")}
        />
        <AzimuthField label="Azimuth, °" plain place={site.place} value={typed.azimuth} onChange={into("azimuth")} />
        <NumberField label={say.lengthUpTheSlopeM} min={0.1} decimalScale={2} value={typed.slant} onChange={into("slant")} />
        <NumberField label={say.freeFromSolarHour} min={0} max={12} value={typed.from} onChange={into("from")} />
        <NumberField label={say.toSolarHour} min={12} max={24} value={typed.to} onChange={into("to")} />
        <NumberField label={say.lowerEdgeUpM} min={0} decimalScale={2} value={typed.edge} onChange={into("edge")} />
        <NumberField label={say.snowOnThemM} min={0} decimalScale={2} value={typed.snow} onChange={into("snow")} />
      </div>
      <WindowTable rows={rows} />
    </div>
  );
}

interface RowsVerdictProps {
  readonly spacing: RowSpacing | null;
  readonly rows: Rows;
  readonly latitudeDeg: number;
  readonly snowM: number;
  readonly edgeM: number;
  readonly slid: SlidSnow;
}

function RowsVerdict({ spacing, rows, latitudeDeg, snowM, edgeM, slid }: RowsVerdictProps) {
  return (
    <p className={chapter.verdict} data-testid="rows-sentence">
      {spacing ? (
        <>
          {say.aGapOf}
          <Figure working={() => rowsWorking(rows, spacing)}>{measure(spacing.gapM, "m", 2)}</Figure>{" "}
          {say.aRowEveryMKeepsThe(
            measure(spacing.pitchM, "m", 2),
            hour(rows.windowStartH),
            hour(rows.windowEndH),
            facing(latitudeDeg, rows.surfaceAzimuthDeg),
          )}
        </>
      ) : (
        <span className={chapter.clay}>{say.atWinterSolsticeTheSunIs(hour(rows.windowStartH), hour(rows.windowEndH))}</span>
      )}{" "}
      {snowM > 0 &&
        (edgeM >= slid.edgeM ? (
          say.snowOfCmFindsRoomUnder(measure(snowM * 100, "cm"), measure(edgeM, "m", 2))
        ) : (
          <span className={chapter.clay}>
            {say.snowOfCmWouldPileAgainst(measure(snowM * 100, "cm"), measure(slid.edgeM, "m", 2), measure(edgeM, "m", 2))}
          </span>
        ))}
    </p>
  );
}

interface ArrayChoiceProps {
  readonly site: BenchProps["site"];
  readonly array: SiteDocument["arrays"][number];
  readonly setArrayId: Dispatch<SetStateAction<string>>;
  readonly fields: RowsFields;
}

/** Starts from an array of the book. */
function ArrayChoice({ site, array, setArrayId, fields }: ArrayChoiceProps) {
  return (
    <Select
      label="Rows like"
      data={site.arrays.map((each) => ({ value: each.id, label: each.name || each.id }))}
      value={array.id}
      allowDeselect={false}
      onChange={(id) => {
        const next = site.arrays.find((each) => each.id === id) ?? array;
        setArrayId(next.id);
        fields.fill({ tilt: next.tiltDeg, azimuth: next.azimuthDeg, slant: Number(arrayLayout(site, next).slantM.toFixed(2)) });
      }}
    />
  );
}

/** The gap for some usual windows, so that the price of an hour is seen. */
function WindowTable({ rows }: { rows: Parameters<typeof rowSpacing>[0] }) {
  return (
    <RuledTable className={chapter.table}>
      <thead>
        <tr>
          <th scope="col">{say.freeOfShade}</th>
          <th scope="col">{`gap, ${readersUnit("m")}`}</th>
          <th scope="col">{say.aRowEveryM(readersUnit("m"))}</th>
          <th scope="col">ground covered</th>
        </tr>
      </thead>
      <tbody>
        {WINDOWS.map(([windowStartH, windowEndH]) => {
          const spacing = rowSpacing({ ...rows, windowStartH, windowEndH });
          return (
            <tr key={windowStartH}>
              <td>{`${hour(windowStartH)} to ${hour(windowEndH)}`}</td>
              <td>
                {spacing ? (
                  <Figure plain working={() => rowsWorking({ ...rows, windowStartH, windowEndH }, spacing)}>
                    {number(inReadersUnit(spacing.gapM, "m")[0], 2)}
                  </Figure>
                ) : (
                  "sun down"
                )}
              </td>
              <td>{spacing ? number(inReadersUnit(spacing.pitchM, "m")[0], 2) : "–"}</td>
              <td>{spacing ? percent(rows.slantLengthM / spacing.pitchM, 0) : "–"}</td>
            </tr>
          );
        })}
      </tbody>
      {Math.abs(fromEquatorDeg(rows.latitudeDeg, rows.surfaceAzimuthDeg)) > 90 && (
        <tfoot>
          <tr>
            <td colSpan={4}>{say.theseRowsLookAwayFromThe}</td>
          </tr>
        </tfoot>
      )}
    </RuledTable>
  );
}
