export { migrate, QUEUES } from "@/data";
export { attributeAll } from "./attribute-all";
export { cleanProduction } from "./clean-production";
export { placeDemoFeeds } from "./demo-feeds";
export { loadDemo } from "./load-demo";
export { log } from "./log";
export { openServices, type Services, services } from "./services";
