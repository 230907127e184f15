"use client";

import { Button, Modal, NativeSelect, SegmentedControl } from "@mantine/core";
import { useState } from "react";
import { dateName, measure, number } from "@/wording/format";
import { say } from "@/wording/screens/shell";
import {
  REGION_IDS,
  type RegionId,
  regionOf,
  WRITING_COOKIE,
  type Writing,
  writingCode,
  writingNow,
  writingOf,
  writtenAs,
} from "@/wording/writing";
import styles from "./WritingPanel.module.css";

const YEAR_S = 31_536_000;

/** How numbers, days and units are written for this reader; kept by the browser. Files keep to SI and points. */
export function WritingPanel({ opened, close }: { readonly opened: boolean; readonly close: () => void }) {
  return (
    <Modal opened={opened} onClose={close} title={say.numbersAndUnits} size={460} transitionProps={{ duration: 0 }}>
      {opened && <Choice />}
    </Modal>
  );
}

function Choice() {
  const [chosen, setChosen] = useState<Writing>(() => writingOf(writingNow().code));
  const use = (): void => {
    // biome-ignore lint/suspicious/noDocumentCookie: the one cookie of the house, read by the server before it draws
    document.cookie = `${WRITING_COOKIE}=${writingCode(chosen)}; path=/; max-age=${YEAR_S}; samesite=lax`;
    window.location.reload();
  };
  return (
    <div className={styles.choice}>
      <NativeSelect
        label={say.numbersAndDaysAsIn}
        value={chosen.region}
        data={REGION_IDS.map((id) => ({ value: id, label: regionOf(id).name }))}
        onChange={({ currentTarget }) => {
          const region = currentTarget.value as RegionId;
          setChosen({ region, units: regionOf(region).units });
        }}
      />
      <SegmentedControl
        aria-label={say.units}
        data={[
          { value: "metric", label: say.metric },
          { value: "imperial", label: say.imperial },
        ]}
        value={chosen.units}
        onChange={(units) => setChosen({ ...chosen, units: units })}
      />
      <p className={styles.sample}>{writtenAs(chosen, sample)}</p>
      <p className={styles.note}>{say.filesKeepToSi}</p>
      <Button onClick={use}>{say.useIt}</Button>
    </div>
  );
}

const sample = (): string =>
  [`${number(12_345.6, 1)} kWh`, dateName("2025-10-07"), measure(21, "°C"), measure(12.5, "m", 1), measure(4.2, "m/s", 1)].join(" · ");
