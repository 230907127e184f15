import Link from "next/link";
import type { CapacityQuestion, GuaranteeQuestion, KeptTest } from "@/contracts/acceptance";
import type { ToBring } from "@/core/basis";
import chapter from "@/features/kit/look/Chapter.module.css";
import { ViewTabs } from "@/features/kit/look/ViewTabs";
import { BRING_WORDS } from "@/wording/basis";
import { say } from "@/wording/screens/acceptance";
import { ACCEPTANCE_VIEWS } from "./acceptance-views";
import { CapacityView } from "./CapacityView";
import { GuaranteeView } from "./GuaranteeView";
import { KeptTests } from "./KeptTests";

export type AcceptanceShown =
  | {
      readonly id: "capacity";
      readonly question: CapacityQuestion;
      readonly period: { from: string; to: string };
    }
  | { readonly id: "guarantee"; readonly question: GuaranteeQuestion | null; readonly firstDay: string; readonly years: number }
  | { readonly id: "kept"; readonly kept: readonly KeptTest[] }
  /** What the light or the readings can't carry, and what would. */
  | { readonly id: "withheld"; readonly of: "capacity" | "guarantee"; readonly bring: NonNullable<ToBring> };

interface AcceptanceChapterProps {
  readonly slug: string;
  readonly name: string;
  readonly currency: string;
  readonly shown: AcceptanceShown;
}

/** What others rely on: tests and guarantees, and those that were kept. */
export function AcceptanceChapter({ slug, name, currency, shown }: AcceptanceChapterProps) {
  return (
    <div className={chapter.page}>
      <ViewTabs
        title={name}
        views={ACCEPTANCE_VIEWS}
        view={shown.id === "withheld" ? shown.of : shown.id}
        href={(id) => `/books/${slug}/tests?view=${id}`}
      />
      <Shown slug={slug} currency={currency} shown={shown} />
    </div>
  );
}

function Shown({ slug, currency, shown }: Omit<AcceptanceChapterProps, "name">) {
  switch (shown.id) {
    case "capacity":
      return <CapacityView slug={slug} {...shown} />;
    case "guarantee":
      return <GuaranteeView slug={slug} currency={currency} {...shown} />;
    case "kept":
      return <KeptTests slug={slug} kept={shown.kept} />;
    default:
      return (
        <p className={chapter.verdict} data-testid="test-withheld">
          {shown.of === "capacity" ? say.withheldCapacity : say.withheldGuarantee}{" "}
          <Link href={`/books/${slug}/readings`}>{BRING_WORDS[shown.bring]}</Link>
        </p>
      );
  }
}
