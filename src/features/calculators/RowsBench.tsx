"use client";

import { NumberInput, Select } from "@mantine/core";
import { useState } from "react";
import { RowsSide } from "@/charts";
import { fromEquatorDeg, rowSpacing, slidSnow, winterSolsticeDeg } from "@/core/geometry";
import { arrayLayout } from "@/core/site";
import { radToDeg } from "@/core/units";
import { AzimuthField, TiltField } from "@/features/kit/angles/AngleField";
import { Figure } from "@/features/kit/figures/Figure";
import chapter from "@/features/kit/look/Chapter.module.css";
import { ChartFrame } from "@/features/kit/save/ChartFrame";
import { DataTable } from "@/features/kit/table/DataTable";
import { RuledTable } from "@/features/kit/table/RuledTable";
import { number, percent } from "@/wording/format";
import { facing } from "@/wording/geometry";
import { rowsWorking, snowWorking } from "@/wording/workings/rows-working";
import styles from "./Bench.module.css";
import type { BenchProps } from "./bench-views";

/** Poleward of here a bench without other knowledge counts with snow. */
const SNOWY_DEG = 42;
const WINDOWS: readonly (readonly [number, number])[] = [
  [11, 13],
  [10, 14],
  [9, 15],
  [8.5, 15.5],
];
const asNumber = (value: number | string, fallback: number): number => (typeof value === "number" ? value : fallback);
const hour = (h: number): string => `${Math.floor(h)}:${h % 1 ? "30" : "00"}`;

/** How far apart rows stand so that none shades the next at winter solstice, and where the snow of a row goes. */
export function RowsBench({ slug, site }: BenchProps) {
  const [arrayId, setArrayId] = useState(site.arrays[0]!.id);
  const array = site.arrays.find((each) => each.id === arrayId) ?? site.arrays[0]!;
  const layout = arrayLayout(site, array);
  const [tilt, setTilt] = useState<number | string>(array.tiltDeg);
  const [azimuth, setAzimuth] = useState<number | string>(array.azimuthDeg);
  const [slant, setSlant] = useState<number | string>(Number(layout.slantM.toFixed(2)));
  const [from, setFrom] = useState<number | string>(10);
  const [to, setTo] = useState<number | string>(14);
  const [edge, setEdge] = useState<number | string>(Number(Math.max(0.5, array.baseHeightM).toFixed(2)));
  const [snow, setSnow] = useState<number | string>(Math.abs(site.place.latitudeDeg) >= SNOWY_DEG ? 0.3 : 0);
  const latitudeDeg = site.place.latitudeDeg;
  const rows = {
    latitudeDeg,
    tiltDeg: asNumber(tilt, 30),
    surfaceAzimuthDeg: asNumber(azimuth, 180),
    slantLengthM: asNumber(slant, 2),
    declinationDeg: winterSolsticeDeg(latitudeDeg),
    windowStartH: asNumber(from, 10),
    windowEndH: asNumber(to, 14),
  };
  const spacing = rowSpacing(rows);
  const slid = slidSnow(rows.slantLengthM, rows.tiltDeg, asNumber(snow, 0));
  const edgeM = asNumber(edge, 0.5);
  const sunDeg = spacing && spacing.gapM > 0 ? radToDeg(Math.atan2(spacing.rowHeightM, spacing.gapM)) : 60;
  return (
    <>
      <p className={chapter.verdict} data-testid="rows-sentence">
        {spacing ? (
          <>
            A gap of <Figure working={() => rowsWorking(rows, spacing)}>{number(spacing.gapM, 2)} m</Figure> (a row every{" "}
            {number(spacing.pitchM, 2)} m) keeps the next row free of shade from {hour(rows.windowStartH)} to {hour(rows.windowEndH)} solar
            time at winter solstice, with rows that look {facing(latitudeDeg, rows.surfaceAzimuthDeg)}.
          </>
        ) : (
          <span className={chapter.clay}>
            At winter solstice the sun is not up through all of {hour(rows.windowStartH)} to {hour(rows.windowEndH)} here: no gap keeps that
            window free. Choose a shorter one.
          </span>
        )}{" "}
        {asNumber(snow, 0) > 0 &&
          (edgeM >= slid.edgeM ? (
            `Snow of ${number(asNumber(snow, 0) * 100)} cm finds room under an edge ${number(edgeM, 2)} m up.`
          ) : (
            <span className={chapter.clay}>
              Snow of {number(asNumber(snow, 0) * 100)} cm would pile against the modules: it wants the lower edge {number(slid.edgeM, 2)} m
              up, not {number(edgeM, 2)}.
            </span>
          ))}
      </p>
      <div className={styles.rowsGrid}>
        <div>
          <div className={styles.inputs}>
            {site.arrays.length > 1 && (
              <Select
                label="Rows like"
                data={site.arrays.map((each) => ({ value: each.id, label: each.name || each.id }))}
                value={array.id}
                allowDeselect={false}
                onChange={(id) => {
                  const next = site.arrays.find((each) => each.id === id) ?? array;
                  setArrayId(next.id);
                  setTilt(next.tiltDeg);
                  setAzimuth(next.azimuthDeg);
                  setSlant(Number(arrayLayout(site, next).slantM.toFixed(2)));
                }}
              />
            )}
            <TiltField
              label="Tilt, °"
              plain
              latitudeDeg={latitudeDeg}
              azimuthDeg={rows.surfaceAzimuthDeg}
              value={tilt}
              onChange={setTilt}
            />
            <AzimuthField label="Azimuth, °" plain place={site.place} value={azimuth} onChange={setAzimuth} />
            <NumberInput label="Length up the slope, m" hideControls min={0.1} decimalScale={2} value={slant} onChange={setSlant} />
            <NumberInput label="Free from, solar hour" hideControls min={0} max={12} value={from} onChange={setFrom} />
            <NumberInput label="to, solar hour" hideControls min={12} max={24} value={to} onChange={setTo} />
            <NumberInput label="Lower edge up, m" hideControls min={0} decimalScale={2} value={edge} onChange={setEdge} />
            <NumberInput label="Snow on them, m" hideControls min={0} decimalScale={2} value={snow} onChange={setSnow} />
          </div>
          <WindowTable rows={rows} />
        </div>
        <div>
          <ChartFrame
            title="Two rows from the side"
            note="the lowest ray of the window"
            fileName={`${slug}-rows`}
            height={250}
            summary={spacing ? `Rows ${number(spacing.pitchM, 2)} metres apart` : "No spacing keeps this window free"}
            table={() => [
              ["row_height_m", "gap_m", "pitch_m"],
              [spacing?.rowHeightM ?? "", spacing?.gapM ?? "", spacing?.pitchM ?? ""],
            ]}
          >
            {(width) =>
              spacing === null ? (
                <text x={width / 2} y={120} textAnchor="middle" fill="var(--ink-soft)">
                  the sun is down for a part of this window
                </text>
              ) : (
                <RowsSide
                  width={width}
                  height={250}
                  tiltDeg={rows.tiltDeg}
                  slantM={rows.slantLengthM}
                  gapM={Math.max(spacing.gapM, 0.02)}
                  edgeM={edgeM}
                  heap={asNumber(snow, 0) > 0 ? slid : null}
                  sunDeg={sunDeg}
                />
              )
            }
          </ChartFrame>
          <DataTable
            className={chapter.table}
            rows={
              [
                ["heap at the foot of a row, over the snow around", slid.heapM],
                ["how far it reaches in front", slid.reachM],
                ["lower edge that stays free", slid.edgeM],
                ["slot between an upper and a lower row in one plane", slid.slotM],
              ] as const
            }
            rowKey={([name]) => name}
            columns={[
              { key: "snow-sliding-off", head: "snow sliding off", cell: ([name]) => name },
              {
                key: "m",
                head: "m",
                cell: ([name, metres]) => (
                  <>
                    <Figure plain working={() => snowWorking(name, metres, rows, asNumber(snow, 0))}>
                      {number(metres, 2)}
                    </Figure>
                  </>
                ),
              },
            ]}
          />
          <p className={chapter.caution}>
            Snow that slides off a row buries what stands below: keep the path in front clear, and never stand under a loaded row to clear
            it.
          </p>
        </div>
      </div>
    </>
  );
}

/** The gap for some usual windows, so that the price of an hour is seen. */
function WindowTable({ rows }: { rows: Parameters<typeof rowSpacing>[0] }) {
  return (
    <RuledTable className={chapter.table}>
      <thead>
        <tr>
          <th scope="col">free of shade</th>
          <th scope="col">gap, m</th>
          <th scope="col">a row every, m</th>
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
                    {number(spacing.gapM, 2)}
                  </Figure>
                ) : (
                  "sun down"
                )}
              </td>
              <td>{spacing ? number(spacing.pitchM, 2) : "–"}</td>
              <td>{spacing ? percent(rows.slantLengthM / spacing.pitchM, 0) : "–"}</td>
            </tr>
          );
        })}
      </tbody>
      {Math.abs(fromEquatorDeg(rows.latitudeDeg, rows.surfaceAzimuthDeg)) > 90 && (
        <tfoot>
          <tr>
            <td colSpan={4}>These rows look away from the equator: they shade the row behind in summer instead.</td>
          </tr>
        </tfoot>
      )}
    </RuledTable>
  );
}
