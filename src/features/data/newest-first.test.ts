import { describe, expect, it } from "vitest";
import { NewestFirst } from "./newest-first";

const settled = () => new Promise((resolve) => setTimeout(resolve, 0));

/** A desk whose answers the test gives one by one. */
function desk() {
  const [asked, answers, failures]: [number[], number[], unknown[]] = [[], [], []];
  const open: { resolve: (value: number) => void; reject: (error: unknown) => void }[] = [];
  const newest = new NewestFirst<number, number>(
    (question) => {
      asked.push(question);
      return new Promise((resolve, reject) => open.push({ resolve, reject }));
    },
    (answer) => answers.push(answer),
    (error) => failures.push(error),
  );
  return { asked, answers, failures, open, newest };
}

describe("the newest question first", () => {
  it("asks one at a time and drops what was overtaken", async () => {
    const { asked, answers, open, newest } = desk();
    for (const question of [1, 2, 3]) newest.put(question);
    expect(asked).toEqual([1]);
    open[0]!.resolve(10);
    await settled();
    expect(asked).toEqual([1, 3]);
    open[1]!.resolve(30);
    await settled();
    expect(answers).toEqual([10, 30]);
    expect(newest.isBusy).toBe(false);
  });

  it("is not busy for ever after an answer that failed: the next question is asked", async () => {
    const { asked, answers, failures, open, newest } = desk();
    newest.put(1);
    open[0]!.reject(new Error("the worker died"));
    await settled();
    expect(failures).toHaveLength(1);
    expect(newest.isBusy).toBe(false);
    newest.put(2);
    open[1]!.resolve(20);
    await settled();
    expect([asked, answers]).toEqual([[1, 2], [20]]);
  });

  it("hears nothing more once it is ended", async () => {
    const { answers, failures, open, newest } = desk();
    newest.put(1);
    newest.end();
    open[0]!.resolve(10);
    await settled();
    expect([answers, failures]).toEqual([[], []]);
  });
});
