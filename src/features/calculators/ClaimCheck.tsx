import { TextInput } from "@mantine/core";
import { useState } from "react";
import type { TiltPlan } from "@/core/tilt";
import { type Claim, claimOfLine } from "@/core/typed";
import chapter from "@/features/kit/look/Chapter.module.css";
import { number, percent } from "@/wording/format";
import { say } from "@/wording/screens/calculators";
import { writingNow } from "@/wording/writing";
import styles from "./Bench.module.css";

interface Props {
  readonly best: TiltPlan | undefined;
  readonly fixed: TiltPlan | undefined;
  readonly asIs: TiltPlan | undefined;
  readonly positions: string;
}

/** A gain that somebody promises, tested against what this site's simulation can give at the most. */
export function ClaimCheck({ best, fixed, asIs, positions }: Props) {
  const [text, setText] = useState("15 to 40 %");
  const claim = claimOfLine(text, writingNow().decimal);
  return (
    <section className={chapter.section}>
      <h2>{say.somebodyClaimsAGain}</h2>
      <p className={styles.answer} data-testid="claim-answer">
        {best && fixed && asIs && claim ? verdict(claim, best, fixed, asIs, positions) : say.giveAClaimInPercent}
      </p>
      <div className={styles.claim}>
        <TextInput
          size="xs"
          label={say.claimedGainOfTiltingAYear}
          value={text}
          maxLength={60}
          error={text.trim() !== "" && !claim ? say.notAClaim : undefined}
          onChange={(event) => setText(event.currentTarget.value)}
        />
      </div>
    </section>
  );
}

function verdict(claim: Claim, best: TiltPlan, fixed: TiltPlan, asIs: TiltPlan, positions: string): string {
  const overFixed = best.yearKwh / fixed.yearKwh - 1;
  const overAsIs = best.yearKwh / asIs.yearKwh - 1;
  // What can be had is known to half a per cent at best.
  const mostPercent = 100 * (Math.max(overFixed, overAsIs) + 0.005);
  const month = best.monthsKwh.map((kwh, m) => kwh / Math.max(1e-9, fixed.monthsKwh[m]!) - 1).reduce((a, b) => Math.max(a, b), 0);
  const figures = say.overTheBestFixedTiltOver(percent(overFixed), percent(overAsIs));
  if (best.positions === 1) return say.theBestFixedTiltGainsOver(percent(overAsIs));
  if (claim.mostPercent <= mostPercent) return say.believableTiltedThisSiteGains(positions, figures);
  const single =
    claim.mostPercent <= 100 * month ? say.inItsBestSingleMonthThe(percent(month, 0)) : say.evenItsBestSingleMonthGains(percent(month, 0));
  if (claim.leastPercent <= mostPercent)
    return say.theLowerEndAlone(positions, figures, number(claim.leastPercent), number(claim.mostPercent), single);
  return say.notHereTiltedThisSiteGains(positions, figures, number(claim.leastPercent), single);
}
