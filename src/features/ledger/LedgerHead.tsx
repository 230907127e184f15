"use client";

import Link from "next/link";
import { useRouter } from "next/navigation";
import tabs from "@/features/kit/look/ViewTabs.module.css";
import { monthName, yearInWords } from "@/wording/format";
import { say } from "@/wording/screens/ledger";
import views from "./LedgerViews.module.css";

/** Address of the page with something changed. */
export type Href = (change: Partial<Record<"year" | "view" | "starts", string>>) => string;

/** Years of the book, fiscal ones by the day on which they end. */
interface YearChoiceProps {
  readonly years: readonly string[];
  readonly selected: string;
  readonly href: Href;
  readonly fiscalStart: number;
}

export function YearChoice({ years, selected, href, fiscalStart }: YearChoiceProps) {
  return (
    <nav className={tabs.years} aria-label="Years">
      {[...years, "all"].map((year) => (
        <Link key={year} href={href({ year })} aria-current={year === selected ? "page" : undefined} title={yearInWords(year, fiscalStart)}>
          {year === "all" ? "All" : year}
        </Link>
      ))}
    </nav>
  );
}

export function FiscalStart({ href, fiscalStart }: { href: Href; fiscalStart: number }) {
  const router = useRouter();
  return (
    <label className={views.starts}>
      {say.yearStartsIn}
      <select value={fiscalStart} onChange={(event) => router.push(href({ starts: event.currentTarget.value, year: "all" }))}>
        {MONTH_NUMBERS.map((month) => (
          <option key={month} value={month}>
            {monthName(`2000-${String(month).padStart(2, "0")}`)}
          </option>
        ))}
      </select>
    </label>
  );
}

const MONTH_NUMBERS = Array.from({ length: 12 }, (_, k) => k + 1);
