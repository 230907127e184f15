import Link from "next/link";
import type { Indicators } from "@/contracts/attribution";
import type { ToBring } from "@/core/basis";
import type { LedgerLine } from "@/core/ledger";
import chapter from "@/features/kit/look/Chapter.module.css";
import { CausesView, type CausesViewProps } from "@/features/ledger/attribution/CausesView";
import type { DirtAndSnowProps } from "@/features/ledger/attribution/DirtAndSnowTables";
import { DirtAndSnowView } from "@/features/ledger/attribution/DirtAndSnowView";
import { IndicatorsView } from "@/features/ledger/attribution/IndicatorsView";
import { PromiseView } from "@/features/ledger/attribution/PromiseView";
import { ModulesView, type ModulesViewProps } from "@/features/ledger/modules/ModulesView";
import { BRING_WORDS } from "@/wording/basis";
import { yearInWords } from "@/wording/format";
import { say } from "@/wording/screens/ledger";

/** What stands under the page's head, by view. */
export type LedgerView =
  | { readonly id: "year" }
  | ({ readonly id: "causes" } & Omit<CausesViewProps, "slug">)
  | ({ readonly id: "dirt" } & Omit<DirtAndSnowProps, "slug" | "span">)
  /** Causes and dirt where the light or the readings carry neither: what to bring. */
  | { readonly id: "withheld"; readonly of: "causes" | "dirt"; readonly bring: NonNullable<ToBring> }
  | { readonly id: "promise"; readonly months: readonly LedgerLine[] }
  | ({ readonly id: "modules" } & Omit<ModulesViewProps, "slug">)
  | { readonly id: "figures"; readonly indicators: readonly Indicators[]; readonly lines: readonly LedgerLine[]; readonly sum: LedgerLine };

interface OtherViewProps {
  readonly slug: string;
  readonly view: LedgerView;
  readonly fiscalStart: number;
  readonly selected: string;
}

/** Every view of the chapter but the year's own spread. */
export function OtherView({ slug, view, fiscalStart, selected }: OtherViewProps) {
  switch (view.id) {
    case "causes":
      return <CausesView slug={slug} {...view} />;
    case "dirt":
      return <DirtAndSnowView slug={slug} span={selected === "all" ? say.allItsYears : yearInWords(selected, fiscalStart)} {...view} />;
    case "withheld":
      return (
        <p className={chapter.verdict} data-testid="causes-withheld">
          {say.causesCantBeTold} <Link href={`/books/${slug}/readings`}>{BRING_WORDS[view.bring]}</Link>
        </p>
      );
    case "promise":
      return <PromiseView slug={slug} months={view.months} fiscalStart={fiscalStart} name={yearInWords(selected, fiscalStart)} />;
    case "modules":
      return <ModulesView slug={slug} {...view} />;
    case "figures":
      return <IndicatorsView slug={slug} indicators={view.indicators} lines={view.lines} sum={view.sum} />;
    default:
      return null;
  }
}
