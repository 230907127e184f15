"use client";

import { Button } from "@mantine/core";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { bearingWords } from "@/contracts/cause-words";
import type { CauseReport } from "@/contracts/causes";
import { asRefused, call, type RefusedCall } from "@/features/api";
import { number, percent } from "@/features/figures/format";
import chapter from "@/features/look/Chapter.module.css";
import { DateField } from "@/features/look/DateField";
import { ScrollBox } from "@/features/look/ScrollBox";
import { Refused } from "@/features/problems/ProblemList";

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
                <td>{number(array.azimuthDeg)}°</td>
                <td className={isWrong ? chapter.clay : undefined}>{number(array.fittedAzimuthDeg)}°</td>
                <td>{number(array.tiltDeg)}°</td>
                <td>{number(array.fittedTiltDeg)}°</td>
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
