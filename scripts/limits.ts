import { writeFileSync } from "node:fs";
import { limitsPage } from "./limits-page";

writeFileSync(new URL("../docs/limits.md", import.meta.url), limitsPage());
console.log("docs/limits.md");
