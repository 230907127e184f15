"use client";

import { Button, Checkbox, NativeSelect, Textarea, TextInput } from "@mantine/core";
import { useLocalStorage } from "@mantine/hooks";
import { type Dispatch, type SetStateAction, useState } from "react";
import { type EntryKind, entryKinds, type NewEntryInput, newEntrySchema } from "@/contracts/field-book";
import type { SiteDocument } from "@/contracts/site";
import { DateField } from "@/features/kit/fields/DateField";
import chapter from "@/features/kit/look/Chapter.module.css";
import { modelEffectInWords } from "@/wording/field-book";
import { say } from "@/wording/screens/field-book-entries";
import styles from "../FieldBook.module.css";
import type { EntryQueue } from "../use-entry-queue";
import { CARE, KIND_NAMES, LASTS, VALUE_FIELD } from "./kind-fields";
import { PhotoField } from "./PhotoField";

interface Draft {
  readonly kind: EntryKind;
  readonly from: string;
  readonly to: string;
  readonly array: string;
  readonly meter: string;
  readonly note: string;
  readonly value: string;
  readonly cost: string;
  readonly who: string;
  readonly apply: boolean;
}

const blank = (today: string, who: string): Draft => ({
  ...{ kind: "cleaning", from: today, to: "", array: "", meter: "", note: "", value: "", cost: "", who, apply: true },
});

const QUICK: readonly EntryKind[] = entryKinds.filter((kind) => !["spot-check", "inverter-reading", "trial"].includes(kind));

interface Props {
  readonly slug: string;
  readonly site: SiteDocument;
  readonly today: string;
  readonly queue: EntryQueue;
}

/** A quick entry, made for a phone in one hand; what is typed stays in the browser until it is written. */
export function EntryForm({ slug, site, today, queue }: Props) {
  const [draft, setDraft] = useLocalStorage<Draft>({ key: `dusty-ledger:entry-draft:${slug}`, defaultValue: blank(today, "") });
  const [photo, setPhoto] = useState<Blob | null>(null);
  const [saved, setSaved] = useState("");
  const set = (change: Partial<Draft>): void => setDraft((current) => ({ ...current, ...change }));
  const entry: NewEntryInput = {
    kind: draft.kind,
    from: draft.from,
    to: LASTS.includes(draft.kind) && draft.to !== "" ? draft.to : draft.from,
    array: draft.array,
    meter: draft.meter,
    note: draft.note,
    value: VALUE_FIELD[draft.kind] ? draft.value : "",
    cost: draft.cost.trim() === "" ? null : draft.cost.trim().replace(",", "."),
    who: draft.who,
  };
  const read = newEntrySchema.safeParse(entry);
  const problem = draft.from === "" ? say.giveTheDay : read.success ? null : (read.error.issues[0]?.message ?? "");
  const effect = read.success ? modelEffectInWords(site, read.data) : null;
  const before = site.commissioned !== null && draft.from !== "" && draft.from < site.commissioned;
  const write = async (): Promise<void> => {
    setSaved("Sending …");
    const isSent = await queue.write({ ...entry, apply: Boolean(effect?.revision && draft.apply) }, photo);
    setSaved(isSent ? say.ofIsWrittenDown(KIND_NAMES[draft.kind], draft.from) : "");
    // Who writes several writes several of one kind.
    setDraft({ ...blank(today, draft.who), kind: draft.kind });
    setPhoto(null);
  };
  return (
    <form
      className={`${chapter.section} ${styles.form}`}
      onSubmit={(event) => {
        event.preventDefault();
        void write();
      }}
    >
      <h2>{say.writeItDown}</h2>
      <fieldset className={styles.kinds} aria-label="Kind">
        {QUICK.map((kind) => (
          <button key={kind} type="button" aria-pressed={kind === draft.kind} onClick={() => set({ kind })}>
            {KIND_NAMES[kind]}
          </button>
        ))}
      </fieldset>
      <EntryFields draft={draft} set={set} site={site} photo={photo} setPhoto={setPhoto} />
      {before && <p className={chapter.clay}>{say.liesBeforeThisPlantWasCommissioned(draft.from, site.commissioned)}</p>}
      {effect && !before && (
        <p className={`${styles.effect} ${effect.unclear ? chapter.clay : ""}`} data-testid="effect">
          {effect.text}
        </p>
      )}
      {effect?.revision && (
        <Checkbox
          label={say.putThisIntoTheModelAs}
          checked={draft.apply}
          onChange={(event) => set({ apply: event.currentTarget.checked })}
        />
      )}
      {problem && <p className={chapter.clay}>{problem}</p>}
      <div className={chapter.actions}>
        <Button type="submit" disabled={problem !== null || before || Boolean(effect?.unclear && draft.value !== "")}>
          {say.writeItDown}
        </Button>
        <span role="status">{saved}</span>
      </div>
      {CARE[draft.kind] && <p className={chapter.caution}>{CARE[draft.kind]}</p>}
    </form>
  );
}

interface EntryFieldsProps {
  readonly draft: Draft;
  readonly set: (change: Partial<Draft>) => void;
  readonly site: Props["site"];
  readonly photo: Blob | null;
  readonly setPhoto: Dispatch<SetStateAction<Blob | null>>;
}

function EntryFields({ draft, set, site, photo, setPhoto }: EntryFieldsProps) {
  return (
    <div className={styles.fields}>
      <DateField label={LASTS.includes(draft.kind) ? "First day" : "Day"} value={draft.from} onChange={(from) => set({ from })} />
      {LASTS.includes(draft.kind) && <DateField label="Last day" value={draft.to || draft.from} onChange={(to) => set({ to })} />}
      {site.arrays.length > 1 && (
        <NativeSelect
          label="Array"
          data={[{ value: "", label: say.theWholeSite }, ...site.arrays.map(({ id, name }) => ({ value: id, label: name || id }))]}
          value={draft.array}
          onChange={(event) => set({ array: event.currentTarget.value })}
        />
      )}
      {draft.kind === "meter-change" && (
        <NativeSelect
          label="Meter"
          data={[{ value: "", label: "choose" }, ...site.meters.map(({ id }) => id)]}
          value={draft.meter}
          onChange={(event) => set({ meter: event.currentTarget.value })}
        />
      )}
      {VALUE_FIELD[draft.kind] && (
        <TextInput
          label={VALUE_FIELD[draft.kind]!.label}
          placeholder={VALUE_FIELD[draft.kind]!.placeholder}
          value={draft.value}
          onChange={(event) => set({ value: event.currentTarget.value })}
        />
      )}
      <TextInput label="Who" value={draft.who} maxLength={80} onChange={(event) => set({ who: event.currentTarget.value })} />
      <TextInput
        label={`Cost, ${site.currency}`}
        inputMode="decimal"
        value={draft.cost}
        onChange={(event) => set({ cost: event.currentTarget.value })}
      />
      <Textarea
        className={styles.wide}
        label="Note"
        autosize
        minRows={2}
        maxLength={2000}
        value={draft.note}
        onChange={(event) => set({ note: event.currentTarget.value })}
      />
      <div className={styles.wide}>
        <PhotoField photo={photo} onPhoto={setPhoto} />
      </div>
    </div>
  );
}
