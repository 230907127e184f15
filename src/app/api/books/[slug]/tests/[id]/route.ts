import { answer } from "@/app/answer";
import { testPorts } from "@/app/test-ports";
import { numberInAddress } from "@/contracts/primitives";
import { removeTest, repeatTest } from "@/usecases/acceptance";
import { bookBySlug } from "@/usecases/books";
import { house } from "@/wiring";

interface Context {
  params: Promise<{ slug: string; id: string }>;
}

/** A kept test made once more under the site document that was kept with it. */
export function GET(request: Request, { params }: Context): Promise<Response> {
  return answer(request, async () => {
    const { slug, id } = await params;
    return Response.json(await repeatTest(testPorts(), await bookBySlug(house().books, slug), numberInAddress.parse(id)));
  });
}

/** Takes a kept test out of the book. */
export function DELETE(request: Request, { params }: Context): Promise<Response> {
  return answer(request, async () => {
    const { slug, id } = await params;
    await removeTest(testPorts(), await bookBySlug(house().books, slug), numberInAddress.parse(id));
    return Response.json({});
  });
}
