import { z } from "zod";
import { answer, bodyOf } from "@/app/answer";
import { numberInAddress } from "@/contracts/primitives";
import { bookBySlug } from "@/usecases/books";
import { setBatchUndone } from "@/usecases/imports";
import { house } from "@/wiring";

/** Undoes an import whole, or lets it stand again. */
export function PATCH(request: Request, { params }: { params: Promise<{ slug: string; id: string }> }): Promise<Response> {
  return answer(request, async () => {
    const { slug, id } = await params;
    const { undone } = await bodyOf(request, z.strictObject({ undone: z.boolean() }));
    const { books, imports } = house();
    return Response.json(await setBatchUndone(imports, await bookBySlug(books, slug), numberInAddress.parse(id), undone));
  });
}
