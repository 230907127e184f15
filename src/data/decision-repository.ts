import { decisionSchema } from "@/contracts/examination";
import type { DecisionStore } from "@/usecases/quality";
import type { ChangeBook } from "./change-book";
import { columns } from "./columns";
import type { FindingDecisionRow, Models } from "./models";

const asDecision = ({ findingKey, state, remedies, note }: FindingDecisionRow) =>
  decisionSchema.parse({ findingKey, state, remedies, note });

const BY_FINDING = columns<FindingDecisionRow>("book_id", "finding_key");

/** Decisions on findings in PostgreSQL; a change of them is a change of the book. */
export function decisionRepository({ Book, FindingDecision }: Models, changeBook: ChangeBook): DecisionStore {
  return {
    of: async (bookId) => (await FindingDecision.findAll({ where: { bookId }, order: ["id"] })).map((row) => asDecision(row.get())),
    change: (bookId, kept, takenBack, was) =>
      changeBook(bookId, async ({ transaction, leave }) => {
        await Book.findByPk(bookId, { attributes: ["id"], lock: true, transaction });
        const standing = await FindingDecision.findAll({ where: { bookId, findingKey: [...was.keys()] }, transaction });
        const states = new Map(standing.map((row) => [row.get().findingKey, row.get().state]));
        if ([...was].some(([key, state]) => (states.get(key) ?? null) !== state)) {
          leave();
          return false;
        }
        if (takenBack.length > 0) await FindingDecision.destroy({ where: { bookId, findingKey: [...takenBack] }, transaction });
        for (const decision of kept) {
          await FindingDecision.upsert(
            { bookId, ...decision, remedies: [...decision.remedies], decidedAt: new Date() },
            { conflictFields: BY_FINDING, transaction },
          );
        }
        return true;
      }),
  };
}
