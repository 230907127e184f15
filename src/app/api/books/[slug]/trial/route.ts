import { answer } from "@/app/answer";
import { trialQuestionSchema } from "@/contracts/trial";
import { packTrial } from "@/contracts/trial-wire";
import { bookBySlug } from "@/usecases/books";
import { trialSources } from "@/usecases/trials";
import { cleanProduction, services } from "@/wiring";

/** Both sides of a trial with what the model expects of each, packed for the browser's worker. */
export function GET(request: Request, { params }: { params: Promise<{ slug: string }> }): Promise<Response> {
  return answer(request, async () => {
    const all = services();
    const question = trialQuestionSchema.parse(Object.fromEntries(new URL(request.url).searchParams));
    const book = await bookBySlug(all.books, (await params).slug);
    const [ledger, production] = await Promise.all([all.ledgerOf(book), cleanProduction(all, book)]);
    return new Response(packTrial(trialSources(question, ledger, production)), { headers: { "content-type": "application/octet-stream" } });
  });
}
