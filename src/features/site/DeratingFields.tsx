import type { HeatDerating } from "@/core/site";
import { NumberField } from "@/features/kit/fields/NumberField";
import { say } from "@/wording/screens/site";
import { PercentInput } from "./fields";
import { type SiteForm, setAt } from "./site-values";

interface Props {
  readonly form: SiteForm;
  readonly path: string;
  readonly derating: HeatDerating | null;
}

/** What comes with a first temperature: a usual slope, in the shade. */
const USUAL = { perKFrac: 0.025, overAirK: 0 } as const;

/** An inverter's rating in the heat: from which temperature on it falls, how fast, and how warm it hangs. Left open, it never falls. */
export function DeratingFields({ form, path, derating }: Props) {
  return (
    <>
      <NumberField
        label={say.fallsFromC}
        value={derating?.fromC ?? ""}
        placeholder="never"
        onChange={(next) => setAt(form, path, next === "" ? null : { ...USUAL, ...derating, fromC: next })}
      />
      {derating && (
        <>
          <PercentInput form={form} label={say.byPercentAK} path={`${path}.perKFrac`} />
          <NumberField label={say.warmerThanTheAirK} value={derating.overAirK} onChange={(next) => setAt(form, `${path}.overAirK`, next)} />
        </>
      )}
    </>
  );
}
