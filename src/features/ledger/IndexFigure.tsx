import { type LedgerLine, performanceIndex } from "@/core/ledger";
import { KnownFigure } from "@/features/kit/figures/KnownFigure";
import { percent } from "@/wording/format";
import { type LedgerContext, performanceIndexWorking } from "@/wording/workings/ledger-workings";

/** The performance index of a line with its working; a dash where nothing was read. */
export const IndexFigure = ({ line, context }: { readonly line: LedgerLine; readonly context: LedgerContext }) => (
  <KnownFigure
    name={`performance-index/${line.key}`}
    value={performanceIndex(line)}
    say={percent}
    working={() => performanceIndexWorking(line, context)}
  />
);
