import { Readable } from "node:stream";
import { answer } from "@/app/answer";
import { readBills } from "@/formats/bills-csv";
import { bookBySlug } from "@/usecases/books";
import { Refusal } from "@/usecases/refusal";
import { house } from "@/wiring";

const MOST_BYTES = 5_000_000;

/** Reads a file or pasted table of bills and gives them back; nothing is stored. */
export function POST(request: Request, { params }: { params: Promise<{ slug: string }> }): Promise<Response> {
  return answer(request, async () => {
    await bookBySlug(house().books, (await params).slug);
    const bytes = Buffer.from(await request.arrayBuffer());
    if (bytes.length > MOST_BYTES) throw new Refusal("upload-too-large", "bills-too-large");
    const { bills, problems } = await readBills(Readable.from([bytes]));
    if (problems.some(({ severity }) => severity === "error")) throw new Refusal("file-refused", "bills-unreadable", {}, problems);
    return Response.json({ bills, problems });
  });
}
