import { answer } from "@/app/answer";
import { bookBySlug } from "@/usecases/books";
import { Refusal } from "@/usecases/refusal";
import { house } from "@/wiring";

/** Reads a file or pasted table of bills and gives them back; nothing is stored. */
export function POST(request: Request, { params }: { params: Promise<{ slug: string }> }): Promise<Response> {
  return answer(request, async () => {
    const { books, files } = house();
    await bookBySlug(books, (await params).slug);
    const { bills, problems } = await files.bills(new Uint8Array(await request.arrayBuffer()));
    if (problems.some(({ severity }) => severity === "error")) throw new Refusal("file-refused", "bills-unreadable", {}, problems);
    return Response.json({ bills, problems });
  });
}
