"use client";

import { Button, Select, TextInput } from "@mantine/core";
import { useState } from "react";
import { type FeedSettings, feedSettingsSchema } from "@/contracts/feeds";
import { mappedQuantities } from "@/contracts/mapping";
import { NumberField } from "@/features/kit/fields/NumberField";
import chapter from "@/features/kit/look/Chapter.module.css";
import { fieldInWords } from "@/wording/fields";
import { say } from "@/wording/screens/readings";
import styles from "./ReadingsChapter.module.css";

const EMPTY = {
  name: "",
  kind: "production",
  url: "http://",
  format: "csv",
  everyMinutes: 15,
  meterId: null,
  rows: "data",
  time: "time",
  field: "energy_kwh",
  quantity: "energy_kwh",
};

export function NewFeed({
  meters,
  hosts,
  add,
}: {
  meters: readonly string[];
  hosts: readonly string[];
  add: (settings: FeedSettings) => void;
}) {
  const [draft, setDraft] = useState<FeedDraft>(EMPTY);
  const [fault, setFault] = useState("");
  const set = (part: Partial<FeedDraft>) => setDraft({ ...draft, ...part });
  const submit = () => {
    const { rows, time, field, quantity, ...rest } = draft;
    const json = draft.format === "json" ? { rows, time, values: [{ field, quantity }] } : null;
    const read = feedSettingsSchema.safeParse({
      ...rest,
      json,
      meterId: draft.kind === "production" ? (draft.meterId ?? meters[0] ?? null) : null,
      enabled: true,
    });
    if (!read.success) return setFault(read.error.issues.map(({ path, message }) => `${fieldInWords(path)}: ${message}`).join("; "));
    setFault("");
    add(read.data);
  };
  return (
    <section className={chapter.section}>
      <h2>{say.addAFeed}</h2>
      <FeedFields draft={draft} set={set} hosts={hosts} meters={meters} />
      {fault && <p className={chapter.clay}>{fault}</p>}
      <div className={chapter.actions}>
        <Button onClick={submit}>{say.addAndStartIt}</Button>
      </div>
    </section>
  );
}

type FeedDraft = Record<keyof typeof EMPTY, string | number | null>;

interface FeedFieldsProps {
  readonly draft: FeedDraft;
  readonly set: (part: Partial<FeedDraft>) => void;
  readonly hosts: readonly string[];
  readonly meters: readonly string[];
}

function FeedFields({ draft, set, hosts, meters }: FeedFieldsProps) {
  return (
    <div className={styles.newFeed}>
      <TextInput label="Name" value={String(draft.name ?? "")} onChange={(event) => set({ name: event.currentTarget.value })} />
      <TextInput
        label="Address"
        description={hosts.length > 0 ? `Allowed hosts: ${hosts.join(", ")}` : say.noHostIsAllowedYetDusty}
        value={String(draft.url ?? "")}
        onChange={(event) => set({ url: event.currentTarget.value })}
      />
      <Select
        label="Holds"
        data={["production", "weather"]}
        value={String(draft.kind)}
        allowDeselect={false}
        onChange={(kind) => set({ kind })}
      />
      <Select
        label="Answers with"
        data={["csv", "json"]}
        value={String(draft.format)}
        allowDeselect={false}
        onChange={(format) => set({ format })}
      />
      {draft.format === "json" && <JsonFields draft={draft} set={set} />}
      {draft.kind === "production" && meters.length > 1 && (
        <Select
          label="Meter"
          data={[...meters]}
          value={String(draft.meterId ?? meters[0])}
          allowDeselect={false}
          onChange={(meterId) => set({ meterId })}
        />
      )}
      <NumberField
        label="Every, minutes"
        min={1}
        max={1440}
        value={Number(draft.everyMinutes)}
        onChange={(everyMinutes) => set({ everyMinutes: Number(everyMinutes) })}
      />
    </div>
  );
}

interface JsonFieldsProps {
  readonly draft: FeedDraft;
  readonly set: (part: Partial<FeedDraft>) => void;
}

function JsonFields({ draft, set }: JsonFieldsProps) {
  return (
    <>
      <TextInput
        label={say.listOfRows}
        description={say.aPathSuchAsDataRows}
        value={String(draft.rows)}
        onChange={(event) => set({ rows: event.currentTarget.value })}
      />
      <TextInput label={say.fieldOfTheTime} value={String(draft.time)} onChange={(event) => set({ time: event.currentTarget.value })} />
      <TextInput label={say.fieldOfTheValue} value={String(draft.field)} onChange={(event) => set({ field: event.currentTarget.value })} />
      <Select
        label="It holds"
        data={[...mappedQuantities]}
        value={String(draft.quantity)}
        allowDeselect={false}
        onChange={(quantity) => set({ quantity })}
      />
    </>
  );
}
