import { z } from "zod";
import { type Problem, problemSchema } from "@/contracts/problems";
import { SERVER_WORDS } from "@/wording/server";

/** A route's refusal, with its words. */
export class RefusedCall extends Error {
  override readonly name = "RefusedCall";
  constructor(
    readonly code: string,
    message: string,
    readonly help: string,
    readonly problems: readonly Problem[] = [],
  ) {
    super(message);
  }
}

const errorBody = z.object({
  error: z.object({ code: z.string(), message: z.string(), help: z.string(), problems: z.array(problemSchema) }),
});

/** A refusal of our own words. */
export const refusedAs = (words: keyof typeof SERVER_WORDS, problems: readonly Problem[] = []): RefusedCall =>
  new RefusedCall(words, SERVER_WORDS[words].message, SERVER_WORDS[words].help, problems);

/** Turns a failed answer into a RefusedCall. */
export async function refusalFrom(response: Response): Promise<RefusedCall> {
  const body = errorBody.safeParse(await response.json().catch(() => null));
  if (!body.success) return refusedAs("no-answer");
  const { code, message, help, problems } = body.data.error;
  return new RefusedCall(code, message, help, problems);
}

export const asRefused = (error: unknown): RefusedCall => (error instanceof RefusedCall ? error : refusedAs("unknown"));
