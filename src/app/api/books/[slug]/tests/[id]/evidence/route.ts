import { answer } from "@/app/answer";
import { numberInAddress } from "@/contracts/primitives";
import { evidenceOf } from "@/usecases/acceptance";
import { bookBySlug } from "@/usecases/books";
import { house } from "@/wiring";

/** A kept test with all that it rests on, signed with the house's key, as a file. */
export function GET(request: Request, { params }: { params: Promise<{ slug: string; id: string }> }): Promise<Response> {
  return answer(request, async () => {
    const { slug, id } = await params;
    const own = house();
    const evidence = await evidenceOf(own, await bookBySlug(own.books, slug), numberInAddress.parse(id), new Date().toISOString());
    return new Response(`${JSON.stringify(evidence, null, 1)}\n`, {
      headers: {
        "content-type": "application/json; charset=utf-8",
        "content-disposition": `attachment; filename="${slug}-evidence-${id}.json"`,
      },
    });
  });
}
