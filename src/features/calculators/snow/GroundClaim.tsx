"use client";

import { TextInput } from "@mantine/core";
import { useState } from "react";
import { claimOfLine } from "@/core/typed";
import type { AlbedoGain } from "@/core/yield";
import chapter from "@/features/kit/look/Chapter.module.css";
import { number, percent } from "@/wording/format";
import { say } from "@/wording/screens/calculators-snow";
import { writingNow } from "@/wording/writing";
import styles from "../Bench.module.css";

/** What the light of the snow adds to an array: in its best month, and over the months that have any. */
function shareOf({ gainKwh, bareKwh }: AlbedoGain): { readonly month: number; readonly winter: number } {
  const snowy = gainKwh.flatMap((gain, m) => (gain > 0 && bareKwh[m]! > 0 ? [{ gain, bare: bareKwh[m]! }] : []));
  const sum = (of: "gain" | "bare"): number => snowy.reduce((total, each) => total + each[of], 0);
  return { month: Math.max(0, ...snowy.map(({ gain, bare }) => gain / bare)), winter: sum("bare") > 0 ? sum("gain") / sum("bare") : 0 };
}

/** A share of light from the snow that somebody claims, held against two runs of the chain for this array. */
export function GroundClaim({ albedo }: { albedo: readonly AlbedoGain[] | null }) {
  const [text, setText] = useState("");
  const claim = claimOfLine(text, writingNow().decimal);
  const own = albedo?.[0];
  const answer = own && claim ? verdict(claim.leastPercent, claim.mostPercent, own) : null;
  return (
    <div className={styles.claim}>
      <TextInput
        size="xs"
        label={say.somebodyClaimsGroundLight}
        placeholder="15 to 30 %"
        value={text}
        maxLength={60}
        error={text.trim() !== "" && !claim ? say.notAClaim : undefined}
        onChange={(event) => setText(event.currentTarget.value)}
      />
      {answer && (
        <p className={chapter.soft} data-testid="ground-claim">
          {answer}
        </p>
      )}
    </div>
  );
}

function verdict(leastPercent: number, mostPercent: number, own: AlbedoGain): string {
  const { month, winter } = shareOf(own);
  const figures = say.snowGivesHere(percent(winter), percent(month), number(own.tiltDeg));
  if (mostPercent <= 100 * winter) return `${say.claimBelievable} ${figures}`;
  if (leastPercent <= 100 * month) return `${say.claimInBestMonth} ${figures}`;
  return `${say.claimOutOfReach} ${figures}`;
}
