import { answer, jsonOf } from "@/app/answer";
import { checkEvidence } from "@/usecases/acceptance";
import { house } from "@/wiring";

/** Looks at an evidence file that somebody brought: whether a letter was changed since it was signed, and with whose key. Nothing is stored. */
export function POST(request: Request): Promise<Response> {
  return answer(request, async () => {
    return Response.json(await checkEvidence(house(), jsonOf(await request.text(), "no-json")));
  });
}
