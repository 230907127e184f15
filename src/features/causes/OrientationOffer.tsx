"use client";

import { Button } from "@mantine/core";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { bearingWords } from "@/contracts/cause-words";
import type { CauseReport } from "@/contracts/causes";
import { asRefused, call, type RefusedCall } from "@/features/api";
import { Cells } from "@/features/figures/Cells";
import { number, percent } from "@/features/figures/format";
import chapter from "@/features/look/Chapter.module.css";
import { DateField } from "@/features/look/DateField";
import { ScrollBox } from "@/features/look/ScrollBox";
import { Refused } from "@/features/problems/ProblemList";
import type { Working } from "@/features/workings/working";

type Orientation = NonNullable<CauseReport["orientation"]>;

interface SiteAnswer {
  readonly version: number;
  readonly site: { readonly revisions: readonly object[]; readonly commissioned: string | null };
}

/** Fitted turn and tilt beside the book's; a wrong plane is offered as a revision from a date, and never applied unasked. */
export function OrientationOffer({ slug, orientation }: { slug: string; orientation: Orientation }) {
  const router = useRouter();
  const [from, setFrom] = useState("");
  const [refusal, setRefusal] = useState<RefusedCall | null>(null);
  const { turnDeg, steeperDeg, arrays, isWrong, changeKwhPerYear } = orientation;
  const revise = async () => {
    setRefusal(null);
    try {
      const { version, site } = await call<SiteAnswer>("GET", `/api/books/${slug}`);
      const change = { arrays: arrays.map(({ id, fittedAzimuthDeg }) => ({ id, azimuthDeg: Math.round(fittedAzimuthDeg) })) };
      const revision = { from: from || (site.commissioned ?? "2000-01-01"), note: "plane as the readings show it", change };
      await call("PUT", `/api/books/${slug}`, { version, site: { ...site, revisions: [...site.revisions, revision] } });
      router.refresh();
    } catch (error) {
      setRefusal(asRefused(error));
    }
  };
  return (
    <div>
      <ScrollBox label="Planes">
        <table className={chapter.table}>
          <thead>
            <tr>
              <th>array</th>
              <th>book</th>
              <th>acts like</th>
              <th>tilt in the book</th>
              <th>acts like</th>
            </tr>
          </thead>
          <tbody>
            {arrays.map((array) => (
              <tr key={array.id}>
                <td>{array.name || array.id}</td>
                <Cells working={() => orientationWorking(orientation)}>{[`${number(array.azimuthDeg)}°`]}</Cells>
                <Cells className={isWrong ? chapter.clay : undefined} working={() => orientationWorking(orientation)}>
                  {[`${number(array.fittedAzimuthDeg)}°`]}
                </Cells>
                <Cells working={() => orientationWorking(orientation)}>
                  {[`${number(array.tiltDeg)}°`, `${number(array.fittedTiltDeg)}°`]}
                </Cells>
              </tr>
            ))}
          </tbody>
        </table>
      </ScrollBox>
      <p className={isWrong ? chapter.clay : chapter.soft}>
        {isWrong
          ? `Acts like ${bearingWords(arrays[0]!.fittedAzimuthDeg)}, ±${number((turnDeg.high - turnDeg.low) / 2)}°. The book's plane misses the clear days by ${percent(orientation.bookMissFrac)}, the turned one by ${percent(orientation.fittedMissFrac)}; it would change the expected year by ${number(changeKwhPerYear)} kWh.`
          : `The plane stands as the book says: turned by ${number(turnDeg.value, 1)}° (${number(turnDeg.low, 1)} to ${number(turnDeg.high, 1)}), ${number(steeperDeg.value, 1)}° steeper (${number(steeperDeg.low, 1)} to ${number(steeperDeg.high, 1)}), which sky models alone can do.`}
      </p>
      {isWrong && (
        <div className={chapter.actions}>
          <DateField label="from" value={from} onChange={setFrom} />
          <Button onClick={() => void revise()}>Take it as a revision</Button>
        </div>
      )}
      {refusal && <Refused refusal={refusal} />}
    </div>
  );
}

function orientationWorking({ turnDeg, steeperDeg, bookMissFrac, fittedMissFrac, days, hours, clockMinutes }: Orientation): Working {
  const around = ({ value, low, high }: { value: number; low: number; high: number }): string =>
    `${number(value, 1)} (${number(low, 1)} to ${number(high, 1)})`;
  return {
    title: "Plane as the clear days have it",
    value: around(turnDeg),
    unit: "° turned from the book, clockwise",
    formula: "least squares of clear hours over turn, tilt, clock, contrast and the bend of weak light; each day at its own level",
    inputs: [
      { name: "steeper", value: `${around(steeperDeg)}°`, from: "the same fit" },
      { name: "clock", value: `${around(clockMinutes)} min`, from: "the same fit; only a shift beyond 18 minutes is let stand" },
      { name: "clear days", value: `${number(days)}, ${number(hours)} hours`, from: "readings and weather" },
      { name: "the book's plane misses", value: percent(bookMissFrac), from: "root mean square over the mean" },
      { name: "the fitted one", value: percent(fittedMissFrac), from: "the same" },
    ],
    source: "Gauss-Newton; interval by redrawing days (Efron, 1979, Bootstrap methods).",
    assumptions: ["All arrays are turned alike.", "Sky models alone bend a right plane by up to 1.5°."],
  };
}
