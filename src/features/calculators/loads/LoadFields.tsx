"use client";

import { Button, Checkbox, TextInput } from "@mantine/core";
import type { Appliance, BatteryTerms } from "@/core/loads";
import { knownNumber } from "@/features/kit/fields/known-number";
import { NumberField } from "@/features/kit/fields/NumberField";
import { say } from "@/wording/screens/calculators-loads";
import styles from "../Bench.module.css";
import type { BenchProps } from "../bench-views";

export const ALL = new Array<boolean>(12).fill(true);

/** April to September, or October to March south of the equator. */
const warmMonths = (latitudeDeg: number): boolean[] => ALL.map((_, m) => (m >= 3 && m <= 8) === latitudeDeg >= 0);

interface ApplianceFieldsProps {
  readonly k: number;
  readonly appliance: Appliance;
  readonly set: (k: number, change: Partial<Appliance>) => void;
  readonly site: BenchProps["site"];
  readonly setAppliances: (next: readonly Appliance[]) => void;
  readonly appliances: readonly Appliance[];
}

export function ApplianceFields({ k, appliance, set, site, setAppliances, appliances }: ApplianceFieldsProps) {
  return (
    <div className={styles.appliance}>
      <TextInput label="Appliance" value={appliance.name} onChange={(event) => set(k, { name: event.currentTarget.value })} />
      <NumberField label="Power, W" min={0} value={appliance.watts} onChange={knownNumber((watts) => set(k, { watts }))} />
      <NumberField label="How many" min={0} value={appliance.count} onChange={knownNumber((count) => set(k, { count }))} />
      <NumberField
        label={say.hADay}
        min={0}
        value={appliance.hoursPerDay}
        onChange={knownNumber((hoursPerDay) => set(k, { hoursPerDay }))}
      />
      <Checkbox
        label="winter too"
        checked={appliance.months.every(Boolean)}
        onChange={(event) => set(k, { months: event.currentTarget.checked ? ALL : warmMonths(site.place.latitudeDeg) })}
      />
      <Button
        variant="subtle"
        size="compact-xs"
        aria-label={`Drop ${appliance.name}`}
        onClick={() => setAppliances(appliances.filter((_, at) => at !== k))}
      >
        drop
      </Button>
    </div>
  );
}

interface BatteryFieldsProps {
  readonly battery: BatteryTerms;
  readonly setTerm: (key: keyof BatteryTerms, scale?: number) => (value: number | string) => void;
  readonly setBattery: (next: BatteryTerms) => void;
}

export function BatteryFields({ battery, setTerm, setBattery }: BatteryFieldsProps) {
  return (
    <div className={styles.inputs}>
      <NumberField label="Capacity" unit="kWh" min={0} value={battery.capacityKwh} onChange={setTerm("capacityKwh")} />
      <NumberField label="Voltage" unit="V" min={1} value={battery.voltageV} onChange={setTerm("voltageV")} />
      <NumberField label={say.mayBeUsed} min={0} max={100} value={battery.usableFrac * 100} onChange={setTerm("usableFrac", 100)} />
      <NumberField
        label="Comes back"
        unit="%"
        min={1}
        max={100}
        value={battery.roundTripFrac * 100}
        onChange={setTerm("roundTripFrac", 100)}
      />
      <NumberField
        label={say.chargerTakesA}
        min={0}
        value={battery.chargerMaxA ?? ""}
        onChange={(value) => setBattery({ ...battery, chargerMaxA: value === "" ? null : Number(value) })}
      />
    </div>
  );
}
