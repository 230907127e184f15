"use client";

import type { Remote } from "comlink";
import { useMemo, useState } from "react";
import { nameplateW, type Site } from "@/core/site";
import { applyWhatIf, type WhatIf, type YieldLine, yieldSum } from "@/core/yield";
import { Figure } from "@/features/kit/figures/Figure";
import chapter from "@/features/kit/look/Chapter.module.css";
import { monthName, number, percent } from "@/wording/format";
import { say } from "@/wording/screens/yield";
import { differenceWorking, triedWorking } from "@/wording/workings/yield-workings";
import type { YieldEngine } from "./engine.worker";
import { MonthTable } from "./MonthTable";
import { PlaneMap } from "./PlaneMap";
import { useAnswer } from "./use-engine";
import { Variants } from "./Variants";
import { WhatIfControls } from "./WhatIfControls";
import { wordsOf } from "./what-if-words";
import styles from "./Yield.module.css";
import type { YieldPageProps } from "./yield-props";

interface Props extends YieldPageProps {
  readonly engine: Remote<YieldEngine> | null;
}

const NOTHING: WhatIf = { arrayId: null };

/** Try a change: sliders left, the months in the middle, the map of all planes right, kept variants below. */
export function WhatIfView(props: Props) {
  const { site, engine, year } = props;
  const [whatIf, setWhatIf] = useState<WhatIf>(site.arrays.length === 1 ? { arrayId: site.arrays[0]!.id } : NOTHING);
  const base = useAnswer(engine, NOTHING);
  const answer = useAnswer(engine, whatIf);
  const wished = useMemo(() => applyWhatIf(site, whatIf), [site, whatIf]);
  const subject = wished.arrays.find((array) => array.id === whatIf.arrayId) ?? wished.arrays[0]!;
  const change = (part: Partial<WhatIf>): void => setWhatIf((current) => ({ ...current, ...part }));
  return (
    <>
      <Sentence year={year} base={base} answer={answer} site={site} wished={wished} whatIf={whatIf} />
      <div className={styles.tryout}>
        <WhatIfControls
          site={site}
          wished={wished}
          subject={subject}
          whatIf={whatIf}
          change={change}
          reset={() => setWhatIf({ arrayId: whatIf.arrayId })}
        />
        <MonthTable base={base} answer={answer} site={site} wished={wished} slug={props.slug} year={year} />
        <PlaneMap
          engine={engine}
          site={site}
          whatIf={whatIf}
          subject={subject}
          ratedKw={nameplateW(wished) / 1000}
          pick={(plane) => change(plane)}
          name={`${props.slug}-${year}-planes`}
        />
      </div>
      <Variants {...props} whatIf={whatIf} take={setWhatIf} />
    </>
  );
}

const AS_BUILT = say.asTheBookHasIt;

function Sentence({
  year,
  base,
  answer,
  site,
  wished,
  whatIf,
}: {
  year: string;
  base: readonly YieldLine[] | null;
  answer: readonly YieldLine[] | null;
  site: Site;
  wished: Site;
  whatIf: WhatIf;
}) {
  if (!base || !answer)
    return (
      <p className={chapter.verdict} data-lines="2">
        {say.bringingTheWeatherOf(year)}
      </p>
    );
  const [built, tried] = [yieldSum(year, base), yieldSum(year, answer)];
  const difference = tried.expectedKwh - built.expectedKwh;
  const said = wordsOf(whatIf);
  if (said === "") {
    return (
      <p className={chapter.verdict} data-lines="2" data-testid="what-if-sentence">
        {AS_BUILT}, {year} brings{" "}
        <Figure name={`expected/${year}`} working={() => triedWorking(built, `${year}, as built`, site)}>
          {number(built.expectedKwh)} kWh
        </Figure>
        {say.moveASliderOrClickThe}
      </p>
    );
  }
  const most = [...base.keys()].reduce((best, k) => (Math.abs(gap(base, answer, k)) > Math.abs(gap(base, answer, best)) ? k : best), 0);
  return (
    <p className={chapter.verdict} data-lines="2" data-testid="what-if-sentence">
      With {said}, {year} brings{" "}
      <Figure working={() => triedWorking(tried, `${year}, with ${said}`, wished)}>{number(tried.expectedKwh)} kWh</Figure>:{" "}
      <strong className={difference < 0 ? chapter.clay : styles.more}>
        <Figure
          working={() =>
            differenceWorking(
              `${year}, difference`,
              { name: "With the change", kwh: tried.expectedKwh },
              { name: "As built", kwh: built.expectedKwh },
            )
          }
        >
          {difference >= 0 ? "+" : ""}
          {number(difference)} kWh ({difference >= 0 ? "+" : ""}
          {percent(difference / Math.max(1e-9, built.expectedKwh))})
        </Figure>
      </strong>
      , widest in {monthOf(base[most]?.key)} ({gap(base, answer, most) >= 0 ? "+" : ""}
      {number(gap(base, answer, most))}).
    </p>
  );
}

const gap = (base: readonly YieldLine[], answer: readonly YieldLine[], k: number): number =>
  (answer[k]?.expectedKwh ?? 0) - base[k]!.expectedKwh;

const monthOf = (key: string | undefined): string => monthName(key ?? "");
