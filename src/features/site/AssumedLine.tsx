import { Button } from "@mantine/core";
import chapter from "@/features/kit/look/Chapter.module.css";
import { ASSUMPTION_WORDS } from "@/wording/screens/opening";
import { say } from "@/wording/screens/site";
import type { SiteForm } from "./site-values";

/** What nobody said when the book was opened, until somebody does. */
export function AssumedLine({ form }: { form: SiteForm }) {
  const { assumed } = form.values;
  if (assumed.length === 0) return null;
  return (
    <p className={chapter.soft} data-testid="assumed">
      {say.assumedOf(assumed.map((what) => ASSUMPTION_WORDS[what]).join(", "))}{" "}
      <Button variant="subtle" size="compact-sm" onClick={() => form.setFieldValue("assumed", [])}>
        {say.theyAreRight}
      </Button>
    </p>
  );
}
