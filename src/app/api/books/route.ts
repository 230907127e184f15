import { answer } from "@/app/answer";
import { parseSiteText } from "@/formats/site-json";
import { createBook } from "@/usecases/books";
import { Refusal } from "@/usecases/refusal";
import { services } from "@/wiring";
import { inPlainText } from "@/wording/problems";

/** Opens a new book from a site document. */
export function POST(request: Request): Promise<Response> {
  return answer(request, async () => {
    const reading = parseSiteText(await request.text());
    if (!reading.ok) {
      const first = reading.problems[0];
      throw new Refusal(
        "site-invalid",
        first ? inPlainText(first) : "The site document can't be read.",
        "Correct the fields named and try again.",
        {},
        reading.problems,
      );
    }
    const book = await createBook(services().books, reading.document);
    return Response.json({ slug: book.slug }, { status: 201 });
  });
}
