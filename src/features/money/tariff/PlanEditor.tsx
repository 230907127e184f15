"use client";

import { Button, NativeSelect, TextInput } from "@mantine/core";
import type { ReactNode } from "react";
import type { PlanDocument } from "@/contracts/tariff";
import { minorDigits, planFaults } from "@/core/money";
import chapter from "@/features/kit/look/Chapter.module.css";
import { planFaultWords } from "@/wording/money";
import { say } from "@/wording/screens/money-tariff";
import styles from "../MoneyChapter.module.css";
import { HolidaysOf } from "./HolidaysOf";
import { PlanPicture } from "./PlanPicture";
import type { PlanDraft, SeasonDraft } from "./plan-draft";
import { planOfDraft, priced } from "./plan-draft";
import { SeasonFields } from "./SeasonFields";

export interface PlanEditorProps {
  readonly draft: PlanDraft;
  readonly before: PlanDocument | null;
  readonly currency: string;
  /** Names of bands on the bills that are there. */
  readonly billBands: readonly string[];
  readonly onChange: (draft: PlanDraft) => void;
  readonly onRemove: () => void;
}

/** Words of all that is wrong with a draft. */
export function draftFaults(draft: PlanDraft, before: PlanDocument | null, currency: string): string[] {
  const { plan, faults } = planOfDraft(draft, before);
  if (!plan) return faults;
  return planFaults(plan, minorDigits(currency)).map((fault) => Object.values(planFaultWords(fault)).join(" "));
}

/** Fields of a plan that are typed as they are. */
type PlainField = "name" | "from" | "fixedPerMonth" | "fixedPerDay" | "holidays" | "taxPercent" | "levyPerKwh" | "risePercent";

/** One plan: its days, its seasons with their bands, its charges and what export earns. */
export function PlanEditor({ draft, before, currency, billBands, onChange, onRemove }: PlanEditorProps) {
  const set = (change: Partial<PlanDraft>): void => onChange({ ...draft, ...change });
  const field = (key: PlainField, label: string) => (
    <TextInput label={label} value={draft[key]} onChange={(event) => set({ [key]: event.currentTarget.value })} />
  );
  const orNull = (text: string): string | null => (text.trim() === "" ? null : text.trim().replace(",", "."));
  const season = (at: number, change: Partial<SeasonDraft>): void =>
    set({ seasons: draft.seasons.map((each, k) => (k === at ? { ...each, ...change } : each)) });
  const faults = draftFaults(draft, before, currency);
  const bandNames = [...new Set([...billBands, ...draft.seasons.flatMap(({ bands }) => bands.map(({ name }) => name))])].filter(Boolean);
  const isUnpriced = faults.length > 0 && draftFaults(priced(draft), before, currency).length === 0;
  return (
    <details className={styles.plan} open={before === null || undefined}>
      <PlanSummary draft={draft} faults={faults} isUnpriced={isUnpriced} />
      <PlanPicture draft={draft} />
      <PlanFields field={field} draft={draft} set={set} orNull={orNull} currency={currency} />
      <HolidaysOf draft={draft} take={(holidays) => set({ holidays })} />
      {draft.seasons.map((each, at) => (
        <SeasonFields
          // biome-ignore lint/suspicious/noArrayIndexKey: a season's name is being typed
          key={at}
          season={each}
          currency={currency}
          bandNames={bandNames}
          onChange={(change) => season(at, change)}
          onRemove={() => set({ seasons: draft.seasons.filter((_, k) => k !== at) })}
        />
      ))}
      <div className={chapter.actions}>
        <Button
          variant="subtle"
          size="compact-sm"
          onClick={() =>
            set({
              seasons: [...draft.seasons, { name: "season", months: "", bands: [{ name: "all day", days: "all", hours: "", prices: "" }] }],
            })
          }
        >
          {say.addASeason}
        </Button>
        <Button variant="subtle" size="compact-sm" onClick={onRemove}>
          {say.removeThePlan}
        </Button>
      </div>
      {faults.length > 0 && !isUnpriced && (
        <ul className={styles.faults} data-testid="plan-faults">
          {faults.map((words) => (
            <li key={words} data-fatal>
              {words}
            </li>
          ))}
        </ul>
      )}
    </details>
  );
}

interface PlanSummaryProps {
  readonly draft: PlanDraft;
  readonly faults: string[];
  /** All that is wrong is that prices are not typed yet. */
  readonly isUnpriced: boolean;
}

function PlanSummary({ draft, faults, isUnpriced }: PlanSummaryProps) {
  return (
    <summary>
      {draft.name}{" "}
      <span className={chapter.soft}>
        from {draft.from}
        {draft.to ? ` to ${draft.to}` : ""}
      </span>
      {isUnpriced && <span className={chapter.soft}> · {say.pricesToType(faults.length)}</span>}
      {faults.length > 0 && !isUnpriced && (
        <span className={chapter.clay}> · {faults.length === 1 ? say.somethingIsWrong : say.thingsAreWrong(faults.length)}</span>
      )}
    </summary>
  );
}

interface PlanFieldsProps {
  readonly field: (key: PlainField, label: string) => ReactNode;
  readonly draft: PlanDraft;
  readonly set: (change: Partial<PlanDraft>) => void;
  readonly orNull: (text: string) => string | null;
  readonly currency: string;
}

function PlanFields({ field, draft, set, orNull, currency }: PlanFieldsProps) {
  return (
    <div className={styles.grid3}>
      {field("name", "Name")}
      {field("from", "From")}
      <TextInput label={say.toEmptyStill} value={draft.to ?? ""} onChange={(event) => set({ to: orNull(event.currentTarget.value) })} />
      {field("fixedPerMonth", say.fixedAMonth(currency))}
      {field("fixedPerDay", say.fixedADay(currency))}
      <TextInput
        label={say.leastAMonth(currency)}
        value={draft.minimumPerMonth ?? ""}
        onChange={(event) => set({ minimumPerMonth: orNull(event.currentTarget.value) })}
      />
      {field("levyPerKwh", say.leviesAKwh(currency))}
      {field("taxPercent", say.taxesOnAllCharges)}
      {field("risePercent", say.risesAYearBy)}
      {field("holidays", "Holidays (12-25, 2024-04-01)")}
      <NativeSelect
        label="Exported energy"
        value={draft.credit.kind}
        onChange={(event) => set({ credit: { ...draft.credit, kind: event.currentTarget.value as PlanDraft["credit"]["kind"] } })}
        data={[
          { value: "none", label: "earns nothing" },
          { value: "net-metering", label: say.netMeteringPaysForKwh },
          { value: "net-billing", label: say.netBillingMoneyOnTheBill },
          { value: "feed-in", label: say.feedInPaidApart },
        ]}
      />
      <TextInput
        label={say.exportCreditAKwh(currency)}
        value={draft.credit.perKwh ?? ""}
        onChange={(event) => set({ credit: { ...draft.credit, perKwh: orNull(event.currentTarget.value) } })}
      />
      <LevyField draft={draft} set={set} orNull={orNull} />
      <TextInput
        label={say.paidAKwhLeftAtTrue(currency)}
        value={draft.credit.trueUpPerKwh ?? ""}
        onChange={(event) => set({ credit: { ...draft.credit, trueUpPerKwh: orNull(event.currentTarget.value) } })}
      />
      <TextInput
        label={say.demandChargeAKwAndMonth(currency)}
        value={draft.demand?.perKw ?? ""}
        onChange={(event) => {
          const perKw = orNull(event.currentTarget.value);
          set({ demand: perKw === null ? null : { perKw, days: draft.demand?.days ?? "all", hours: draft.demand?.hours ?? [] } });
        }}
      />
    </div>
  );
}

interface LevyFieldProps {
  readonly draft: PlanDraft;
  readonly set: (change: Partial<PlanDraft>) => void;
  readonly orNull: (text: string) => string | null;
}

function LevyField({ draft, set, orNull }: LevyFieldProps) {
  return (
    <TextInput
      label={say.trueUpMonth1To12}
      value={draft.credit.trueUpMonth ?? ""}
      onChange={(event) =>
        set({
          credit: {
            ...draft.credit,
            trueUpMonth: orNull(event.currentTarget.value) === null ? null : Number(event.currentTarget.value),
          },
        })
      }
    />
  );
}
