import { useState } from "react";
import type { TiltPlan } from "@/core/tilt";
import { NumberField } from "@/features/kit/fields/NumberField";
import chapter from "@/features/kit/look/Chapter.module.css";
import { number, percent } from "@/wording/format";
import { say } from "@/wording/screens/calculators";
import styles from "./Bench.module.css";

interface Props {
  readonly best: TiltPlan | undefined;
  readonly fixed: TiltPlan | undefined;
  readonly asIs: TiltPlan | undefined;
  readonly positions: string;
}

/** A gain that somebody promises, tested against what this site's simulation can give at the most. */
export function ClaimCheck({ best, fixed, asIs, positions }: Props) {
  const [claim, setClaim] = useState<number | string>(40);
  return (
    <section className={chapter.section}>
      <h2>{say.somebodyClaimsAGain}</h2>
      <p className={styles.answer} data-testid="claim-answer">
        {best && fixed && asIs && typeof claim === "number" ? verdict(claim / 100, best, fixed, asIs, positions) : say.giveAClaimInPercent}
      </p>
      <div className={styles.claim}>
        <NumberField size="xs" label={say.claimedGainOfTiltingAYear} value={claim} onChange={setClaim} />
      </div>
    </section>
  );
}

function verdict(claim: number, best: TiltPlan, fixed: TiltPlan, asIs: TiltPlan, positions: string): string {
  const overFixed = best.yearKwh / fixed.yearKwh - 1;
  const overAsIs = best.yearKwh / asIs.yearKwh - 1;
  const most = Math.max(overFixed, overAsIs);
  const month = best.monthsKwh.map((kwh, m) => kwh / Math.max(1e-9, fixed.monthsKwh[m]!) - 1).reduce((a, b) => Math.max(a, b), 0);
  const figures = say.overTheBestFixedTiltOver(percent(overFixed), percent(overAsIs));
  if (best.positions === 1) return say.theBestFixedTiltGainsOver(percent(overAsIs));
  if (claim <= most + 0.005) return say.believableTiltedThisSiteGains(positions, figures);
  const single = claim <= month ? say.inItsBestSingleMonthThe(percent(month, 0)) : say.evenItsBestSingleMonthGains(percent(month, 0));
  return say.notHereTiltedThisSiteGains(positions, figures, number(claim * 100), single);
}
