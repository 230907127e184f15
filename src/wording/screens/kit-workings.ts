import { catalogue } from "../catalogue";

/** What the screens of kit, workings say. */
export const say = catalogue({
  closeTheWorking: "Close the working",
});
