import { writeFileSync } from "node:fs";
import { basisPage } from "./basis-page";

writeFileSync(new URL("../docs/basis.md", import.meta.url), basisPage());
console.log("docs/basis.md");
