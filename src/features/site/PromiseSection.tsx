import { Button, NativeSelect } from "@mantine/core";
import { useState } from "react";
import { sharedByShape } from "@/core/money";
import { CLIMATES, type Climate } from "@/core/weather";
import { useEngineAnswer, useGeometry } from "@/features/data/geometry/use-geometry";
import { NumberField } from "@/features/kit/fields/NumberField";
import { pastedNumbers } from "@/features/kit/fields/pasted-numbers";
import chapter from "@/features/kit/look/Chapter.module.css";
import { MONTHS_SHORT } from "@/wording/geometry";
import { CLIMATE_NAMES } from "@/wording/screens/readings-sunshine";
import { say } from "@/wording/screens/site-promise";
import styles from "./SiteChapter.module.css";
import type { SiteForm } from "./site-values";
import { AddButton, type SiteViewProps } from "./view-parts";

/** The promise, month by month; of a quote with a year's total alone the months are spread by the expected shape, and marked. */
export function PromiseSection({ slug, draft: { form, site }, year }: SiteViewProps) {
  const { promise } = form.values;
  return (
    <section className={chapter.section}>
      <h2>{say.promiseOfTheDesignStatementKwh}</h2>
      {promise ? (
        <>
          <div className={styles.months}>
            {MONTHS_SHORT.map((month, i) => (
              <NumberField
                key={month}
                label={month}
                grouped
                {...form.getInputProps(`promise.monthlyKwh.${i}`)}
                onChange={(kwh) => {
                  // A month that somebody types is the quote's own.
                  const monthlyKwh = promise.monthlyKwh.map((own, k) => (k === i ? (kwh as number) : own));
                  form.setFieldValue("promise", { monthlyKwh, isSpread: false });
                }}
                onPaste={(event) => {
                  // A column of a sheet fills the months from here on.
                  const pasted = pastedNumbers(event.clipboardData.getData("text/plain"));
                  if (!pasted) return;
                  event.preventDefault();
                  const monthlyKwh = promise.monthlyKwh.map((kwh, k) => pasted[k - i] ?? kwh);
                  form.setFieldValue("promise", { monthlyKwh, isSpread: false });
                }}
              />
            ))}
          </div>
          <YearTotal slug={slug} site={site} year={year} form={form} />
          {promise.isSpread && <p className={chapter.soft}>{say.promiseIsSpread}</p>}
          <AddButton onClick={() => form.setFieldValue("promise", null)}>{say.takeThePromiseOut}</AddButton>
        </>
      ) : (
        <AddButton onClick={() => form.setFieldValue("promise", { monthlyKwh: new Array<number>(12).fill(0), isSpread: false })}>
          {say.writeItDown}
        </AddButton>
      )}
    </section>
  );
}

interface YearTotalProps {
  readonly slug: string;
  readonly site: SiteViewProps["draft"]["site"];
  readonly year: string | null;
  readonly form: SiteForm;
}

/** A year's total that a quote gives alone. Without weather the climate gives the shape: a cloudless year's winters are too bright. */
function YearTotal({ slug, site, year, form }: YearTotalProps) {
  const [total, setTotal] = useState<number | string>("");
  const [climate, setClimate] = useState<Climate | "">("");
  const isReady = typeof total === "number" && (year !== null || climate !== "");
  const { engine } = useGeometry(slug, year, climate === "" ? null : climate);
  const years = useEngineAnswer(isReady ? engine : null, [site], (remote, asked) => remote.planes(asked));
  const shape = isReady ? (years?.[0]?.monthsKwh ?? null) : null;
  const spread = (): void => {
    if (shape && typeof total === "number") form.setFieldValue("promise", { monthlyKwh: sharedByShape(total, shape), isSpread: true });
  };
  return (
    <div className={styles.yearTotal}>
      <NumberField label={say.orAYearsTotal} unit="kWh" min={0} grouped value={total} onChange={setTotal} />
      {year === null && (
        <NativeSelect
          label={say.byTheClimate}
          value={climate}
          data={[
            { value: "", label: say.chooseAClimate },
            ...Object.keys(CLIMATES).map((id) => ({ value: id, label: CLIMATE_NAMES[id as Climate] })),
          ]}
          onChange={({ currentTarget }) => setClimate(currentTarget.value as Climate | "")}
        />
      )}
      <Button variant="default" size="xs" disabled={!shape} onClick={spread}>
        {say.spreadItOverTheMonths}
      </Button>
    </div>
  );
}
