"use client";

import { NativeSelect } from "@mantine/core";
import { AVERAGE_MINUTES } from "@/contracts/acceptance";
import { DateField } from "@/features/kit/fields/DateField";
import { NumberField } from "@/features/kit/fields/NumberField";
import { say } from "@/wording/screens/acceptance";
import styles from "./Acceptance.module.css";
import type { CapacityTyped } from "./capacity-terms";

interface CapacityFieldsProps {
  readonly typed: CapacityTyped;
  readonly put: (part: Partial<CapacityTyped>) => void;
}

/** Terms of a capacity test: period, filters, reporting conditions, target. */
export function CapacityFields({ typed, put }: CapacityFieldsProps) {
  return (
    <div className={styles.fields}>
      <DateField label={say.firstDay} value={typed.from} onChange={(from) => put({ from })} />
      <DateField label={say.lastDay} value={typed.to} onChange={(to) => put({ to })} />
      <NativeSelect
        label={say.interval}
        data={[
          { value: "", label: say.asReadingsAllow },
          ...AVERAGE_MINUTES.map((minutes) => ({ value: String(minutes), label: say.minutes(minutes) })),
        ]}
        value={String(typed.averageMinutes ?? "")}
        onChange={({ currentTarget }) =>
          put({ averageMinutes: AVERAGE_MINUTES.find((minutes) => String(minutes) === currentTarget.value) ?? null })
        }
      />
      <NumberField label={say.leastLight} min={50} max={1000} value={typed.leastWm2} onChange={(leastWm2) => put({ leastWm2 })} />
      <NumberField label={say.swing} min={1} max={100} value={typed.swingPercent} onChange={(swingPercent) => put({ swingPercent })} />
      <NumberField label={say.band} min={1} max={100} value={typed.bandPercent} onChange={(bandPercent) => put({ bandPercent })} />
      <NumberField label={say.passLine} min={30} max={150} value={typed.passPercent} onChange={(passPercent) => put({ passPercent })} />
      <NativeSelect
        label={say.conditions}
        data={[
          { value: "found", label: say.found },
          { value: "given", label: say.given },
        ]}
        value={typed.areConditionsGiven ? "given" : "found"}
        onChange={(event) => put({ areConditionsGiven: event.currentTarget.value === "given" })}
      />
      {typed.areConditionsGiven && (
        <>
          <NumberField label={say.light} min={100} max={1500} value={typed.poaWm2} onChange={(poaWm2) => put({ poaWm2 })} />
          <NumberField label={say.air} min={-40} max={60} value={typed.airTempC} onChange={(airTempC) => put({ airTempC })} />
          <NumberField label={say.wind} min={0} max={40} value={typed.windSpeedMs} onChange={(windSpeedMs) => put({ windSpeedMs })} />
        </>
      )}
      <NativeSelect
        label={say.target}
        data={[
          { value: "model", label: say.targetModel },
          { value: "agreed", label: say.targetAgreed },
        ]}
        value={typed.isTargetAgreed ? "agreed" : "model"}
        onChange={(event) => put({ isTargetAgreed: event.currentTarget.value === "agreed" })}
      />
      {typed.isTargetAgreed && (
        <NumberField label={say.targetKw} min={0} value={typed.targetKw} onChange={(targetKw) => put({ targetKw })} />
      )}
    </div>
  );
}
