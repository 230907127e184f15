import type { Sequelize } from "sequelize";
import { decisionSchema } from "@/contracts/examination";
import type { DecisionStore } from "@/usecases/quality";
import type { FindingDecisionRow, Models } from "./models";

const asDecision = ({ findingKey, state, remedies, note }: FindingDecisionRow) =>
  decisionSchema.parse({ findingKey, state, remedies, note });

/** Decisions on findings in PostgreSQL; a change of them is a change of the book. */
export function decisionRepository(sequelize: Sequelize, { Book, FindingDecision }: Models): DecisionStore {
  return {
    of: async (bookId) => (await FindingDecision.findAll({ where: { bookId }, order: ["id"] })).map((row) => asDecision(row.get())),
    change: (bookId, kept, takenBack) =>
      sequelize.transaction(async (transaction) => {
        if (takenBack.length > 0) await FindingDecision.destroy({ where: { bookId, findingKey: [...takenBack] }, transaction });
        for (const decision of kept) {
          await FindingDecision.upsert(
            { bookId, ...decision, remedies: [...decision.remedies], decidedAt: new Date() },
            { conflictFields: ["book_id", "finding_key"] as never, transaction },
          );
        }
        await Book.increment("version", { where: { id: bookId }, transaction });
      }),
  };
}
