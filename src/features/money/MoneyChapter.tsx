"use client";

import chapter from "@/features/kit/look/Chapter.module.css";
import { ViewTabs } from "@/features/kit/look/ViewTabs";
import { chapterPath } from "@/features/shell/chapters";
import { BillsView } from "./bills/BillsView";
import { CasesView } from "./cases/CasesView";
import { LoanView } from "./loan/LoanView";
import type { MoneyProps } from "./money-props";
import { MONEY_VIEWS, type MoneyViewId } from "./money-views";
import { PaybackView } from "./payback/PaybackView";
import { TariffView } from "./tariff/TariffView";

const VIEWS: Readonly<Record<MoneyViewId, (props: MoneyProps) => React.ReactNode>> = {
  payback: (props) => <PaybackView {...props} />,
  bills: (props) => <BillsView {...props} />,
  tariff: (props) => <TariffView {...props} />,
  loan: (props) => <LoanView {...props} />,
  cases: (props) => <CasesView {...props} />,
};

/** Bills, tariffs, savings, payback and decisions. */
export function MoneyChapter({ view, ...props }: MoneyProps & { readonly view: MoneyViewId }) {
  return (
    <div className={chapter.page}>
      <ViewTabs title={props.site.name} views={MONEY_VIEWS} view={view} href={(id) => `${chapterPath(props.slug, "money")}?view=${id}`} />
      {VIEWS[view](props)}
    </div>
  );
}
