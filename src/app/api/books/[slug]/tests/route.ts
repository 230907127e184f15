import { answer, bodyOf } from "@/app/answer";
import { testPorts } from "@/app/test-ports";
import { newTestSchema } from "@/contracts/acceptance";
import { keepTest } from "@/usecases/acceptance";
import { bookBySlug } from "@/usecases/books";
import { house } from "@/wiring";

interface Context {
  params: Promise<{ slug: string }>;
}

/** The tests that the book keeps, newest first. */
export function GET(request: Request, { params }: Context): Promise<Response> {
  return answer(request, async () => {
    const { books, tests } = house();
    return Response.json(await tests.of((await bookBySlug(books, (await params).slug)).id));
  });
}

/** Keeps a test with the figures that it gives now. */
export function POST(request: Request, { params }: Context): Promise<Response> {
  return answer(request, async () => {
    const book = await bookBySlug(house().books, (await params).slug);
    return Response.json(await keepTest(testPorts(), book, await bodyOf(request, newTestSchema)), { status: 201 });
  });
}
