import { ResidualDots } from "@/charts";
import type { AgeingReport } from "@/contracts/attribution";
import { Figure } from "@/features/kit/figures/Figure";
import chapter from "@/features/kit/look/Chapter.module.css";
import { ChartFrame } from "@/features/kit/save/ChartFrame";
import { RESIDUAL_TITLES, residualsSentence, residualUnit, residualWords } from "@/wording/residuals";
import { say } from "@/wording/screens/ageing";
import { residualWorking } from "@/wording/workings/residual-working";
import styles from "./Residuals.module.css";

const HEIGHT = 190;
/** Deviations are shown to five hundredths at the least, so that the same picture means the same in every book. */
const LEAST_SHOWN = 0.05;

/** What the model leaves, against heat, angle and load: a wrong coefficient or curve shows here before it is taken for ageing. */
export function ResidualsSection({ slug, residuals }: { slug: string; residuals: AgeingReport["residuals"] }) {
  if (!residuals || residuals.every(({ bins }) => bins.length === 0)) return null;
  const most = Math.max(LEAST_SHOWN, ...residuals.flatMap(({ bins }) => bins.map(({ frac }) => Math.abs(frac))));
  return (
    <section className={chapter.section} aria-label={say.whatTheModelLeaves}>
      <h2>{say.whatTheModelLeaves}</h2>
      <p data-testid="residuals-verdict">{residualsSentence(residuals)}</p>
      <p className={chapter.soft}>{say.meteredOverExpectedBeside}</p>
      <div className={styles.three}>
        {residuals.map((own) => {
          const { scale, unit } = residualUnit(own.by);
          return (
            <div key={own.by}>
              <ChartFrame
                title={RESIDUAL_TITLES[own.by]}
                note={say.percentOffExpected}
                fileName={`${slug}-residuals-${own.by}`}
                height={HEIGHT}
                summary={residualWords(own)}
                table={() => [
                  ["from", "to", "deviation_frac", "standard_frac", "hours"],
                  ...own.bins.map((bin) => [bin.from, bin.to, bin.frac, bin.standardFrac, bin.hours]),
                ]}
              >
                {(width) => <ResidualDots dots={own.bins} most={most} unit={unit} scale={scale} width={width} height={HEIGHT} />}
              </ChartFrame>
              <p className={chapter.soft}>
                {own.lean ? (
                  <Figure plain working={() => residualWorking(own)}>
                    {residualWords(own)}
                  </Figure>
                ) : (
                  residualWords(own)
                )}
              </p>
            </div>
          );
        })}
      </div>
    </section>
  );
}
