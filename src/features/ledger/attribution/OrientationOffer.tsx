"use client";

import { Button } from "@mantine/core";
import { useState } from "react";
import { bookAnswerSchema } from "@/contracts/answers";
import type { AttributionView, OrientationReport } from "@/contracts/attribution";
import { ask } from "@/features/data/ask";
import { useChange } from "@/features/data/use-change";
import { saveSite } from "@/features/data/use-site-save";
import { DateField } from "@/features/kit/fields/DateField";
import { Cells } from "@/features/kit/figures/Cells";
import chapter from "@/features/kit/look/Chapter.module.css";
import { ScrollBox } from "@/features/kit/look/ScrollBox";
import { Refused } from "@/features/kit/problems/ProblemList";
import { RuledTable } from "@/features/kit/table/RuledTable";
import { bearingWords } from "@/wording/findings/attribution";
import { number, percent } from "@/wording/format";
import { say } from "@/wording/screens/ledger-attribution";
import type { Working } from "@/wording/workings/working";

type Orientation = NonNullable<AttributionView["orientation"]>;

type Schedule = readonly { readonly from: string; readonly tiltDeg: number }[];

/** Fitted turn and tilt beside the book's; a wrong plane is offered as a revision from a date, and never applied unasked. */
export function OrientationOffer({ slug, orientation }: { slug: string; orientation: Orientation }) {
  const [from, setFrom] = useState("");
  const { azimuthOffsetDeg, tiltOffsetDeg, arrays, planeOffset: turn } = orientation;
  const { run: revise, refusal } = useChange(async (_: undefined) => {
    const { version, site } = await ask(bookAnswerSchema, `/api/books/${slug}`);
    const scheduleOf = (id: string): Schedule => site.arrays.find((array) => array.id === id)?.tiltSchedule ?? [];
    const change = { arrays: arrays.map((array) => fittedPlane(array, orientation.planeOffset, scheduleOf(array.id))) };
    const revision = { from: from || (site.commissioned ?? "2000-01-01"), note: say.planeAsTheReadingsShowIt, change };
    await saveSite(slug, { version, site: { ...site, revisions: [...site.revisions, revision] } });
  });
  return (
    <div>
      <PlanesTable arrays={arrays} orientation={orientation} turn={turn} />
      <p className={turn ? chapter.clay : chapter.soft}>
        {turn
          ? actsLike(orientation, turn)
          : say.thePlaneStandsAsTheBook(
              number(azimuthOffsetDeg.value, 1),
              number(azimuthOffsetDeg.low, 1),
              number(azimuthOffsetDeg.high, 1),
              number(tiltOffsetDeg.value, 1),
              number(tiltOffsetDeg.low, 1),
              number(tiltOffsetDeg.high, 1),
            )}
      </p>
      {turn && (
        <div className={chapter.actions}>
          <DateField label="from" value={from} onChange={setFrom} />
          <Button onClick={() => revise(undefined)}>{say.takeItAsARevision}</Button>
        </div>
      )}
      {refusal && <Refused refusal={refusal} />}
    </div>
  );
}

interface PlanesTableProps {
  readonly arrays: OrientationReport["arrays"];
  readonly orientation: OrientationReport;
  readonly turn: { azimuthOffsetDeg: number; tiltOffsetDeg: number } | null;
}

function PlanesTable({ arrays, orientation, turn }: PlanesTableProps) {
  return (
    <ScrollBox label="Planes">
      <RuledTable className={chapter.table}>
        <thead>
          <tr>
            <th>array</th>
            <th>book</th>
            <th>acts like</th>
            <th>{say.tiltInTheBook}</th>
            <th>acts like</th>
          </tr>
        </thead>
        <tbody>
          {arrays.map((array) => (
            <tr key={array.id}>
              <td>{array.name || array.id}</td>
              <Cells working={() => orientationWorking(orientation)}>{[`${number(array.azimuthDeg)}°`]}</Cells>
              <Cells className={turn?.azimuthOffsetDeg ? chapter.clay : undefined} working={() => orientationWorking(orientation)}>
                {[`${number(array.fittedAzimuthDeg)}°`]}
              </Cells>
              <Cells working={() => orientationWorking(orientation)}>{[`${number(array.tiltDeg)}°`]}</Cells>
              <Cells className={turn?.tiltOffsetDeg ? chapter.clay : undefined} working={() => orientationWorking(orientation)}>
                {[`${number(array.fittedTiltDeg)}°`]}
              </Cells>
            </tr>
          ))}
        </tbody>
      </RuledTable>
    </ScrollBox>
  );
}

/** What the book is to be revised to: only what it has wrong; a rack that is tilted by season is off by the same in each. */
function fittedPlane(
  { id, fittedAzimuthDeg, fittedTiltDeg }: Orientation["arrays"][number],
  turn: Orientation["planeOffset"],
  schedule: Schedule,
): object {
  const steeper = turn?.tiltOffsetDeg ?? 0;
  const tilted = (tiltDeg: number): number => Math.max(0, Math.min(90, Math.round(tiltDeg + steeper)));
  return {
    id,
    ...(turn?.azimuthOffsetDeg ? { azimuthDeg: Math.round(fittedAzimuthDeg) % 360 } : {}),
    ...(steeper === 0 ? {} : { tiltDeg: Math.round(fittedTiltDeg) }),
    ...(steeper === 0 || schedule.length === 0
      ? {}
      : { tiltSchedule: schedule.map((entry) => ({ ...entry, tiltDeg: tilted(entry.tiltDeg) })) }),
  };
}

function actsLike(orientation: Orientation, turn: NonNullable<Orientation["planeOffset"]>): string {
  const { arrays, azimuthOffsetDeg, tiltOffsetDeg, bookMissFrac, fittedMissFrac, bookLevelFrac, fittedLevelFrac, changeKwhPerYear } =
    orientation;
  const half = ({ low, high }: { low: number; high: number }): string => `±${number((high - low) / 2)}°`;
  const plane = [
    turn.azimuthOffsetDeg ? `${bearingWords(arrays[0]!.fittedAzimuthDeg)}, ${half(azimuthOffsetDeg)}` : "",
    turn.tiltOffsetDeg ? say.aTiltOf(number(arrays[0]!.fittedTiltDeg), half(tiltOffsetDeg)) : "",
  ].filter(Boolean);
  const missed = say.theBooksPlaneMissesTheCurves(
    percent(bookMissFrac),
    percent(fittedMissFrac),
    percent(bookLevelFrac),
    percent(fittedLevelFrac),
  );
  return say.actsLikeItWouldChangeThe(plane.join(", and "), missed, number(changeKwhPerYear));
}

function orientationWorking(orientation: Orientation): Working {
  const { azimuthOffsetDeg, tiltOffsetDeg, bookMissFrac, fittedMissFrac, bookLevelFrac, fittedLevelFrac, days, hours, clockMinutes } =
    orientation;
  const around = ({ value, low, high }: { value: number; low: number; high: number }): string =>
    `${number(value, 1)} (${number(low, 1)} to ${number(high, 1)})`;
  return {
    title: say.planeAsTheClearDaysHave,
    value: around(azimuthOffsetDeg),
    unit: say.turnedFromTheBookClockwise,
    formula: say.leastSquaresOverTurnTiltClock,
    inputs: [
      { name: "steeper", value: `${around(tiltOffsetDeg)}°`, from: say.theSameFit },
      { name: "clock", value: `${around(clockMinutes)} min`, from: say.theSameFitOnlyAShift },
      { name: "clear days", value: `${number(days)}, ${number(hours)} hours`, from: say.readingsAndWeather },
      { name: say.theBooksPlaneMissesOfThe, value: percent(bookMissFrac), from: say.rootMeanSquareOverTheMean },
      { name: say.theFittedOne, value: percent(fittedMissFrac), from: "the same" },
      {
        name: say.theBooksPlaneMissesOfThe2,
        value: percent(bookLevelFrac),
        from: say.rootMeanSquareDaysFarOff,
      },
      { name: say.theFittedOne, value: percent(fittedLevelFrac), from: "the same" },
    ],
    source: say.gaussNewtonIntervalByRedrawingDays,
    assumptions: [say.allArraysAreTurnedAlike, say.skyModelsAloneBendARight, say.aTiltWithin12OfThe],
  };
}
