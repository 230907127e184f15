import { catalogue } from "../catalogue";

/** What the screens of kit, table say. */
export const say = catalogue({
  saveThisTableAsCsv: "Save this table as CSV",
});
