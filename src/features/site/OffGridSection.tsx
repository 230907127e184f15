import { Button, Select } from "@mantine/core";
import { BATTERY_KINDS, isOffGrid, mostChargingW, nameplateW, type Site } from "@/core/site";
import { NumberField } from "@/features/kit/fields/NumberField";
import { Figure } from "@/features/kit/figures/Figure";
import chapter from "@/features/kit/look/Chapter.module.css";
import { measure, number } from "@/wording/format";
import { BATTERY_NAMES } from "@/wording/screens/calculators-gear";
import { say } from "@/wording/screens/site-wiring";
import { chargingWorking } from "@/wording/workings/site-workings";
import { OpenNumber } from "./fields";
import styles from "./SiteChapter.module.css";
import { type SiteForm, setAt } from "./site-values";
import { AddButton } from "./view-parts";

interface Props {
  readonly form: SiteForm;
  readonly site: Site;
}

/** A charge controller and a battery: in place of an inverter, or before one, or neither. */
export function OffGridSection({ form, site }: Props) {
  const { chargeController, battery } = form.values;
  return (
    <section className={chapter.section}>
      <h2>{say.offTheGrid}</h2>
      {chargeController ? (
        <div className={styles.type}>
          <div className={styles.three}>
            <OpenNumber form={form} label={say.controllerMaxA} path="chargeController.maxA" />
          </div>
          <Button variant="subtle" size="compact-sm" onClick={() => form.setFieldValue("chargeController", null)}>
            {say.removeTheController}
          </Button>
        </div>
      ) : (
        <AddButton onClick={() => form.setFieldValue("chargeController", { maxA: null })}>{say.addAController}</AddButton>
      )}
      {battery ? (
        <div className={styles.type}>
          <div className={styles.three}>
            <Select
              label="Battery"
              data={BATTERY_KINDS.map((value) => ({ value, label: BATTERY_NAMES[value] }))}
              placeholder="not known"
              clearable
              value={battery.kind}
              onChange={(kind) => setAt(form, "battery.kind", kind)}
            />
            <NumberField label="Capacity" unit="kWh" {...form.getInputProps("battery.capacityKwh")} />
            <OpenNumber form={form} label="Voltage" unit="V" path="battery.voltageV" />
          </div>
          <Button variant="subtle" size="compact-sm" onClick={() => form.setFieldValue("battery", null)}>
            {say.removeTheBattery}
          </Button>
        </div>
      ) : (
        <AddButton onClick={() => form.setFieldValue("battery", { kind: null, capacityKwh: 5, voltageV: null })}>
          {say.addABattery}
        </AddButton>
      )}
      <ChargingLimit site={site} />
    </section>
  );
}

/** What the controller lets through of the array's power, and what that means for the account. */
function ChargingLimit({ site }: { readonly site: Site }) {
  const mostW = mostChargingW(site.chargeController, site.battery);
  const arrayW = nameplateW(site);
  return (
    <>
      {mostW !== null && (
        <p className={mostW < arrayW ? chapter.clay : chapter.soft} data-testid="charging-limit">
          {say.controllerLets}
          <Figure working={() => chargingWorking(mostW, site.chargeController!, site.battery!)}>{measure(mostW, "W")}</Figure>
          {say.intoTheBattery(`${number(arrayW)} W`, mostW < arrayW)}
        </p>
      )}
      {isOffGrid(site) && <p className={chapter.soft}>{say.offTheGridUndrawn}</p>}
    </>
  );
}
