import { NativeSelect } from "@mantine/core";
import { NumberField } from "@/features/kit/fields/NumberField";
import { say } from "@/wording/screens/calculators-sides";
import styles from "../Bench.module.css";
import type { SideForm, SiteMeter } from "./side-form";

interface SideFieldsProps {
  readonly form: SideForm;
  readonly meters: readonly SiteMeter[];
  readonly choose: (meterId: string) => void;
  readonly set: (change: Partial<SideForm>) => void;
  readonly title: string;
}

/** A side: its size, and where its meter sits. */
export function SideFields({ form, meters, choose, set, title }: SideFieldsProps) {
  return (
    <fieldset className={styles.string}>
      <legend>{title}</legend>
      <div className={styles.inputs}>
        {meters.length >= 2 && (
          <NativeSelect
            label={say.meter}
            data={[...meters.map(({ id }) => ({ value: id, label: id })), { value: "", label: say.noneOfTheBook }]}
            value={form.meter}
            onChange={({ currentTarget }) => choose(currentTarget.value)}
          />
        )}
        <NumberField label="Size" unit="kWp" min={0} value={form.kwp} onChange={(kwp) => set({ kwp })} />
        <NativeSelect
          label={say.itsMeterSits}
          data={[
            { value: "ac", label: say.behindTheInverter },
            { value: "dc", label: say.beforeTheInverter },
          ]}
          value={form.point}
          onChange={({ currentTarget }) => set({ point: currentTarget.value as SideForm["point"] })}
        />
        {form.point === "dc" && (
          <>
            <NumberField
              label={say.displayDc}
              unit="W"
              min={0}
              placeholder={say.ifThereIsOne}
              value={form.dcW}
              onChange={(dcW) => set({ dcW })}
            />
            <NumberField
              label={say.displayAc}
              unit="W"
              min={0}
              placeholder={say.ifThereIsOne}
              value={form.acW}
              onChange={(acW) => set({ acW })}
            />
            <NumberField
              label={say.elseEfficiency}
              unit="%"
              min={50}
              max={100}
              value={form.efficiency}
              onChange={(efficiency) => set({ efficiency })}
            />
          </>
        )}
      </div>
    </fieldset>
  );
}
