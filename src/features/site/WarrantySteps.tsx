import { TextInput } from "@mantine/core";
import { useState } from "react";
import type { Warranty } from "@/core/site";
import { say } from "@/wording/screens/site";
import { type SiteForm, setAt } from "./site-values";
import { stepsOf, stepsText } from "./warranty-steps";

/** Levels that a warranty guarantees until an age, where it has steps in place of a line. */
export function WarrantySteps({ form, steps }: { form: SiteForm; steps: Warranty["steps"] }) {
  const [text, setText] = useState(() => stepsText(steps));
  const read = stepsOf(text);
  return (
    <TextInput
      label={say.orStepsYearsPercent}
      placeholder="10: 90, 25: 80"
      value={text}
      error={read === null ? say.writeStepsAs : undefined}
      onChange={(event) => {
        setText(event.currentTarget.value);
        const next = stepsOf(event.currentTarget.value);
        if (next) setAt(form, "warranty.steps", next);
      }}
    />
  );
}
