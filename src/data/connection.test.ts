import { describe, expect, it } from "vitest";
import { withoutValues } from "./connection";

describe("a fault of the database", () => {
  it("leaves it without the statement and its values, however deep they hang", () => {
    const driver = Object.assign(new Error("duplicate key"), {
      code: "23505",
      detail: "Key (name)=(secret)",
      where: "secret",
      constraint: "books_slug_key",
    });
    const thrown = Object.assign(new Error("Validation error"), {
      parent: driver,
      original: driver,
      sql: "insert into books values ('secret')",
      parameters: ["secret"],
      fields: { name: "secret" },
    });
    const told = withoutValues(thrown) as typeof thrown;
    expect(told).toBe(thrown);
    expect(JSON.stringify(Object.entries(told).concat(Object.entries(driver)))).not.toContain("secret");
    expect([told.message, driver.code, driver.constraint]).toEqual(["Validation error", "23505", "books_slug_key"]);
    expect(withoutValues("text")).toBe("text");
  });
});
