import { answer } from "@/app/answer";
import { townQuestionSchema } from "@/contracts/towns";
import { house } from "@/wiring";

/** Towns by the beginning of their names: ?q=innsbruck, or ?q=york, us. */
export function GET(request: Request): Promise<Response> {
  return answer(request, async () => {
    const question = townQuestionSchema.parse(new URL(request.url).searchParams.get("q") ?? "");
    return Response.json(await house().towns(question));
  });
}
