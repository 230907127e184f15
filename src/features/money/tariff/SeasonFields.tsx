"use client";

import { Button, NativeSelect, TextInput } from "@mantine/core";
import { useId } from "react";
import { say } from "@/wording/screens/money-tariff";
import styles from "../MoneyChapter.module.css";
import type { BandDraft, SeasonDraft } from "./plan-draft";

interface SeasonProps {
  readonly season: SeasonDraft;
  readonly currency: string;
  /** Names that bands have elsewhere, in the plan's other seasons and on bills: one band has one name. */
  readonly bandNames: readonly string[];
  readonly onChange: (change: Partial<SeasonDraft>) => void;
  readonly onRemove: () => void;
}

/** A season of a plan with its bands. */
export function SeasonFields({ season, currency, bandNames, onChange, onRemove }: SeasonProps) {
  const listId = useId();
  const band = (at: number, change: Partial<BandDraft>): void =>
    onChange({ bands: season.bands.map((each, k) => (k === at ? { ...each, ...change } : each)) });
  return (
    <fieldset style={{ border: "none", margin: "10px 0 0", padding: 0 }}>
      <div className={styles.band}>
        <TextInput label="Season" value={season.name} onChange={(event) => onChange({ name: event.currentTarget.value })} />
        <TextInput label="Months (4-9)" value={season.months} onChange={(event) => onChange({ months: event.currentTarget.value })} />
        <span />
        <Button
          variant="subtle"
          size="compact-xs"
          onClick={() => onChange({ bands: [...season.bands, { name: "band", days: "all", hours: "", prices: "" }] })}
        >
          {say.addABand}
        </Button>
        <Button variant="subtle" size="compact-xs" onClick={onRemove}>
          Remove season
        </Button>
      </div>
      <datalist id={listId}>
        {bandNames.map((name) => (
          <option key={name} value={name} />
        ))}
      </datalist>
      {season.bands.map((each, at) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: a band's name is being typed
        <div className={styles.band} key={at}>
          <TextInput label="Band" list={listId} value={each.name} onChange={(event) => band(at, { name: event.currentTarget.value })} />
          <NativeSelect
            label="Days"
            value={each.days}
            onChange={(event) => band(at, { days: event.currentTarget.value })}
            data={["all", "weekdays", "weekends"]}
          />
          <TextInput
            label={say.hours720EmptyTheRest}
            value={each.hours}
            onChange={(event) => band(at, { hours: event.currentTarget.value })}
          />
          <TextInput
            label={say.aKwhTiers300021(currency)}
            value={each.prices}
            onChange={(event) => band(at, { prices: event.currentTarget.value })}
          />
          <Button
            variant="subtle"
            size="compact-xs"
            aria-label={`Remove band ${each.name}`}
            onClick={() => onChange({ bands: season.bands.filter((_, k) => k !== at) })}
          >
            Remove
          </Button>
        </div>
      ))}
    </fieldset>
  );
}
