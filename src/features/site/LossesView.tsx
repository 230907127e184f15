import { Button, Select, TextInput } from "@mantine/core";
import { NumberField } from "@/features/kit/fields/NumberField";
import chapter from "@/features/kit/look/Chapter.module.css";
import { say } from "@/wording/screens/site";
import { OpenNumber, OpenPercent, PercentInput } from "./fields";
import { PromiseSection } from "./PromiseSection";
import styles from "./SiteChapter.module.css";
import type { SiteForm } from "./site-values";
import { AddButton, type SiteViewProps } from "./view-parts";
import { WarrantySteps } from "./WarrantySteps";

/** Shares that the owner expects to lose, ageing, the promise, and what it all cost. */
export function LossesView(props: SiteViewProps) {
  const { form } = props.draft;
  return (
    <div className={`${chapter.columns} ${styles.halves}`}>
      <div>
        <LossesSection form={form} />
        <AgeingSection form={form} />
      </div>
      <div>
        <PromiseSection {...props} />
        <SumsSection form={form} list="costs" title="Costs" />
        <SumsSection form={form} list="incentives" title={say.grantsAndRebates} />
        <TariffSection form={form} />
      </div>
    </div>
  );
}

function LossesSection({ form }: { form: SiteForm }) {
  return (
    <section className={chapter.section}>
      <h2>Losses budgeted</h2>
      <div className={styles.three}>
        <PercentInput form={form} label="Soiling, %" path="losses.soilingFrac" />
        <PercentInput form={form} label="Mismatch, %" path="losses.mismatchFrac" />
        <PercentInput form={form} label="DC wiring, %" path="losses.dcWiringFrac" />
        <PercentInput form={form} label="AC wiring, %" path="losses.acWiringFrac" />
        <PercentInput form={form} label="Transformer, %" path="losses.transformerFrac" />
        <NumberField label={say.transformerNoLoadW} {...form.getInputProps("losses.transformerNoLoadW")} />
        <OpenNumber form={form} label={say.exportLimitOfTheSiteW} path="exportLimitW" />
        <PercentInput form={form} label="Downtime, %" path="losses.availabilityFrac" />
        <NumberField label={say.albedoOfTheGround0To} decimalScale={2} {...form.getInputProps("albedo")} />
        <Select
          label="Reflection model"
          data={[
            { value: "martin-ruiz", label: "Martin & Ruiz" },
            { value: "ashrae", label: "ASHRAE" },
            { value: "fresnel", label: "Fresnel" },
          ]}
          allowDeselect={false}
          {...form.getInputProps("models.reflection")}
        />
      </div>
    </section>
  );
}

function AgeingSection({ form }: { form: SiteForm }) {
  const { warranty } = form.values;
  return (
    <section className={chapter.section}>
      <h2>{say.ageingAndWarranty}</h2>
      <div className={styles.three}>
        <PercentInput form={form} label={say.ageingInTheFirstYear} path="ageing.firstYearFrac" />
        <PercentInput form={form} label={say.ageingAYearAfter} path="ageing.perYearFrac" />
      </div>
      {warranty ? (
        <div className={styles.three}>
          <OpenNumber form={form} label="Warranty" unit="years" path="warranty.years" />
          <PercentInput form={form} label={say.firstYearAllowed} path="warranty.firstYearFrac" />
          <PercentInput form={form} label={say.aYearAfterAllowed} path="warranty.perYearFrac" />
          <WarrantySteps form={form} steps={warranty.steps ?? []} />
          <PercentInput form={form} label={say.ratingsTolerance} path="warranty.toleranceFrac" />
        </div>
      ) : (
        <AddButton
          onClick={() =>
            form.setFieldValue("warranty", { years: 25, firstYearFrac: 0.02, perYearFrac: 0.0055, steps: [], toleranceFrac: 0 })
          }
        >
          {say.addTheModulesWarranty}
        </AddButton>
      )}
    </section>
  );
}

function SumsSection({ form, list, title }: { form: SiteForm; list: "costs" | "incentives"; title: string }) {
  const path = `money.${list}` as const;
  return (
    <section className={chapter.section}>
      <h2>{`${title}, ${form.values.currency}`}</h2>
      {form.values.money[list].map((_, i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: sums are edited here, so the place is the key
        <div className={styles.sums} key={i}>
          <TextInput label="On (2019-04-01)" {...form.getInputProps(`${path}.${i}.on`)} />
          <TextInput label="Amount" {...form.getInputProps(`${path}.${i}.amount`)} />
          <TextInput label="For" {...form.getInputProps(`${path}.${i}.what`)} />
          <Button
            variant="subtle"
            size="compact-sm"
            onClick={() => form.removeListItem(path, i)}
            aria-label={`Remove ${title.toLowerCase()} ${i + 1}`}
          >
            Remove
          </Button>
        </div>
      ))}
      <AddButton onClick={() => form.insertListItem(path, { on: form.values.commissioned ?? "2025-01-01", amount: "0.00", what: "" })}>
        {say.addASum}
      </AddButton>
    </section>
  );
}

function TariffSection({ form }: { form: SiteForm }) {
  const text = (key: "importPerKwh" | "exportPerKwh", label: string) => (
    <TextInput
      label={label}
      {...form.getInputProps(`money.tariff.${key}`)}
      value={form.values.money.tariff[key] ?? ""}
      onChange={(event) => form.setFieldValue(`money.tariff.${key}`, event.currentTarget.value === "" ? null : event.currentTarget.value)}
    />
  );
  return (
    <section className={chapter.section}>
      <h2>{say.priceOfAKilowattHour}</h2>
      <div className={styles.four}>
        {text("importPerKwh", "Bought")}
        {text("exportPerKwh", "Sold")}
        <OpenPercent form={form} label={say.usedOnTheSpot} path="money.tariff.selfUsedFrac" placeholder={say.notTold} />
        <PercentInput form={form} label={say.riseAYear} path="money.tariff.priceRisePerYearFrac" />
        <PercentInput form={form} label={say.exportRiseAYear} path="money.tariff.exportRisePerYearFrac" />
      </div>
    </section>
  );
}
