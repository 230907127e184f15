import { Button } from "@mantine/core";
import { type EstimatedField, estimatedFrom, estimateSpread } from "@/core/module";
import { Figure } from "@/features/kit/figures/Figure";
import { percent } from "@/wording/format";
import { say } from "@/wording/screens/site";
import { estimateWorking } from "@/wording/workings/estimate-working";
import styles from "./SiteChapter.module.css";
import { type SiteForm, type SiteValues, setAt } from "./site-values";

const NAMES: Readonly<Record<EstimatedField, string>> = {
  vocV: "Voc",
  iscA: "Isc",
  vmpV: "Vmp",
  impA: "Imp",
  cellsInSeries: "cells",
  gammaPmpPerK: say.powerByHeat,
  betaVocPerK: say.vocByHeat,
  alphaIscPerK: say.iscByHeat,
};
/** Coefficients have usual values from the start, and stand as they are. */
const COEFFICIENTS_STAND = { gammaPmpPerK: true, betaVocPerK: true, alphaIscPerK: true };

interface Props {
  readonly form: SiteForm;
  readonly type: SiteValues["moduleTypes"][number];
  readonly index: number;
}

const rounded = (field: EstimatedField, value: number): number => Number(value.toFixed(field === "cellsInSeries" ? 0 : 2));

/** Fills what a nameplate leaves out, marked as what it is; and says which of the values that stand are no better. */
export function Estimates({ form, type, index }: Props) {
  const missing = [type.vocV, type.iscA, type.vmpV, type.impA, type.cellsInSeries].some((value) => value === null);
  const estimates = missing && type.pmpW > 0 ? estimatedFrom(type, COEFFICIENTS_STAND) : [];
  const fill = (): void => {
    const path = `moduleTypes.${index}`;
    for (const { field, value } of estimates) setAt(form, `${path}.${field}`, rounded(field, value));
    setAt(form, `${path}.estimated`, [...new Set([...type.estimated, ...estimates.map(({ field }) => field)])]);
  };
  // A value that somebody wrote over since is none of them: what is stored leaves it out.
  const standing = type.estimated.flatMap((field) => {
    const value = type[field];
    return value === null ? [] : [{ field, value, halfFrac: estimateSpread(type, field), name: NAMES[field] }];
  });
  return (
    <>
      {estimates.length > 0 && (
        <Button variant="subtle" size="compact-sm" onClick={fill}>
          {say.estimateWhatIsMissing}
        </Button>
      )}
      {missing && estimates.length === 0 && <p className={styles.hint}>{say.nothingFollows}</p>}
      {standing.length > 0 && (
        <p className={styles.hint}>
          <Figure plain working={() => estimateWorking(type.key, standing)}>
            {say.estimatedOf(standing.map(({ name, halfFrac }) => `${name} ± ${percent(halfFrac, 0)}`).join(", "))}
          </Figure>
        </p>
      )}
    </>
  );
}
