import { answer } from "@/app/answer";
import { trialQuestionSchema } from "@/contracts/trial";
import { bookBySlug } from "@/usecases/books";
import { house } from "@/wiring";

/** Both sides of a trial with what the model expects of each, packed for the browser's worker. */
export function GET(request: Request, { params }: { params: Promise<{ slug: string }> }): Promise<Response> {
  return answer(request, async () => {
    const { books, askAndWait } = house();
    const question = trialQuestionSchema.parse(Object.fromEntries(new URL(request.url).searchParams));
    const book = await bookBySlug(books, (await params).slug);
    return new Response(await askAndWait(book, "trial", question), { headers: { "content-type": "application/octet-stream" } });
  });
}
