"use client";

import { Button, VisuallyHidden } from "@mantine/core";
import type { Remote } from "comlink";
import Link from "next/link";
import { useEffect, useState } from "react";
import type { ModelChoices } from "@/core/site";
import { useSiteSave } from "@/features/data/use-site-save";
import { Figure } from "@/features/kit/figures/Figure";
import chapter from "@/features/kit/look/Chapter.module.css";
import { ScrollBox } from "@/features/kit/look/ScrollBox";
import { Refused } from "@/features/kit/problems/ProblemList";
import { RuledTable } from "@/features/kit/table/RuledTable";
import { number, percent } from "@/wording/format";
import { say } from "@/wording/screens/yield";
import { SOURCES } from "@/wording/workings/stage-methods";
import { differenceWorking } from "@/wording/workings/yield-workings";
import type { YieldEngine } from "./engine.worker";
import type { MethodEffect } from "./engine-types";
import styles from "./Yield.module.css";
import type { YieldPageProps } from "./yield-props";

const STAGES: Readonly<Record<keyof ModelChoices, string>> = {
  decomposition: say.ghiToBeamAndDiffuse,
  transposition: say.lightOnTheTiltedPlane,
  reflection: say.reflectionOnTheGlass,
  cellTemperature: "Cell temperature",
  power: say.powerOfTheCells,
  soiling: "Soiling",
  shading: "Shading",
  snow: "Snow",
  inverter: "Inverter",
  subHourlyClipping: say.peaksInsideACoarseStep,
};

const NAMES: Readonly<Record<string, string>> = {
  erbs: "Erbs",
  disc: "DISC",
  "hay-davies": "Hay & Davies",
  isotropic: "Even sky",
  reindl: "Reindl",
  perez: "Perez",
  "martin-ruiz": "Martin & Ruiz",
  ashrae: "ASHRAE",
  fresnel: "Fresnel",
  faiman: "Faiman",
  ross: "Ross (NOCT)",
  king: "King",
  coefficient: "Temperature coefficient",
  "single-diode": "Single diode",
  "by-array": say.byEachArraysHardware,
  "module-level": "Module level",
  "bypass-diodes": "Bypass diodes",
  "worst-module": "Worst module",
  fixed: "Fixed share",
  "build-up": say.buildUpAndRain,
  none: "None",
  sliding: "Sliding cover",
  monthly: "Monthly shares",
  "part-load": "Part-load curve",
  constant: "Constant",
  corrected: "Counted",
  ignored: "Ignored",
};

interface Props extends YieldPageProps {
  readonly engine: Remote<YieldEngine> | null;
}

/** Which method each stage uses, and what each other one would make of the year. */
export function MethodsView({ engine, slug, site, version, year }: Props) {
  const [effects, setEffects] = useState<readonly MethodEffect[] | null>(null);
  useEffect(() => {
    if (engine) void engine.methods().then(setEffects);
  }, [engine]);
  const { run, refusal } = useSiteSave(slug);
  const use = (stage: keyof ModelChoices, choice: string): void =>
    run({ version, site: { ...site, models: { ...site.models, [stage]: choice } } });
  return (
    <>
      <MethodSentence effects={effects} year={year} />
      {refusal && <Refused refusal={refusal} />}
      <p className={chapter.soft}>
        {say.howNearEachComesToAn}
        <Link href="/validation">validation</Link>.
      </p>
      <ScrollBox label="Methods" className={styles.methods}>
        <RuledTable className={chapter.table}>
          <thead>
            <tr>
              <th scope="col">stage</th>
              <th scope="col">method</th>
              <th scope="col">source</th>
              <th scope="col">{year}, kWh</th>
              <th scope="col">{say.insteadOfTheBooks}</th>
              <th scope="col">
                <VisuallyHidden component="span">action</VisuallyHidden>
              </th>
            </tr>
          </thead>
          <tbody>
            {(effects ?? []).map((effect, k) => (
              <MethodRow
                key={`${effect.stage} ${effect.choice}`}
                effect={effect}
                first={effects?.[k - 1]?.stage !== effect.stage}
                use={() => use(effect.stage, effect.choice)}
              />
            ))}
          </tbody>
        </RuledTable>
      </ScrollBox>
    </>
  );
}

function MethodSentence({ effects, year }: { effects: readonly MethodEffect[] | null; year: string }) {
  if (!effects)
    return (
      <p className={chapter.verdict} data-lines="2">
        {say.runningWithEveryMethod(year)}
      </p>
    );
  const strongest = effects.reduce((most, effect) => (Math.abs(effect.differenceKwh) > Math.abs(most.differenceKwh) ? effect : most));
  const chosen = effects.find(({ stage, chosen: isChosen }) => isChosen && stage === strongest.stage);
  const base = chosen?.expectedKwh ?? 1;
  if (Math.abs(strongest.differenceKwh) < 0.5)
    return (
      <p className={chapter.verdict} data-lines="2">
        {say.noOtherMethodWouldChangeBy(year)}
      </p>
    );
  return (
    <p className={chapter.verdict} data-lines="2">
      {say.theChoiceThatWeighsMost}
      {NAMES[strongest.choice]} instead of {NAMES[chosen?.choice ?? ""]} would make{" "}
      <Figure working={effectWorking(strongest)}>
        {signed(strongest.differenceKwh)} kWh ({signed(strongest.differenceKwh / base, true)})
      </Figure>{" "}
      of {year}.
    </p>
  );
}

const signed = (value: number, share = false): string => `${value >= 0 ? "+" : ""}${share ? percent(value, 2) : number(value)}`;

const effectWorking =
  ({ stage, choice, expectedKwh, differenceKwh }: MethodEffect) =>
  () =>
    differenceWorking(
      `${STAGES[stage]}: ${NAMES[choice]}`,
      { name: `Expected with ${NAMES[choice]}`, kwh: expectedKwh },
      { name: say.expectedAsTheBookHasIt, kwh: expectedKwh - differenceKwh },
    );

function MethodRow({ effect, first, use }: { effect: MethodEffect; first: boolean; use: () => void }) {
  const { stage, choice, chosen, expectedKwh, differenceKwh } = effect;
  const same = Math.abs(differenceKwh) < 0.05;
  return (
    <tr data-chosen={chosen || undefined}>
      <td>{first ? STAGES[stage] : ""}</td>
      <td>
        <b>{NAMES[choice]}</b>
      </td>
      <td className={styles.soft}>{(SOURCES[stage] as Readonly<Record<string, string>>)[choice]}</td>
      <td>
        <Figure plain working={effectWorking(effect)}>
          {number(expectedKwh)}
        </Figure>
      </td>
      <td>
        {chosen && say.inTheBook}
        {!chosen && same && say.noDifferenceHere}
        {!chosen && !same && (
          <Figure plain working={effectWorking(effect)}>
            {`${signed(differenceKwh)} kWh (${signed(differenceKwh / (expectedKwh - differenceKwh), true)})`}
          </Figure>
        )}
      </td>
      <td>
        {!chosen && (
          <Button variant="subtle" size="compact-xs" onClick={use} aria-label={`Use ${NAMES[choice]} for ${STAGES[stage]}`}>
            Use
          </Button>
        )}
      </td>
    </tr>
  );
}
