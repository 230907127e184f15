import { afterEach, describe, expect, it, vi } from "vitest";
import { z } from "zod";
import { ask, askLines, tell } from "./ask";
import { RefusedCall } from "./refused-call";

const answers = (body: string, status = 200) => vi.stubGlobal("fetch", async () => new Response(body, { status }));
const contract = z.object({ version: z.number() });
const refusal = (work: Promise<unknown>): Promise<RefusedCall> =>
  work.then(
    () => Promise.reject(new Error("it was not refused")),
    (error: unknown) => {
      if (error instanceof RefusedCall) return error;
      throw error;
    },
  );

afterEach(() => vi.unstubAllGlobals());

describe("asking a route", () => {
  it("gives what its contract holds", async () => {
    answers('{"version":4}');
    expect(await ask(contract, "/x")).toEqual({ version: 4 });
  });

  it("refuses an answer that breaks its contract, instead of handing it on", async () => {
    answers('{"version":"four"}');
    expect((await refusal(ask(contract, "/x"))).code).toBe("unexpected-answer");
    answers("<html>");
    expect((await refusal(ask(contract, "/x"))).code).toBe("unexpected-answer");
  });

  it("hands on a refusal with its words, and says that the server is silent where it is", async () => {
    answers('{"error":{"code":"book-changed","message":"m","help":"h","problems":[]}}', 409);
    expect(await refusal(tell("PUT", "/x", {}))).toMatchObject({ code: "book-changed", message: "m", help: "h" });
    answers("gateway", 502);
    expect((await refusal(ask(contract, "/x"))).code).toBe("no-answer");
    vi.stubGlobal("fetch", () => Promise.reject(new TypeError("refused")));
    expect((await refusal(ask(contract, "/x"))).code).toBe("no-answer");
  });

  it("reads an answer line by line, wherever its parts are cut", async () => {
    const parts = ['{"version":1}\n{"ver', 'sion":2}\n'];
    const stream = new ReadableStream({
      start(controller) {
        for (const part of parts) controller.enqueue(new TextEncoder().encode(part));
        controller.close();
      },
    });
    vi.stubGlobal("fetch", async () => new Response(stream));
    const seen: number[] = [];
    for await (const { version } of askLines(contract, "/x", {})) seen.push(version);
    expect(seen).toEqual([1, 2]);
  });
});
