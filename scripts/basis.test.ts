import { readFileSync } from "node:fs";
import path from "node:path";
import { projectRoot } from "@test/paths";
import { expect, it } from "vitest";
import { basisPage } from "./basis-page";

it("the page on bases says what the program asks its table", () => {
  expect(readFileSync(path.join(projectRoot, "docs/basis.md"), "utf8"), "run npm run basis").toBe(basisPage());
});
