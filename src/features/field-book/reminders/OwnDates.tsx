"use client";

import { Button, NativeSelect, TextInput } from "@mantine/core";
import { type FormEvent, useState } from "react";
import { LIMITS } from "@/contracts/limits";
import type { SiteDocument } from "@/contracts/site";
import { useSiteSave } from "@/features/data/use-site-save";
import { DateField } from "@/features/kit/fields/DateField";
import chapter from "@/features/kit/look/Chapter.module.css";
import { Refused } from "@/features/kit/problems/ProblemList";
import { say } from "@/wording/screens/field-book-reminders";
import styles from "../FieldBook.module.css";
import { howOften } from "./how-often";

interface OwnDatesProps {
  readonly slug: string;
  readonly site: SiteDocument;
  readonly version: number;
}

type OwnDate = SiteDocument["reminders"][number];

const YEARS = [null, 1, 2, 4, 5, 10] as const;

/** Dates of the owner's own: written here, taken out when they are done. */
export function OwnDates({ slug, site, version }: OwnDatesProps) {
  const { run, isBusy: busy, refusal } = useSiteSave(slug);
  const [on, setOn] = useState("");
  const [what, setWhat] = useState("");
  const [every, setEvery] = useState("");
  const keep = (reminders: OwnDate[]): void => {
    const changed = { ...site, reminders };
    run({ version, site: changed });
  };
  const write = (event: FormEvent): void => {
    event.preventDefault();
    keep([...site.reminders, { on, what: what.trim(), everyYears: every === "" ? null : Number(every) }]);
    setOn("");
    setWhat("");
  };
  const isFull = site.reminders.length >= LIMITS.reminders.most;
  return (
    <section className={chapter.section}>
      <h2>{say.ownDates}</h2>
      <form onSubmit={write}>
        <div className={styles.fields}>
          <TextInput label={say.whatIsToDo} maxLength={120} value={what} onChange={({ currentTarget }) => setWhat(currentTarget.value)} />
          <DateField label={say.onTheDay} value={on} onChange={setOn} />
          <NativeSelect
            label={say.again}
            value={every}
            data={YEARS.map((years) => ({ value: years === null ? "" : String(years), label: howOften(years) }))}
            onChange={({ currentTarget }) => setEvery(currentTarget.value)}
          />
        </div>
        <Button type="submit" loading={busy} disabled={on === "" || what.trim() === "" || isFull}>
          {say.writeTheDate}
        </Button>
      </form>
      {refusal && <Refused refusal={refusal} />}
      <ul className={styles.dates}>
        {site.reminders.map((own, i) => (
          <li key={`${own.on} ${own.what}`}>
            <span>
              {own.what}
              <span className={chapter.soft}>{` · ${own.on}, ${howOften(own.everyYears)}`}</span>
            </span>
            <Button
              size="compact-xs"
              variant="subtle"
              disabled={busy}
              aria-label={say.takeOut(own.what)}
              onClick={() => keep(site.reminders.filter((_, k) => k !== i))}
            >
              {say.takeItOut}
            </Button>
          </li>
        ))}
      </ul>
    </section>
  );
}
