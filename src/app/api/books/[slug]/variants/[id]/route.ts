import { answer } from "@/app/answer";
import { numberInAddress } from "@/contracts/primitives";
import { bookBySlug } from "@/usecases/books";
import { removeVariant } from "@/usecases/variants";
import { house } from "@/wiring";

/** Takes a kept what-if out of the book. */
export function DELETE(request: Request, { params }: { params: Promise<{ slug: string; id: string }> }): Promise<Response> {
  return answer(request, async () => {
    const { books, variants } = house();
    const { slug, id } = await params;
    await removeVariant(variants, await bookBySlug(books, slug), numberInAddress.parse(id));
    return Response.json({});
  });
}
