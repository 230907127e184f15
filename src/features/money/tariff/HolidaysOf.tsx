"use client";

import { Button, NativeSelect } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { holidayAnswerSchema, holidayCountriesSchema } from "@/contracts/holidays";
import { ask } from "@/features/data/ask";
import chapter from "@/features/kit/look/Chapter.module.css";
import { say } from "@/wording/screens/money-tariff";
import styles from "../MoneyChapter.module.css";
import type { PlanDraft } from "./plan-draft";

interface Props {
  readonly draft: PlanDraft;
  readonly take: (holidays: string) => void;
}

/** Years to come that a plan without an end is given holidays for. */
const YEARS_ON = 2;
/** As many years as one question may ask. */
const MOST_YEARS = 12;
const names = new Intl.DisplayNames(["en"], { type: "region" });

/** A country's public holidays, taken into the plan as dates that can still be changed. */
export function HolidaysOf({ draft, take }: Props) {
  const [country, setCountry] = useState("");
  const [note, setNote] = useState("");
  const { data: codes = [] } = useQuery({
    queryKey: ["holiday-countries"],
    queryFn: ({ signal }) => ask(holidayCountriesSchema, "/api/holidays", { signal }),
    staleTime: Number.POSITIVE_INFINITY,
  });
  const countries = codes.map((value) => ({ value, label: names.of(value) ?? value })).sort((a, b) => a.label.localeCompare(b.label));
  const [first, last] = yearsOf(draft);
  const fetchThem = async (): Promise<void> => {
    try {
      const { days } = await ask(holidayAnswerSchema, `/api/holidays?country=${country}&from=${first}&to=${last}`, {});
      take(days.join(", "));
      setNote(say.holidaysTaken(days.length, names.of(country) ?? country, String(first), String(last)));
    } catch {
      setNote(say.holidaysFailed);
    }
  };
  return (
    <div className={styles.holidays}>
      <NativeSelect
        label={say.holidaysOf}
        value={country}
        onChange={(event) => setCountry(event.currentTarget.value)}
        data={[{ value: "", label: "–" }, ...countries]}
      />
      <Button variant="subtle" size="compact-sm" disabled={country === ""} onClick={() => void fetchThem()}>
        {say.takeItsHolidays}
      </Button>
      <span className={chapter.soft} role="status">
        {note}
      </span>
    </div>
  );
}

/** The years of a plan: without an end up to some years from now. */
function yearsOf({ from, to }: PlanDraft): [number, number] {
  const now = new Date().getFullYear();
  const end = Number((to ?? "").slice(0, 4)) || now + YEARS_ON;
  const begin = Number(from.slice(0, 4)) || now;
  return [Math.max(Math.min(begin, end), end - MOST_YEARS + 1), end];
}
