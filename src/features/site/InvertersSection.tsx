import { Button, Input, MultiSelect, Select } from "@mantine/core";
import { inverterSchema } from "@/contracts/site";
import { NumberField } from "@/features/kit/fields/NumberField";
import chapter from "@/features/kit/look/Chapter.module.css";
import { say } from "@/wording/screens/site";
import { DeratingFields } from "./DeratingFields";
import { OpenNumber, PercentInput } from "./fields";
import { freeId } from "./free-id";
import styles from "./SiteChapter.module.css";
import type { SiteForm } from "./site-values";
import { AddButton } from "./view-parts";

export function InvertersSection({ form }: { form: SiteForm }) {
  const arrays = form.values.arrays.map((array) => ({ value: array.id, label: array.name || array.id }));
  const add = (): void => {
    const id = freeId(
      "inverter",
      form.values.inverters.map((inverter) => inverter.id),
    );
    const free = arrays
      .filter(({ value }) => !form.values.inverters.some((inverter) => inverter.arrays.includes(value)))
      .map(({ value }) => value);
    form.insertListItem("inverters", inverterSchema.parse({ id, arrays: free.length > 0 ? free : [arrays[0]!.value], acRatedW: 5000 }));
  };
  return (
    <section className={chapter.section}>
      <h2>Inverters</h2>
      {form.values.inverters.map((inverter, i) => (
        <div className={styles.type} key={inverter.id}>
          <div className={styles.four}>
            <FixedName name={inverter.id} />
            <NumberField
              label={inverter.perModule ? say.acRatingAModuleW : say.acRatingW}
              {...form.getInputProps(`inverters.${i}.acRatedW`)}
            />
            <PercentInput form={form} label="Efficiency, %" path={`inverters.${i}.ratedEfficiencyFrac`} />
            <Select
              label="One for"
              data={[
                { value: "site", label: "its arrays" },
                { value: "module", label: "each module" },
              ]}
              allowDeselect={false}
              value={inverter.perModule ? "module" : "site"}
              onChange={(value) => form.setFieldValue(`inverters.${i}.perModule`, value === "module")}
            />
            <MultiSelect
              classNames={{ input: styles.many! }}
              className={styles.two}
              label="On arrays"
              data={arrays}
              {...form.getInputProps(`inverters.${i}.arrays`)}
            />
            <OpenNumber form={form} label="Inputs" path={`inverters.${i}.inputs`} />
            <OpenNumber form={form} label="Input, A" path={`inverters.${i}.inputMaxA`} />
            <OpenNumber form={form} label={say.highestDcV} path={`inverters.${i}.maxDcV`} />
            <OpenNumber form={form} label={say.windowFromV} path={`inverters.${i}.mpptMinV`} />
            <OpenNumber form={form} label={say.windowToV} path={`inverters.${i}.mpptMaxV`} />
            <OpenNumber form={form} label={say.exportLimitW} path={`inverters.${i}.exportLimitW`} />
            <DeratingFields form={form} path={`inverters.${i}.heatDerating`} derating={inverter.heatDerating ?? null} />
          </div>
          <Button variant="subtle" size="compact-sm" onClick={() => form.removeListItem("inverters", i)}>
            {`Remove ${inverter.id}`}
          </Button>
        </div>
      ))}
      <AddButton onClick={add}>{say.addAnInverter}</AddButton>
    </section>
  );
}

/** A name by which readings and revisions know something: it stands, and is not typed over. */
const FixedName = ({ name }: { name: string }) => (
  <Input.Wrapper label="Name" labelElement="div">
    <p className={styles.fixedName}>{name}</p>
  </Input.Wrapper>
);

export const POINTS = [
  { value: "dc", label: say.dcBeforeTheInverter },
  { value: "ac", label: "AC, production" },
  { value: "net", label: say.netAtTheGrid },
  { value: "export", label: "export only" },
  { value: "import", label: "import only" },
] as const;

export function MetersSection({ form }: { form: SiteForm }) {
  const arrays = form.values.arrays.map((array) => ({ value: array.id, label: array.name || array.id }));
  return (
    <section className={chapter.section}>
      <h2>Metering points</h2>
      {form.values.meters.map((meter, i) => (
        <div className={styles.type} key={meter.id}>
          <div className={styles.three}>
            <FixedName name={meter.id} />
            <Select label="Point" data={[...POINTS]} allowDeselect={false} {...form.getInputProps(`meters.${i}.point`)} />
            <MultiSelect
              classNames={{ input: styles.many! }}
              label="Arrays"
              data={arrays}
              placeholder={meter.arrays.length === 0 ? "all" : ""}
              {...form.getInputProps(`meters.${i}.arrays`)}
            />
          </div>
          {form.values.meters.length > 1 && (
            <Button variant="subtle" size="compact-sm" onClick={() => form.removeListItem("meters", i)}>
              {`Remove ${meter.id}`}
            </Button>
          )}
        </div>
      ))}
      <AddButton
        onClick={() =>
          form.insertListItem("meters", {
            id: freeId(
              "meter",
              form.values.meters.map((meter) => meter.id),
            ),
            point: "ac" as const,
            arrays: [],
          })
        }
      >
        {say.addAMeter}
      </AddButton>
      <p className={chapter.soft}>{say.whatAMeterShowsDependsOn}</p>
    </section>
  );
}
