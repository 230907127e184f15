import { answer } from "@/app/answer";
import { bookBySlug } from "@/usecases/books";
import { house } from "@/wiring";

interface Context {
  params: Promise<{ slug: string }>;
}

/** Whole months of each meter, whatever they were read as: for trials of totals. */
export function GET(request: Request, { params }: Context): Promise<Response> {
  return answer(request, async () => {
    const { books, askAndWait } = house();
    return Response.json(await askAndWait(await bookBySlug(books, (await params).slug), "meterMonths", {}));
  });
}
