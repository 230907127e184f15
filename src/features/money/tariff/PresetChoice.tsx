"use client";

import { Button } from "@mantine/core";
import { useState } from "react";
import chapter from "@/features/kit/look/Chapter.module.css";
import { say } from "@/wording/screens/money-tariff";
import styles from "../MoneyChapter.module.css";
import { PlanPicture } from "./PlanPicture";
import { PLAN_PRESETS, type PlanPreset } from "./plan-presets";

interface Props {
  readonly words: string;
  readonly isOpen: boolean;
  readonly choose: (preset: PlanPreset) => void;
}

/** A new plan begins with how it is built: structures by name, the chosen one drawn, no number invented. */
export function PresetChoice({ words, isOpen, choose }: Props) {
  const [isChoosing, setChoosing] = useState(isOpen);
  const [preset, setPreset] = useState(PLAN_PRESETS[isOpen ? 2 : 0]!);
  if (!isChoosing)
    return (
      <Button variant="subtle" size="compact-sm" onClick={() => setChoosing(true)}>
        {words}
      </Button>
    );
  return (
    <div data-testid="plan-presets">
      <p className={chapter.soft}>{say.chooseItsStructure}</p>
      <div className={styles.presets}>
        {PLAN_PRESETS.map((each) => (
          <Button
            key={each.id}
            variant={each.id === preset.id ? "filled" : "default"}
            size="compact-sm"
            aria-pressed={each.id === preset.id}
            onClick={() => setPreset(each)}
          >
            {each.name}
          </Button>
        ))}
      </div>
      <PlanPicture draft={preset.draft(`preset-${preset.id}`, "2024-01-01")} />
      <Button
        onClick={() => {
          choose(preset);
          setChoosing(false);
        }}
      >
        {say.takeThisStructure(preset.name)}
      </Button>
    </div>
  );
}
