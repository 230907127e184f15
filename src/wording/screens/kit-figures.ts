import { catalogue } from "../catalogue";

/** What the screens of kit, figures say. */
export const say = catalogue({
  showTheWorking: "Show the working",
});
