import { answer, bodyOf } from "@/app/answer";
import { testPorts } from "@/app/test-ports";
import { acceptanceQuestionSchema } from "@/contracts/acceptance";
import { askTest } from "@/usecases/acceptance";
import { bookBySlug } from "@/usecases/books";
import { house } from "@/wiring";

/** Figures of a capacity test or of a guarantee; nothing is stored. */
export function POST(request: Request, { params }: { params: Promise<{ slug: string }> }): Promise<Response> {
  return answer(request, async () => {
    const book = await bookBySlug(house().books, (await params).slug);
    return Response.json(await askTest(testPorts(), book, await bodyOf(request, acceptanceQuestionSchema)));
  });
}
