import { answer } from "@/app/answer";
import { bookBySlug } from "@/usecases/books";
import { house } from "@/wiring";

interface Context {
  params: Promise<{ slug: string }>;
}

/** Twelve months of light in which the plant gives what its own meter counted. */
export function GET(request: Request, { params }: Context): Promise<Response> {
  return answer(request, async () => {
    const { books, askAndWait } = house();
    return Response.json(await askAndWait(await bookBySlug(books, (await params).slug), "ownSun", {}));
  });
}
