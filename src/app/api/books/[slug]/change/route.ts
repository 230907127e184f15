import { answer } from "@/app/answer";
import { changeQuestionSchema } from "@/contracts/trial";
import { bookBySlug } from "@/usecases/books";
import { house } from "@/wiring";

/** Days before and after an intervention, each with what the site as it stood before should have given. */
export function GET(request: Request, { params }: { params: Promise<{ slug: string }> }): Promise<Response> {
  return answer(request, async () => {
    const { books, askAndWait } = house();
    const question = changeQuestionSchema.parse(Object.fromEntries(new URL(request.url).searchParams));
    const book = await bookBySlug(books, (await params).slug);
    return Response.json(await askAndWait(book, "change", question));
  });
}
