import { describe, expect, it } from "vitest";
import { z } from "zod";
import { keptAs } from "./use-kept";

const schema = z.array(z.string().max(3)).max(2);

describe("what was kept in the browser", () => {
  it("is read where it fits", () => {
    expect(keptAs(schema, [], '["a","b"]')).toEqual(["a", "b"]);
  });

  it.each([undefined, "", "null", "{", '["long one"]', '["a","b","c"]', '{"a":1}'])("%s is none of it", (text) => {
    expect(keptAs(schema, ["first"], text)).toEqual(["first"]);
  });
});
