import { Checkbox } from "@mantine/core";
import chapter from "@/features/kit/look/Chapter.module.css";
import { HAVE_WORDS, say } from "@/wording/screens/opening";
import styles from "./Opening.module.css";
import { HAVES, type Have } from "./opening";

/** What is at hand, to tick. */
export function HaveStep({ has, change }: { has: readonly Have[]; change: (has: readonly Have[]) => void }) {
  return (
    <section className={chapter.section}>
      <h2>{say.whatYouHave}</h2>
      <p className={chapter.soft}>{has.length === 0 ? `${say.whatYouHaveHow} ${say.nothingYet}` : say.whatYouHaveHow}</p>
      <div className={styles.haves}>
        {HAVES.map((have) => (
          <Checkbox
            key={have}
            label={HAVE_WORDS[have]}
            checked={has.includes(have)}
            onChange={(event) => change(event.currentTarget.checked ? [...has, have] : has.filter((other) => other !== have))}
          />
        ))}
      </div>
    </section>
  );
}
